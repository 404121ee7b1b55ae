import type { Card, PeopleBlock } from '@/core/people/contacts';
import type { Written } from '@/core/people/files';
import { dropSome, freeId, keepMany, selectContacts } from '@/state/app';

import { keepPicture, readPicture } from '../pictures';
import type { Vault } from '../storage';
import { importStem, type Act } from './blocks';

/** A beginning of ids that nobody here has, for what is taken in now. */
export const importStemNow =
  (): Act<string> =>
  (_, getState, { clock }) =>
    freeId(importStem(clock.now()), (stem) => `${stem}-0` in getState().inbox.kept.people);

/** Takes some blocks of a file into the directory. */
export const takeInBlocks =
  (blocks: readonly PeopleBlock[]): Act<Promise<void>> =>
  async (dispatch, _, { vault }) => {
    const kept: PeopleBlock[] = [];
    for (const { id, cards } of blocks) {
      const hasPhotos = cards.some(({ photo }) => photo !== null);
      const own = hasPhotos ? await Promise.all(cards.map((card) => withKeptPhoto(card, vault))) : cards;
      // Nothing will change them from here on: so the store need not go through each to freeze it.
      kept.push(Object.freeze({ id, cards: own }));
    }
    dispatch(keepMany('people', kept));
    // Said to be in only once they are written: so many could not be rescued from a page that goes.
    await vault?.flush();
  };

const withKeptPhoto = async (card: Card, vault: Vault | null): Promise<Card> =>
  card.photo === null ? card : { ...card, photo: await keepPicture(vault, card.id, card.photo) };

/** Takes out again what came from a file. */
export const takeOutBlocks =
  (ids: readonly string[]): Act =>
  (dispatch) => {
    dispatch(dropSome('people', ids));
  };

/** Everybody outside, with their photos themselves, to be written into a file. */
export const peopleToWrite =
  (): Act<Promise<Written[]>> =>
  (_, getState, { vault }) =>
    Promise.all(
      selectContacts(getState()).map(async ({ id, cards: _cards, ...fields }) => ({
        ...fields,
        uid: `cendro-${id}`,
        photo: fields.photo === null ? null : await readPicture(vault, fields.photo),
      })),
    );
