import { changesAfter, givenBack } from '@/core/people/upkeep';
import {
  ownSource,
  type Changes,
  type Field,
  type Fields,
  type Join,
  type JoinedContact,
} from '@/core/people/contacts';
import { dropSome, freeId, keepOne, selectContacts, type RootState } from '@/state/app';

import { dropCards, putCards, type Act } from './blocks';

/** What the form edits. */
export type EditedFields = Omit<Fields, 'kept'>;

/** Takes somebody new into the directory; gives their id once they are written. */
export const addContact =
  (fields: EditedFields): Act<Promise<string>> =>
  async (dispatch, getState, { clock, vault }) => {
    const contacts = selectContacts(getState());
    const id = freeId(`own-${clock.now()}`, (taken) => contacts.some((contact) => contact.id === taken));
    dispatch(putCards([{ ...fields, kept: [], id, sourceId: ownSource, sourceKey: null }]));
    await vault?.flush();
    return id;
  };

/** Changes somebody: the worker's own card itself, else over what their sources tell. Done once it is written. */
export const changeContact =
  (contact: JoinedContact, edited: EditedFields): Act<Promise<void>> =>
  async (dispatch, getState, { vault }) => {
    const [card, ...others] = contact.cards;
    if (card?.sourceId === ownSource && others.length === 0) dispatch(putCards([{ ...card, ...edited }]));
    else {
      const before = getState().inbox.kept.changes[contact.id];
      dispatch(keepChanges(contact.id, changesAfter(contact, before, edited)));
    }
    await vault?.flush();
  };

/** What the sources say of one field holds again. */
export const giveBack =
  (contactId: string, field: Field): Act =>
  (dispatch, getState) => {
    const changes = getState().inbox.kept.changes[contactId];
    if (changes) dispatch(keepChanges(contactId, givenBack(changes, field)));
  };

export const keepChanges =
  (contactId: string, changes: Changes | null): Act =>
  (dispatch) => {
    dispatch(changes ? keepOne('changes', changes) : dropSome('changes', [contactId]));
  };

/** Whether the worker can take somebody out: only whom no source would bring back. */
export const isOwnContact = ({ cards }: JoinedContact): boolean =>
  cards.every(({ sourceId }) => sourceId === ownSource);

/** Takes somebody of the worker's own out, with what belongs to them; gives what puts them back. */
export const removeContact =
  (contact: JoinedContact): Act<() => void> =>
  (dispatch, getState) => {
    const { changes, joins } = getState().inbox.kept;
    const changed = changes[contact.id];
    const ids = contact.cards.map(({ id }) => id);
    const joined = Object.values(joins).filter(({ cardIds }) => cardIds.some((id) => ids.includes(id)));
    dispatch(dropCards(ids));
    dispatch(dropSome('changes', [contact.id]));
    dispatch(
      dropSome(
        'joins',
        joined.map(({ id }) => id),
      ),
    );
    return () => {
      dispatch(putCards(contact.cards));
      if (changed) dispatch(keepOne('changes', changed));
      for (const join of joined) dispatch(keepOne('joins', join));
    };
  };

/** Makes two one (the first one's id stays), or keeps in mind that they are two. Gives the join's id. */
export const judge =
  (ids: readonly [string, string], isSame: boolean): Act<string> =>
  (dispatch, getState) => {
    const { joins } = getState().inbox.kept;
    const id = freeId('join', (taken) => taken in joins);
    const join: Join = { id, cardIds: [...ids], isSame };
    dispatch(keepOne('joins', join));
    return id;
  };

/** Takes such a word back: who was one is two again. */
export const takeBackJudgement =
  (joinId: string): Act =>
  (dispatch) => {
    dispatch(dropSome('joins', [joinId]));
  };

/** The joins that make somebody one. */
export const joinsOf = (state: RootState, { cards }: JoinedContact): Join[] => {
  const ids = cards.map(({ id }) => id);
  return Object.values(state.inbox.kept.joins).filter(
    ({ isSame, cardIds }) => isSame && cardIds.some((id) => ids.includes(id)),
  );
};
