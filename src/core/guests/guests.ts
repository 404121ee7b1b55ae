import { z } from 'zod';

import {
  attendingOf,
  hostsOf,
  isTalking,
  picturePaths,
  voicePaths,
  type Call,
  type Leg,
} from '@/core/calls/exchange';
import { meetingActSchema, meetingSchema, pictureSchema, type MeetingAct } from '@/core/calls/meetings';
import type { OfficeIndex } from '@/core/setup';

const pathSchema = z.object({ from: z.string(), to: z.string() });

/** What whoever has come to a meeting by a link sees: of the office its name, and of the meeting what those in it see and hear. */
export const guestSeenSchema = z.discriminatedUnion('state', [
  /** To be let in. Nobody hears or sees them, and they nobody. */
  z.object({ state: z.literal('waiting'), office: z.string() }),
  z.object({
    state: z.literal('in'),
    office: z.string(),
    /** Their end of the call; that of their phone where this is the screen beside it. */
    legId: z.string(),
    isBeside: z.boolean(),
    isMuted: z.boolean(),
    /** Somebody holds them, or has put them aside: they hear nobody. */
    isHeld: z.boolean(),
    /** Somebody in it records what they hear. */
    isRecorded: z.boolean(),
    others: z.array(
      z.object({ legId: z.string(), name: z.string(), isHost: z.boolean(), isSoundOnly: z.boolean() }),
    ),
    /** Voices and pictures that go out from their end, or come to it. */
    voices: z.array(pathSchema),
    pictures: z.array(pictureSchema.pick({ id: true, legId: true, kind: true })),
    sentTo: z.array(z.object({ kind: pictureSchema.shape.kind, to: z.array(z.string()) })),
    /** Raised, whoever was first first. */
    hands: z.array(z.string()),
    reactions: meetingSchema.shape.reactions,
  }),
  z.object({
    state: z.literal('over'),
    /** Nobody let them in; the meeting or their part of it has ended; the same link is open in another browser. */
    why: z.enum(['turnedAway', 'ended', 'elsewhere']),
  }),
]);
export type GuestSeen = z.infer<typeof guestSeenSchema>;
export type GuestIn = Extract<GuestSeen, { state: 'in' }>;

const guestMeetingActs = ['show', 'stopShowing', 'raiseHand', 'lowerHand', 'react'] as const;
const isOfGuests = ({ act }: MeetingAct) => (guestMeetingActs as readonly string[]).includes(act);

/** What a guest may do. */
export const guestActSchema = z.discriminatedUnion('do', [
  z.object({ do: z.literal('mute'), on: z.boolean() }),
  z.object({ do: z.literal('leave') }),
  z.object({
    do: z.literal('inMeeting'),
    act: meetingActSchema.refine(isOfGuests, 'That is not for guests.'),
  }),
]);
export type GuestAct = z.infer<typeof guestActSchema>;

/** Where in a call somebody is who has come by a link; null: nowhere. */
export function placeOfGuest({ legs, meeting }: Call, guestId: string): GuestPlace | null {
  const leg = legs.find(
    ({ endpoint, state }) =>
      state !== 'cleared' && endpoint.kind === 'outside' && endpoint.guestId === guestId,
  );
  if (leg) return { legId: leg.id, isBeside: false };
  const besideId = meeting?.links.find(({ openAt }) => openAt === guestId)?.forLegId;
  if (besideId != null) return { legId: besideId, isBeside: true };
  return meeting?.waiting.some((each) => each.guestId === guestId) ? { legId: null, isBeside: false } : null;
}

/** `legId`: their end of the call; null: they wait. */
export interface GuestPlace {
  legId: string | null;
  isBeside: boolean;
}

/** All who are at a call by a link: in it, waiting, or at the screen beside a phone. */
export const guestsAt = ({ legs, meeting }: Call): string[] => [
  ...legs.flatMap(({ endpoint, state }) =>
    state !== 'cleared' && endpoint.kind === 'outside' ? (endpoint.guestId ?? []) : [],
  ),
  ...(meeting?.waiting ?? []).map(({ guestId }) => guestId),
  ...(meeting?.links ?? []).flatMap(({ openAt }) => openAt ?? []),
];

/** A call as somebody sees it who has come by a link. Numbers are not told to them, nor who of the office may do what. */
export function seenByGuest(call: Call, { legId, isBeside }: GuestPlace, office: OfficeIndex): GuestSeen {
  const { name } = office.setup;
  const me = call.legs.find(({ id }) => id === legId);
  if (!me) return { state: 'waiting', office: name };
  const [hosts, meeting] = [hostsOf(call), call.meeting];
  const isMine = ({ from, to }: { from: string; to: string }) => from === me.id || to === me.id;
  const paths = picturePaths(call);
  const seen = (meeting?.pictures ?? []).filter(
    ({ id, legId: from }) =>
      from === me.id || paths.some(({ picture, to }) => picture.id === id && to === me.id),
  );
  const sentTo = seen
    .filter((each) => each.legId === me.id)
    .map(({ id, kind }) => ({
      kind,
      to: paths.flatMap(({ picture, to }) => (picture.id === id ? [to] : [])),
    }));
  return {
    ...{ state: 'in', office: name, legId: me.id, isBeside },
    isMuted: me.muted,
    isHeld: me.state === 'held' || me.room === 'aside',
    isRecorded: call.recordings.some(({ state }) => state === 'on'),
    others: attendingOf(call)
      .filter((leg) => leg !== me)
      .map((leg) => ({
        ...{ legId: leg.id, name: nameFor(leg, office), isHost: hosts.includes(leg.id) },
        isSoundOnly: isSoundOnly(leg, call),
      })),
    voices: voicePaths(call).filter(isMine),
    pictures: seen.map(({ id, legId: from, kind }) => ({ id, legId: from, kind })),
    sentTo,
    hands: (meeting?.hands ?? []).map((hand) => hand.legId),
    reactions: (meeting?.reactions ?? []).filter((each) =>
      call.legs.some((leg) => leg.id === each.legId && isTalking(leg)),
    ),
  };
}

function nameFor({ endpoint, personId }: Leg, office: OfficeIndex): string {
  const person = office.people.get(personId ?? '');
  if (person) return person.name;
  return (endpoint.kind === 'outside' ? endpoint.name : null) ?? 'Somebody by phone';
}

const isSoundOnly = ({ id, endpoint }: Leg, { meeting }: Call): boolean =>
  endpoint.kind === 'outside' && endpoint.guestId === undefined && !meeting?.besideLegIds.includes(id);
