import { z } from 'zod';

/** By what somebody tried to reach the worker. */
export const channels = [
  'call',
  'leftMenu',
  'voicemail',
  'text',
  'fax',
  'message',
  'callBackRequest',
  'returnedTransfer',
] as const;
export type Channel = (typeof channels)[number];

/** One try that has not been answered; its words are where it was kept: with the text, the voicemail, the fax. */
export const trySchema = z.object({
  /** Of the call's record, the message, the fax. */
  id: z.string(),
  /** When they tried, in epoch milliseconds, as all times here. */
  at: z.number(),
  /** When it was known that nobody had taken it: a call that rang is, once it is over. */
  openedAt: z.number(),
  kind: z.enum(channels),
  lineId: z.string().nullable(),
  /** The team it was meant for. */
  teamId: z.string().nullable(),
  /** The room it was written in. */
  roomId: z.string().nullable(),
  isUrgent: z.boolean(),
  /** Of a voicemail, in milliseconds. */
  lengthMs: z.number().nullable(),
});
export type Try = z.infer<typeof trySchema>;

const answeredSchema = z.object({
  /** They were talked with, until then, … */
  call: z.number().nullable(),
  /** … in a call that began then: what was promised in it is not kept by it. */
  callBegan: z.number().nullable(),
  /** They have a text. */
  text: z.number().nullable(),
});
/** When somebody was last reached by what. */
export type Answered = z.infer<typeof answeredSchema>;
const never: Answered = { call: null, callBegan: null, text: null };

/** How an entry was closed, or put off. */
export const closings = [
  'reachedByCall',
  'reachedByAnswer',
  'reachedByText',
  'reachedByColleague',
  'done',
  'snoozed',
] as const;

const closingSchema = z.object({
  at: z.number(),
  how: z.enum(closings),
  /** The colleague who reached them. */
  byId: z.string().nullable(),
  /** What it closed; what was put off stays open. */
  tries: z.array(trySchema),
  furtherTries: z.number().int().min(0),
  /** Follow-ups that were done with it. */
  followUpIds: z.array(z.string()),
  /** When they had been reached before. */
  answeredBefore: answeredSchema,
});
export type Closing = z.infer<typeof closingSchema>;

/** How somebody stands with one person of the office: what they have tried, and when they were last reached. */
export const waitingSchema = z.object({
  /** Of the person and the handle. */
  id: z.string(),
  /** For whom of the office they wait. */
  personId: z.string(),
  /** By what the office knows them (`handleOf`). */
  handle: z.string(),
  /** The number they used last, and the name they gave. */
  number: z.string().nullable(),
  name: z.string().nullable(),
  /** What has not been answered, oldest first. */
  tries: z.array(trySchema),
  /** Tries that are only counted any more, since so many came after them. */
  furtherTries: z.number().int().min(0),
  /** Left alone until then. */
  snoozedUntil: z.number().nullable(),
  answered: answeredSchema,
  /** What can be taken back. */
  closed: closingSchema.nullable(),
});
export type Waiting = z.infer<typeof waitingSchema>;

export const waitingIdOf = (personId: string, handle: string): string => `${personId} ${handle}`;

/** Somebody of whom nothing is known yet. */
export const nothingOf = (personId: string, handle: string): Waiting => ({
  id: waitingIdOf(personId, handle),
  ...{ personId, handle, number: null, name: null },
  ...{ tries: [], furtherTries: 0, snoozedUntil: null, answered: never, closed: null },
});

/** They were reached, until `at`, by a call that `began` then. */
export interface Reach {
  at: number;
  began: number;
  how: 'call' | 'answer' | 'text';
  talkMs: number;
  /** The colleague by whom; null: by the person for whom they wait. */
  byId: string | null;
}

/** So many tries of one person are kept one by one, so that what is stored does not grow with the history; … */
const keptTries = 40;
/** … and so many of them are counted only, once there are more. */
const foldedTries = 10;
/** A shorter talk has reached nobody: a wrong connection, a voice that breaks off. */
export const reachedMs = 10_000;

/** Somebody has tried once more: that wakes who was put off. */
export function withTry(
  row: Waiting,
  tried: Try,
  { number, name }: Pick<Waiting, 'number' | 'name'>,
): Waiting {
  const all = inOrderWith(row.tries, tried);
  const tries = all.length > keptTries ? folded(all) : all;
  return {
    ...row,
    number,
    name: name ?? row.name,
    tries,
    furtherTries: row.furtherTries + all.length - tries.length,
    snoozedUntil: null,
  };
}

/** Usually it is the newest; the same one again takes the place of the first. */
function inOrderWith(tries: readonly Try[], tried: Try): Try[] {
  const newest = tries.at(-1);
  if (!newest || newest.at < tried.at) return [...tries, tried];
  const others = tries.filter(({ id }) => id !== tried.id);
  const after = others.findLastIndex(({ at }) => at <= tried.at);
  return others.toSpliced(after + 1, 0, tried);
}

/** The first stays, since it says since when they wait; so does whatever is more than a call, as long as there are calls. */
function folded(tries: readonly Try[]): Try[] {
  const calls = tries.filter(({ kind }, at) => at > 0 && kind === 'call');
  const gone = new Set([...calls, ...tries.slice(1)].slice(0, foldedTries));
  return tries.filter((tried) => !gone.has(tried));
}

const reachedBy = { call: 'reachedByCall', answer: 'reachedByAnswer', text: 'reachedByText' } as const;

/** Whether that counts as having been reached. */
export const hasReached = ({ how, talkMs }: Pick<Reach, 'how' | 'talkMs'>): boolean =>
  how === 'text' || talkMs >= reachedMs;

/** They were reached, which answers what came before. */
export function withReach(row: Waiting, reach: Reach): Waiting {
  if (!hasReached(reach)) return row;
  const { at, began, how, byId } = reach;
  const closed = row.tries.filter((tried) => tried.at <= at);
  const now = how === 'text' ? { ...never, text: at } : { ...never, call: at, callBegan: began };
  return {
    ...withoutTries(row, closed),
    answered: lastAnswered(row.answered, now),
    closed: {
      ...{ at, how: byId === null ? reachedBy[how] : 'reachedByColleague', byId },
      ...{ tries: closed, furtherTries: closed.length === 0 ? 0 : row.furtherTries },
      ...{ followUpIds: [], answeredBefore: row.answered },
    },
  };
}

/** What was written to them in a room answers what they asked there, and nothing else. */
export const answeredInRoom = (row: Waiting, roomId: string, at: number): Waiting =>
  answeredInPart(row, { at, how: 'reachedByText', byId: null }, (tried) => tried.roomId === roomId);

/** A colleague has reached them: that answers what they wanted of teams of both, and keeps nobody else's promises. */
export const answeredForTeam = (
  row: Waiting,
  reach: Reach & { byId: string },
  isTheirs: (teamId: string) => boolean,
): Waiting =>
  hasReached(reach)
    ? answeredInPart(
        row,
        { at: reach.at, how: 'reachedByColleague', byId: reach.byId },
        ({ teamId }) => teamId !== null && isTheirs(teamId),
      )
    : row;

/** Some of the tries until then are answered; that they were reached is not said by it. */
function answeredInPart(
  row: Waiting,
  by: Pick<Closing, 'at' | 'how' | 'byId'>,
  isAnswered: (tried: Try) => boolean,
): Waiting {
  const tries = row.tries.filter((tried) => tried.at <= by.at && isAnswered(tried));
  if (tries.length === 0) return row;
  const rest = withoutTries(row, tries);
  const kept = rest.tries.length === 0 ? 0 : row.furtherTries;
  return {
    ...rest,
    furtherTries: kept,
    closed: { ...by, ...ofClosing(row), tries, furtherTries: row.furtherTries - kept },
  };
}

/** Done by hand, as far as it was known by then, with those follow-ups. */
export const doneByHand = (row: Waiting, at: number, followUpIds: string[]): Waiting => ({
  ...row,
  ...{ tries: [], furtherTries: 0, snoozedUntil: null },
  closed: { at, how: 'done', byId: null, ...ofClosing(row), followUpIds },
});

export const putOffUntil = (row: Waiting, until: number, at: number): Waiting => ({
  ...row,
  snoozedUntil: until,
  closed: { at, how: 'snoozed', byId: null, ...ofClosing(row), tries: [], furtherTries: 0 },
});

/** As it was before that was closed or put off, with what has come since. */
export function reopened(row: Waiting): Waiting {
  const { closed } = row;
  if (closed === null) return row;
  const ids = new Set(closed.tries.map(({ id }) => id));
  const newer = row.tries.filter(({ id }) => !ids.has(id));
  return {
    ...row,
    tries: [...closed.tries, ...newer].sort((a, b) => a.at - b.at),
    furtherTries: row.furtherTries + closed.furtherTries,
    snoozedUntil: null,
    answered: closed.answeredBefore,
    closed: null,
  };
}

const ofClosing = ({ tries, furtherTries, answered }: Waiting) => ({
  ...{ tries, furtherTries, answeredBefore: answered },
  followUpIds: [] as string[],
});

function withoutTries(row: Waiting, gone: readonly Try[]): Waiting {
  if (gone.length === 0) return row;
  const tries = gone.length === row.tries.length ? [] : row.tries.filter((tried) => !gone.includes(tried));
  // What was only counted came before what is left, and was answered with it. Who waits no more is not put off either.
  return { ...row, tries, furtherTries: 0, snoozedUntil: tries.length === 0 ? null : row.snoozedUntil };
}

/**
 * Takes in what was reckoned elsewhere, from a history that this row has not seen. What they were answered after is answered, here
 * and there; put off is whoever was, unless there is something here already.
 */
export function withBrought(
  row: Waiting,
  brought: Pick<Waiting, 'number' | 'name' | 'tries' | 'furtherTries' | 'snoozedUntil' | 'answered'>,
): Waiting {
  const answered = lastAnswered(row.answered, brought.answered);
  const answeredAt = Math.max(answered.call ?? -Infinity, answered.text ?? -Infinity);
  const known = new Set([...row.tries, ...(row.closed?.tries ?? [])].map(({ id }) => id));
  const open = brought.tries.filter(({ id, at }) => at > answeredAt && !known.has(id));
  const own = row.tries.filter(({ openedAt }) => openedAt > answeredAt);
  const merged = open.reduce((after, tried) => withTry(after, tried, brought), {
    ...row,
    answered,
    tries: own,
  });
  return {
    ...merged,
    number: row.number ?? brought.number,
    furtherTries: merged.furtherTries + (open.length === 0 ? 0 : brought.furtherTries),
    snoozedUntil: own.length === 0 ? (row.snoozedUntil ?? brought.snoozedUntil) : row.snoozedUntil,
  };
}

const lastAnswered = (a: Answered, b: Answered): Answered => ({
  call: latest(a.call, b.call),
  callBegan: latest(a.callBegan, b.callBegan),
  text: latest(a.text, b.text),
});

const latest = (a: number | null, b: number | null) => (a === null ? b : b === null ? a : Math.max(a, b));
