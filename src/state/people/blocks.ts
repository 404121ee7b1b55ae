import { createSelector, type Action, type ThunkAction } from '@reduxjs/toolkit';

import { fullBlock, type Card, type PeopleBlock } from '@/core/people/contacts';
import { dropSome, freeId, keepMany, type RootState, type Services } from '@/state/app';

export type Act<T = void> = ThunkAction<T, RootState, Services, Action>;

const selectBlockOf = createSelector(
  (state: RootState) => state.inbox.kept.people,
  (blocks) => new Map(Object.values(blocks).flatMap(({ id, cards }) => cards.map((card) => [card.id, id]))),
);

/** Keeps cards, each in the place of the one that had its id; new ones are laid into blocks that have room. */
export const putCards =
  (cards: readonly Card[]): Act =>
  (dispatch, getState) => {
    const state = getState();
    const blockOf = selectBlockOf(state);
    const changed = new Map<string, Card[]>();
    const blocks = { ...state.inbox.kept.people };
    const cardsOf = (id: string) => {
      const found = changed.get(id) ?? [...(blocks[id]?.cards ?? [])];
      changed.set(id, found);
      return found;
    };
    for (const card of cards) {
      const known = blockOf.get(card.id);
      if (known === undefined) {
        cardsOf(roomFor(card, blocks, changed)).push(card);
      } else {
        const those = cardsOf(known);
        those[those.findIndex(({ id }) => id === card.id)] = card;
      }
    }
    dispatch(
      keepMany(
        'people',
        [...changed].map(([id, those]): PeopleBlock => ({ id, cards: those })),
      ),
    );
  };

/** A block of the same source that has room; else the name of a new one. */
function roomFor(
  { sourceId }: Card,
  blocks: Readonly<Record<string, PeopleBlock>>,
  changed: ReadonlyMap<string, readonly Card[]>,
): string {
  const sizeOf = (id: string) => (changed.get(id) ?? blocks[id]?.cards ?? []).length;
  const isTaken = (id: string) => sizeOf(id) >= fullBlock || isImport(id);
  return freeId(`${sourceId}-cards`, isTaken);
}

/** What came from one file stands in blocks of its own, so that it can be taken out again at once. */
const importPrefix = 'in-';
const isImport = (blockId: string) => blockId.startsWith(importPrefix);
export const importStem = (now: number) => `${importPrefix}${now}`;

export const dropCards =
  (ids: readonly string[]): Act =>
  (dispatch, getState) => {
    const state = getState();
    const blockOf = selectBlockOf(state);
    const gone = new Set(ids);
    const touched = [...new Set(ids.flatMap((id) => blockOf.get(id) ?? []))];
    const left = touched.map((id): PeopleBlock => ({
      id,
      cards: (state.inbox.kept.people[id]?.cards ?? []).filter((card) => !gone.has(card.id)),
    }));
    dispatch(
      keepMany(
        'people',
        left.filter(({ cards }) => cards.length > 0),
      ),
    );
    dispatch(
      dropSome(
        'people',
        left.flatMap(({ id, cards }) => (cards.length === 0 ? [id] : [])),
      ),
    );
  };
