import { meetingLimits } from '@/core/calls/meetings';
import type { GuestIn, GuestSeen } from '@/core/guests';
import type { GuestNow } from '@/state/guest';

type Over = Extract<GuestSeen, { state: 'over' }>;

/** Why somebody could not come, or what they asked for was not done. */
export const refusedWords: Readonly<Record<NonNullable<GuestNow['refused']>, string>> = {
  unknownLink: 'This link is good no more: the meeting has ended, or another link took its place.',
  linkTooOld: 'This link is too old. Ask whoever sent it for another one.',
  meetingLocked: 'The meeting is locked: nobody else is let in now.',
  waitingFull: 'Too many wait to be let in already. Try again in a moment.',
  picturesFull: `${meetingLimits.pictures} pictures are shown already. Somebody has to stop showing theirs first.`,
  tooMany: 'Too much was asked at once. Wait a moment, and try again.',
  notNow: 'That can’t be done now.',
  notReached: 'The office is not reached now. Look whether this device has a network, and try again.',
};

export const overWords: Readonly<Record<Over['why'], { title: string; sentence: string }>> = {
  turnedAway: { title: 'You were not let in', sentence: 'Nobody has heard or seen you.' },
  ended: {
    title: 'It is over for you',
    sentence: 'You are not heard or seen any more. Your microphone and camera are closed.',
  },
  elsewhere: {
    title: 'Opened elsewhere',
    sentence: 'The same link was opened in another browser, and goes on there. Nobody sees you here.',
  },
};

/** Said wherever somebody might think that they are heard. */
export const noMicrophone =
  'They can’t hear you: this browser gives no microphone. Allow it for this page, then load the page anew. You hear them all the same.';

export const endedWords = {
  camera: 'Your camera gives no picture any more: you are not seen.',
  screen: 'Your screen is not shared any more.',
} as const;

/** Whether somebody hears the guest, and the guest hears them. */
export function hearingOf({ legId, voices }: GuestIn, other: string): { hears: boolean; isHeard: boolean } {
  const goes = (from: string, to: string) => voices.some((path) => path.from === from && path.to === to);
  return { hears: goes(legId, other), isHeard: goes(other, legId) };
}

/** “hears you”: what goes by the cord to somebody. */
export function hearingWords(seen: GuestIn, other: string): string {
  const { hears, isHeard } = hearingOf(seen, other);
  if (hears) return isHeard ? 'you hear each other' : 'hears you; you don’t hear them';
  return isHeard ? 'you hear them; they don’t hear you' : 'you don’t hear each other';
}

/** “host”, “hand 2”, and how they react. */
export function guestMarks(seen: GuestIn, legId: string, now: number): string[] {
  const other = seen.others.find((each) => each.legId === legId);
  const hand = seen.hands.indexOf(legId);
  const reaction = seen.reactions.find(
    (each) => each.legId === legId && now - each.at < meetingLimits.reactionMs,
  );
  return [
    ...(reaction ? [`“${reaction.reaction}”`] : []),
    ...(hand < 0 ? [] : [`hand ${hand + 1}`]),
    ...(other?.isHost ? ['host'] : []),
    ...(other?.isSoundOnly ? ['sound only'] : []),
  ];
}
