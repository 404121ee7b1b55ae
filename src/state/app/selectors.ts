import { createSelector } from '@reduxjs/toolkit';

import { workInOrder } from '@/core/inbox/followUps';
import { emptyOffice, OfficeIndex } from '@/core/setup';
import { joinContacts, officeCard, PeopleIndex, type Card, type JoinedContact } from '@/core/people/contacts';
import { standingOf } from '@/core/plans/routing';
import { formatAny } from './identify';
import type { Habit } from '../storage';
import type { RootState } from './store';
import { selectMyId } from './session';

type HabitOfDialling = Extract<Habit, { id: 'dialling' }>;

/** The office, its numbers written as whoever uses the app wants them. */
export const selectOffice = createSelector(
  (state: RootState) => state.office.setup,
  ({ inbox }: RootState) => (inbox.kept.habits['dialling'] as HabitOfDialling | undefined)?.writing,
  (setup, writing) => new OfficeIndex(setup ?? emptyOffice, writing),
);

/** Writes a number as it is written in the office: E.164 nationally at home, extensions and codes as they are. */
export type Write = (number: string) => string;
export const selectWrite = createSelector(
  selectOffice,
  ({ plan }): Write =>
    (number) =>
      formatAny(number, plan),
);

const selectOfficeCards = createSelector(
  (state: RootState) => state.office.contacts,
  (contacts) => contacts.map(officeCard),
);

const selectCardBlocks = createSelector(
  selectOfficeCards,
  (state: RootState) => state.inbox.kept.people,
  (offices, blocks): (readonly Card[])[] => [offices, ...Object.values(blocks).map(({ cards }) => cards)],
);

/** All that any source tells: the office's own list, and what the worker or another source brought in. */
export const selectCards = createSelector(selectCardBlocks, (blocks): Card[] => blocks.flat());

/** People outside, each once. */
export const selectContacts = createSelector(
  selectCardBlocks,
  (state: RootState) => state.inbox.kept.changes,
  (state: RootState) => state.inbox.kept.joins,
  (blocks, changes, joins): JoinedContact[] => joinContacts(blocks, { changes, joins }),
);

export const selectPeople = createSelector(
  selectOffice,
  selectContacts,
  (office, contacts) => new PeopleIndex(office, contacts),
);

const mostRecords = 3_000;

/** When each number was used last, of the latest calls. */
export const selectLastUsed = createSelector(
  (state: RootState) => state.history.records,
  (records): ReadonlyMap<string, number> => {
    const lastUsed = new Map<string, number>();
    let count = 0;
    for (const { other, startedAt } of records) {
      if (count++ === mostRecords) break;
      if (other.number !== null && !lastUsed.has(other.number)) lastUsed.set(other.number, startedAt);
    }
    return lastUsed;
  },
);

/** Notes and follow-ups, oldest first. */
export const selectWork = createSelector(
  (state: RootState) => state.inbox.kept.work,
  (work) => workInOrder(Object.values(work)),
);

export const selectZone = (state: RootState) => state.office.setup?.zone ?? 'Europe/London';

/** What a colleague is doing, as far as the exchange knows: their calls come before what they say of themselves. */
export type PresenceState = 'free' | 'onCall' | 'ringing' | 'away' | 'off' | 'doNotDisturb';

/** Somebody's state, with what they say of it: "On site, Cawder Weir". */
export interface Presence {
  state: PresenceState;
  word: string;
  /** When what they say of themselves ends. */
  until: number | null;
}

const selectCallsByPerson = createSelector(
  (state: RootState) => state.calls.byId,
  selectOffice,
  (byId, office): Record<string, 'onCall' | 'ringing'> => {
    const states: Record<string, 'onCall' | 'ringing'> = {};
    for (const call of Object.values(byId)) {
      for (const leg of call.legs) {
        const owner = leg.endpoint.kind === 'device' ? office.ownerOf(leg.endpoint.deviceId) : null;
        if (!owner || leg.state === 'cleared' || leg.state === 'queued') continue;
        if (leg.state !== 'alerting') states[owner.id] = 'onCall';
        else states[owner.id] ??= 'ringing';
      }
    }
    return states;
  },
);

/** Everybody's presence at an instant. */
export const selectPresence = createSelector(
  selectCallsByPerson,
  selectOffice,
  (_: RootState, now: number) => now,
  (calls, office, now): Record<string, Presence> =>
    Object.fromEntries(
      office.setup.people.map(({ id }) => {
        const { situation, word, until, doNotDisturb } = standingOf(office, id, now);
        const said = [situation?.name ?? '', word].filter((part) => part !== '').join(', ');
        const own = doNotDisturb
          ? { state: 'doNotDisturb' as const, until: doNotDisturb.until }
          : { state: situation?.shows ?? ('free' as const), until };
        return [id, { ...own, state: calls[id] ?? own.state, word: said }];
      }),
    ),
);

export const selectUnreadFaxes = createSelector(
  (state: RootState) => state.inbox.kept.faxes,
  (faxes) =>
    Object.values(faxes).filter(({ direction, readAt }) => direction === 'in' && readAt === null).length,
);

/** Faxes that did not go out, until they are sent again or taken back. */
export const selectFailedFaxes = createSelector(
  (state: RootState) => state.inbox.kept.faxes,
  (faxes) => Object.values(faxes).filter(({ state }) => state === 'failed').length,
);

/** Messages that nobody here has read, in the rooms the worker is in; a call's chat is over with its call. */
export const selectUnreadInRooms = createSelector(
  (state: RootState) => state.inbox.kept.messages,
  (state: RootState) => state.inbox.kept.rooms,
  selectMyId,
  (messages, rooms, myId) => {
    const mine = Object.values(rooms).filter(
      ({ memberIds, callId, closedAt }) => memberIds.includes(myId) && (callId === null || closedAt === null),
    );
    const numbers = new Set(mine.map(({ id }) => `room:${id}`));
    return Object.values(messages).filter(
      ({ number, direction, readAt }) => direction === 'in' && readAt === null && numbers.has(number),
    ).length;
  },
);

/** How much of what was written in a call's chat the worker has not read. */
export const selectUnreadInChat = ({ inbox }: RootState, callId: string | undefined): number =>
  Object.values(inbox.kept.messages).filter(
    ({ number, direction, readAt }) =>
      direction === 'in' && readAt === null && callId !== undefined && number === `room:${callId}`,
  ).length;
