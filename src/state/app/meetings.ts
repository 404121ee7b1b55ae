import { createSelector } from '@reduxjs/toolkit';

import { hostsOf, picturePaths } from '@/core/calls/exchange';
import type { Meeting, PictureKind, Reaction, Waiting } from '@/core/calls/meetings';

import { selectTaken, type CallView } from './callViews';

/** A meeting as the worker sees it; everybody is known by their leg. */
export interface MeetingView extends Pick<Meeting, 'isLocked' | 'hostLegIds'> {
  /** Whether the worker decides in it. */
  isHost: boolean;
  /** What is seen here of others, and what the worker shows, in the order in which it was shown. */
  pictures: { id: string; legId: string; kind: PictureKind; isMine: boolean }[];
  /** Raised hands, whoever was first first. */
  hands: string[];
  reactions: { legId: string; reaction: Reaction; at: number }[];
  /** Who wants to be let in, whoever came first first. */
  waiting: Waiting[];
}

/** The meeting that a call has become; null where it is none. */
export function meetingOf({ call, me }: Pick<CallView, 'call' | 'me'>): MeetingView | null {
  const { meeting } = call;
  if (!meeting) return null;
  const seen = new Set(
    picturePaths(call).flatMap(({ picture, to }) => (to === me.legId ? [picture.id] : [])),
  );
  const hostLegIds = hostsOf(call);
  return {
    isLocked: meeting.isLocked,
    hostLegIds,
    isHost: hostLegIds.includes(me.legId),
    pictures: meeting.pictures.flatMap(({ id, legId, kind }) => {
      const isMine = legId === me.legId;
      return isMine || seen.has(id) ? [{ id, legId, kind, isMine }] : [];
    }),
    hands: meeting.hands.map(({ legId }) => legId),
    reactions: meeting.reactions,
    waiting: meeting.waiting,
  };
}

/** Somebody who wants to be let in where the worker decides. */
export interface WaitingGuest extends Waiting {
  /** The worker's own end of that meeting. */
  legId: string;
}

/** Who waits for the worker in a meeting, to be told where it is not looked at: each under a tag of its own. */
export const selectAskedInMeetings = createSelector(selectTaken, (calls) =>
  calls.flatMap((view) => {
    const meeting = meetingOf(view);
    if (!meeting?.isHost) return [];
    const hands = view.others.filter(({ legId }) => meeting.hands.includes(legId));
    return [
      ...meeting.waiting.map(({ guestId, name }) => ({ tag: guestId, title: `${name} wants to come in` })),
      ...hands.map(({ legId, name }) => ({ tag: `hand ${legId}`, title: `${name} raises a hand` })),
    ];
  }),
);

/** All of them, whoever came first first. */
export const selectWaitingGuests = createSelector(selectTaken, (calls): WaitingGuest[] =>
  calls.flatMap((view) => {
    const meeting = meetingOf(view);
    return meeting?.isHost ? meeting.waiting.map((each) => ({ ...each, legId: view.me.legId })) : [];
  }),
);
