import { z } from 'zod';

import { channels, whoSchema, type LooseEvent } from './event';

/** One thing that makes somebody wait. */
export const reasonSchema = z.object({
  id: z.string(),
  at: z.number(),
  kind: z.enum([...channels, 'promised']),
  lineId: z.string().nullable(),
  /** The team it was meant for; left out by earlier versions. */
  teamId: z.string().nullable().default(null),
  isUrgent: z.boolean(),
  isStarred: z.boolean(),
  words: z.string().nullable(),
  lengthMs: z.number().nullable(),
  /** By when it was promised. */
  dueAt: z.number().nullable(),
});
export type Reason = z.infer<typeof reasonSchema>;

export const looseEndSchema = z.object({
  who: whoSchema,
  /** What still waits, oldest first; never empty. */
  reasons: z.array(reasonSchema).min(1),
  /** Tries that are only counted any more, since so many came after them. */
  furtherTries: z.number().int().min(0).default(0),
  /** Left alone until then. */
  snoozedUntil: z.number().nullable(),
  /** Who of the team has taken it on. */
  takenById: z.string().nullable(),
});
/** One person who still waits for an answer. */
export type LooseEnd = z.infer<typeof looseEndSchema>;

/** How an entry was closed. `partly`: of its reasons only these were settled, and the rest stands open. */
export const closedEndSchema = z.object({
  end: looseEndSchema,
  at: z.number(),
  how: z.enum([
    'reachedByCall',
    'reachedByAnswer',
    'reachedByText',
    'reachedByColleague',
    'done',
    'settled',
    'snoozed',
  ]),
  byId: z.string().nullable(),
});
export type ClosedEnd = z.infer<typeof closedEndSchema>;

export const looseEndsSchema = z.object({
  open: z.array(looseEndSchema),
  /** What was closed or put off last, newest first: what undo can take back. */
  closed: z.array(closedEndSchema),
});
/** Everyone who waits, in no order (see `orderOf`), and what was closed last. */
export type LooseEnds = z.infer<typeof looseEndsSchema>;

export const noLooseEnds: LooseEnds = { open: [], closed: [] };

/** So many reasons of one person are kept one by one, so that what is stored does not grow with the history. */
const keptReasons = 40;
/** So many closings can be taken back. */
const keptClosed = 30;
/** A shorter talk has reached nobody: a wrong connection, a voice that breaks off. */
export const reachedMs = 10_000;

/**
 * Takes in what happened, in order. The cost of an event is that of the people who wait now, whatever lies behind it.
 * Nobody who waits is ever dropped: an entry goes only when they were reached, or by hand.
 */
export function applyLooseEvents(ends: LooseEnds, events: Iterable<LooseEvent>): LooseEnds {
  const open = new Map(ends.open.map((end) => [end.who.key, end]));
  let closed = ends.closed;
  const close = (rest: ClosedEnd) => {
    closed = [rest, ...closed].slice(0, keptClosed);
  };
  for (const event of events)
    apply(
      event,
      open,
      () => closed,
      close,
      (next) => (closed = next),
    );
  return { open: [...open.values()], closed };
}

function apply(
  event: LooseEvent,
  open: Map<string, LooseEnd>,
  closedNow: () => readonly ClosedEnd[],
  close: (closed: ClosedEnd) => void,
  setClosed: (closed: ClosedEnd[]) => void,
): void {
  if (event.kind === 'tried' || event.kind === 'promised') {
    open.set(event.who.key, withReason(open.get(event.who.key), event));
    return;
  }
  const { key, at } = event;
  if (event.kind === 'undone') {
    const last = closedNow().find((each) => each.end.who.key === key);
    if (!last) return;
    setClosed(closedNow().filter((each) => each !== last));
    open.set(key, reopened(last.end, open.get(key)));
    return;
  }
  const end = open.get(key);
  if (!end) return;
  switch (event.kind) {
    case 'reached': {
      const settled = end.reasons.filter((reason) => isSettledBy(reason, event));
      if (settled.length === 0) return;
      const how = event.byId === null ? reachedBy[event.how] : 'reachedByColleague';
      close({ end: { ...end, reasons: settled }, at, how, byId: event.byId });
      keep(open, end, settled);
      return;
    }
    case 'done':
      close({ end, at, how: 'done', byId: null });
      open.delete(key);
      return;
    case 'settled': {
      const settled = end.reasons.filter(({ id }) => id === event.reasonId);
      if (settled.length === 0) return;
      close({ end: { ...end, reasons: settled }, at, how: 'settled', byId: null });
      keep(open, end, settled);
      return;
    }
    case 'snoozed':
      close({ end, at, how: 'snoozed', byId: null });
      open.set(key, { ...end, snoozedUntil: event.until });
      return;
    case 'taken':
      open.set(key, { ...end, takenById: event.byId });
      return;
  }
}

const reachedBy = { call: 'reachedByCall', answer: 'reachedByAnswer', text: 'reachedByText' } as const;

/** A new try wakes who was put off, and is for everybody of the team again. */
function withReason(
  end: LooseEnd | undefined,
  event: Extract<LooseEvent, { kind: 'tried' | 'promised' }>,
): LooseEnd {
  const isTry = event.kind === 'tried';
  const reason: Reason = {
    id: event.id,
    at: event.at,
    kind: isTry ? event.channel : 'promised',
    lineId: event.lineId,
    teamId: isTry ? event.teamId : null,
    isUrgent: isTry && event.isUrgent,
    isStarred: isTry && event.isStarred,
    words: event.words,
    lengthMs: isTry ? event.lengthMs : null,
    dueAt: isTry ? null : event.dueAt,
  };
  const before = (end?.reasons ?? []).filter(({ id }) => id !== event.id);
  const reasons = [...before, reason];
  // The first stays, since it says since when they wait; so does whatever is more than a try.
  const foldedAt =
    reasons.length > keptReasons
      ? reasons.findIndex(({ kind, words }, at) => at > 0 && kind === 'call' && !words)
      : -1;
  return {
    who: isTry || !end ? event.who : end.who,
    reasons: foldedAt < 0 ? reasons : reasons.toSpliced(foldedAt, 1),
    furtherTries: (end?.furtherTries ?? 0) + (foldedAt < 0 ? 0 : 1),
    snoozedUntil: isTry ? null : (event.notBefore ?? end?.snoozedUntil ?? null),
    takenById: isTry ? null : (end?.takenById ?? null),
  };
}

/** The team for which they wait, so that any of it may answer; null: for the worker alone. */
export const teamOf = ({ reasons }: LooseEnd): string | null =>
  reasons.findLast(({ teamId }) => teamId !== null)?.teamId ?? null;

/** When (epoch milliseconds) they last tried; of who is only promised something, when that first was. */
export function triedAt({ reasons }: LooseEnd): number {
  const last = reasons.findLast(({ kind }) => kind !== 'promised') ?? reasons[0];
  return last?.at ?? 0;
}

/** What came before it, and what it answers: a call answers all, a text no promise to call. */
function isSettledBy(reason: Reason, event: Extract<LooseEvent, { kind: 'reached' }>): boolean {
  if (reason.at > event.at) return false;
  return event.how === 'text' ? reason.kind !== 'promised' : event.talkMs >= reachedMs;
}

function keep(open: Map<string, LooseEnd>, end: LooseEnd, settled: readonly Reason[]): void {
  const reasons = end.reasons.filter((reason) => !settled.includes(reason));
  if (reasons.length === 0) open.delete(end.who.key);
  // What was only counted came before what is left, and was settled with it.
  else open.set(end.who.key, { ...end, reasons, furtherTries: 0 });
}

/** As it was, with what has come since. */
function reopened(end: LooseEnd, since: LooseEnd | undefined): LooseEnd {
  const ids = new Set(end.reasons.map(({ id }) => id));
  const newer = since?.reasons.filter(({ id }) => !ids.has(id)) ?? [];
  const reasons = [...end.reasons, ...newer].sort((a, b) => a.at - b.at);
  return { ...end, who: since?.who ?? end.who, reasons, snoozedUntil: null };
}
