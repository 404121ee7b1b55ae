import { z } from 'zod';

/** Files beyond this no machine takes in one call. */
export const mostPages = 50;

/** Why a fax did not go through. `noFax`: a voice answered, and no machine; `brokeOff`: the line was lost on the way. */
export const faxFailures = ['busy', 'noAnswer', 'noFax', 'brokeOff', 'unknownNumber', 'unreachable'] as const;
export type FaxFailure = (typeof faxFailures)[number];

export const faxSchema = z.object({
  id: z.string(),
  /** Epoch milliseconds: when it was written, or came in. */
  at: z.number(),
  direction: z.enum(['in', 'out']),
  /** E.164; null where the sender withheld it. */
  number: z.string().nullable(),
  /** The business line it comes from or to. */
  lineId: z.string(),
  /** What it is, in a word or two: of one sent the file's name. */
  title: z.string(),
  /** Who of the office sent it, where that is a colleague, from a line that both use. */
  fromId: z.string().nullable().default(null),
  /** Where the pages of one that came in are fetched; null where they are kept on this device alone. */
  pagesUrl: z.string().nullable().default(null),
  pages: z.number().int().positive(),
  /**
   * `waiting`: for the network, or to be tried again; `sending`: page `sentPages + 1` is on its way; `stopped`: by hand,
   * while it was on its way.
   */
  state: z.enum(['waiting', 'dialling', 'sending', 'done', 'failed', 'stopped', 'received']),
  sentPages: z.number().int().min(0),
  failure: z.enum(faxFailures).nullable(),
  tries: z.number().int().min(0),
  /** Not tried again before then. */
  notBefore: z.number().nullable(),
  endedAt: z.number().nullable(),
  readAt: z.number().nullable(),
});
/** Paper that came, or goes out. Its pages are kept apart, as a PDF. */
export type Fax = z.infer<typeof faxSchema>;

export const faxEventSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('dialling'), at: z.number(), id: z.string() }),
  /** So many pages have been taken by the other side (ITU-T T.30, phase D: message confirmation). */
  z.object({ kind: z.literal('pagesTaken'), at: z.number(), id: z.string(), pages: z.number().int().min(0) }),
  z.object({ kind: z.literal('done'), at: z.number(), id: z.string() }),
  /** The line was let go on this side's wish (ITU-T T.30: disconnect, DCN). */
  z.object({ kind: z.literal('stopped'), at: z.number(), id: z.string() }),
  z.object({ kind: z.literal('failed'), at: z.number(), id: z.string(), failure: z.enum(faxFailures) }),
]);
/** What the carrier tells of a fax on its way out. */
export type FaxEvent = z.infer<typeof faxEventSchema>;

const minuteMs = 60_000;
/** Pauses before a fax is tried again by itself, growing; after the last it has failed. */
const pauses = [1, 3, 10].map((minutes) => minutes * minuteMs);
/** What another try may mend. */
const passing: readonly FaxFailure[] = ['busy', 'noAnswer', 'brokeOff', 'unreachable'];

/** A fax as it is written: waits for its turn. */
export const writtenFax = (
  given: Pick<Fax, 'id' | 'at' | 'number' | 'lineId' | 'title' | 'pages'> & Partial<Fax>,
): Fax => ({
  direction: 'out',
  state: 'waiting',
  sentPages: 0,
  failure: null,
  tries: 0,
  notBefore: null,
  endedAt: null,
  readAt: null,
  fromId: null,
  pagesUrl: null,
  ...given,
});

/** How far a fax has come. */
type Stages = Pick<Fax, 'pages' | 'state' | 'sentPages' | 'failure' | 'tries' | 'notBefore' | 'endedAt'>;
/** What decides whose turn it is. */
type Turn = Pick<Fax, 'id' | 'at' | 'lineId' | 'state' | 'notBefore'>;

/** The fax after what the carrier told; what is over stays over. */
export function faxAfter<F extends Stages>(fax: F, event: FaxEvent): F {
  if (fax.state === 'done' || fax.state === 'received') return fax;
  switch (event.kind) {
    case 'dialling':
      return { ...fax, state: 'dialling', tries: fax.tries + 1, notBefore: null, failure: null };
    case 'pagesTaken':
      return {
        ...fax,
        state: 'sending',
        sentPages: Math.min(fax.pages, Math.max(fax.sentPages, event.pages)),
      };
    case 'done':
      return { ...fax, state: 'done', sentPages: fax.pages, endedAt: event.at, failure: null };
    case 'stopped':
      return isUnderway(fax) ? { ...fax, state: 'stopped', failure: null, endedAt: event.at } : fax;
    case 'failed': {
      const { failure } = event;
      const pause = passing.includes(failure) ? pauses[fax.tries - 1] : undefined;
      return pause === undefined
        ? { ...fax, state: 'failed', failure, endedAt: event.at }
        : { ...fax, state: 'waiting', failure, notBefore: event.at + pause };
    }
  }
}

/** Once more, by hand: from the first page that the other side does not have. */
export const faxAgain = <F extends Stages>(fax: F): F => ({
  ...fax,
  state: 'waiting',
  tries: 0,
  failure: null,
  notBefore: null,
  endedAt: null,
});

/** Whether it is on its way just now, and could be stopped. */
export const isUnderway = ({ state }: Pick<Fax, 'state'>) => state === 'dialling' || state === 'sending';

/** Whether nothing more happens to it by itself. */
export const isOver = ({ state }: Pick<Fax, 'state'>) =>
  state === 'done' || state === 'failed' || state === 'stopped' || state === 'received';

/** The faxes to be sent now: of each line one at a time, the oldest whose time has come. */
export function nextFaxes<F extends Turn>(faxes: Iterable<F>, now: number): F[] {
  const all = [...faxes];
  const busy = new Set(all.filter(isUnderway).map(({ lineId }) => lineId));
  const due = all.filter(
    ({ state, notBefore }) => state === 'waiting' && (notBefore === null || notBefore <= now),
  );
  const next: F[] = [];
  for (const fax of due.sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1))) {
    if (busy.has(fax.lineId)) continue;
    busy.add(fax.lineId);
    next.push(fax);
  }
  return next;
}

/** When the next one may be tried that waits for a time; null where none does. */
export function nextFaxAt(faxes: Iterable<Turn>, now: number): number | null {
  const times = [...faxes].flatMap(({ state, notBefore }) =>
    state === 'waiting' && notBefore !== null && notBefore > now ? [notBefore] : [],
  );
  return times.length === 0 ? null : Math.min(...times);
}

const failureWords: Record<FaxFailure, string> = {
  busy: 'the number was busy',
  noAnswer: 'nobody answered',
  noFax: 'a voice answered, and no fax machine',
  brokeOff: 'the line broke off',
  unknownNumber: 'there is no such number',
  unreachable: 'the carrier could not be reached',
};

/** "1 page", "3 pages". */
export const pagesWord = (pages: number): string => (pages === 1 ? '1 page' : `${pages} pages`);

/** "Sending page 2 of 3", "Failed after page 1 of 3: the line broke off": how a fax stands. */
export function faxWords({ state, pages, sentPages, failure, tries, direction }: Fax): string {
  const why = failure === null ? '' : failureWords[failure];
  switch (state) {
    case 'received':
      return pagesWord(pages);
    case 'waiting':
      return tries === 0 ? 'Waits to be sent' : `Tried ${tries} ×: ${why}. It will be tried again`;
    case 'dialling':
      return 'Dialling';
    case 'sending':
      return `Sending page ${Math.min(pages, sentPages + 1)} of ${pages}`;
    case 'done':
      return `${direction === 'out' ? 'Sent, ' : ''}${pagesWord(pages)}`;
    case 'stopped':
      return sentPages === 0
        ? 'Stopped before the first page'
        : `Stopped after page ${sentPages} of ${pages}`;
    case 'failed':
      return sentPages === 0 ? `Failed: ${why}` : `Failed after page ${sentPages} of ${pages}: ${why}`;
  }
}

/** Why nothing can be faxed to a number; null where it can. */
export function cannotFax(number: string | null): string | null {
  if (number === null) return 'They withheld their number.';
  return /^\+\d{7,15}$/.test(number) ? null : 'A fax goes to a telephone number outside.';
}
