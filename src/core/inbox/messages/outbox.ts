import { takesTexts } from '@/core/numbers/numbering';
import { isOptedOut } from './optOut';
import type { Failure, Message } from './message';
import { roomIdOf } from './room';

const secondMs = 1000;
/** Pauses after a carrier failed, growing; after the last the text has failed. */
const pauses = [5, 30, 120, 600].map((seconds) => seconds * secondMs);

/** What a carrier says to one text. */
export type CarrierAnswer = 'taken' | 'refused' | 'unreachable';

/** What the queue looks at. `number`: to whom it goes. */
export type Queued = Pick<Message, 'id' | 'at' | 'state' | 'tries' | 'notBefore' | 'number'>;

/** The stages of a message, which the queue moves it through. */
type Staged = Pick<Message, 'state' | 'failure' | 'tries' | 'notBefore' | 'sentAt' | 'deliveredAt'>;

/**
 * The text to be sent now: the oldest of those whose time has come, so that they arrive in the order they were written.
 * One that waits to be tried again holds up only those to the same number. null where nothing is to be sent.
 */
export function nextToSend<Text extends Queued>(messages: Iterable<Text>, now: number): Text | null {
  const queued = [...messages].filter(({ state }) => state === 'queued').sort(inOrder);
  const held = new Set<string>();
  for (const message of queued) {
    const isRetry = message.tries > 0;
    const isDue = message.notBefore === null || message.notBefore <= now;
    if (isDue && !held.has(message.number)) return message;
    if (!isDue && isRetry) held.add(message.number);
  }
  return null;
}

/** When the next queued text may go, as far as that is known; null where none waits for a time. */
export function nextSendAt(
  messages: Iterable<Pick<Queued, 'state' | 'notBefore'>>,
  now: number,
): number | null {
  const times = [...messages].flatMap(({ state, notBefore }) =>
    state === 'queued' && notBefore !== null && notBefore > now ? [notBefore] : [],
  );
  return times.length === 0 ? null : Math.min(...times);
}

const inOrder = (a: Queued, b: Queued) => a.at - b.at || (a.id < b.id ? -1 : 1);

/** The text after the carrier's answer. */
export function answered<Text extends Staged>(message: Text, answer: CarrierAnswer, now: number): Text {
  const tries = message.tries + 1;
  if (answer === 'taken')
    return { ...message, state: 'sent', tries, sentAt: now, notBefore: null, failure: null };
  if (answer === 'refused') return { ...message, state: 'failed', tries, failure: 'carrier' };
  const pause = pauses[tries - 1];
  return pause === undefined
    ? { ...message, state: 'failed', tries, failure: 'tooManyTries' }
    : { ...message, tries, notBefore: now + pause };
}

export const delivered = <Text extends Staged>(message: Text, at: number): Text => ({
  ...message,
  state: 'delivered',
  deliveredAt: at,
});

/** Put into the queue once more, by hand. */
export const tryAgain = <Text extends Staged>(message: Text): Text => ({
  ...message,
  state: 'queued',
  failure: null,
  tries: 0,
  notBefore: null,
});

/** A colleague is written to by their extension, a room by its own; inside the office and without any carrier. */
export const isInside = (number: string): boolean => /^\d{2,5}$/.test(number) || roomIdOf(number) !== null;

/** Why nothing can be texted to that number; null where it can. `thread` is all that was written with it. */
export function cannotText(number: string | null, thread: Iterable<Message>): Failure | null {
  if (number !== null && isInside(number)) return null;
  if (number === null || !/^\+\d{7,15}$/.test(number)) return 'unknownNumber';
  if (!takesTexts(number)) return 'noTexts';
  return isOptedOut(thread) ? 'optedOut' : null;
}
