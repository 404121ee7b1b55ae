import type { Action, ThunkAction } from '@reduxjs/toolkit';

import type { OwnContact } from '@/core/people';
import type { ReadPerson } from '@/core/peopleFiles';
import { dropSome, freeId, keepMany, type RootState, type Services } from '@/state/app';

type Act<T = void> = ThunkAction<T, RootState, Services, Action>;

/** Takes people into the directory; gives their ids, by which they can be taken out again. */
export const takeInPeople =
  (people: readonly ReadPerson[]): Act<string[]> =>
  (dispatch, getState, { clock }) => {
    const { contacts } = getState().catchUp.kept;
    const batch = freeId(`in-${clock.now()}`, (taken) => `${taken}-0` in contacts);
    const taken = people.map(({ firm, ...person }, index): OwnContact => ({
      ...person,
      id: `${batch}-${index}`,
      firm: firm === '' || firm === person.name ? null : firm,
    }));
    dispatch(keepMany('contacts', taken));
    return taken.map(({ id }) => id);
  };

export const takeOutPeople =
  (ids: readonly string[]): Act =>
  (dispatch) => {
    dispatch(dropSome('contacts', ids));
  };
