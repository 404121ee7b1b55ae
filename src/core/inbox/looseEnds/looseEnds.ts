import type { FollowUp } from '@/core/inbox/followUps';
import type { PeopleIndex } from '@/core/people/contacts';
import type { OfficeIndex } from '@/core/setup';

import type { closings, Closing, Try, Waiting } from './waiting';
import { handleOf, isTask, keyOf, taskKey, whoOf, type Other, type Who } from './who';

/** One thing that makes somebody wait: a try of theirs, or something they were promised. */
export interface Reason extends Omit<Try, 'kind'> {
  kind: Try['kind'] | 'promised';
  isStarred: boolean;
  /** The words of a text, of a transcript, of a promise; null where there are none, or none any more. */
  words: string | null;
  /** By when it was promised. */
  dueAt: number | null;
}

/** One person who still waits for an answer. */
export interface LooseEnd {
  who: Who;
  /** By what the office knows them: one for each of their numbers that there was something with. */
  handles: string[];
  /** What still waits, oldest first; never empty. */
  reasons: Reason[];
  /** Tries that are only counted any more, since so many came after them. */
  furtherTries: number;
  /** Left alone until then. */
  snoozedUntil: number | null;
  /** Who of the team has taken it on. */
  takenById: string | null;
}

/** What was closed last, by itself or by hand. */
export interface ClosedEnd {
  who: Who;
  /** By what those are known of whom that was closed. */
  handles: string[];
  at: number;
  how: (typeof closings)[number];
  byId: string | null;
  followUpIds: string[];
}

/** Everyone who waits, in no order (see `orderOf`), and what was closed last, newest first. */
export interface LooseEnds {
  open: LooseEnd[];
  closed: ClosedEnd[];
}

/** What who waits is made of, and by what it is named. */
export interface LooseParts {
  rows: readonly Waiting[];
  followUps: readonly FollowUp[];
  /** The words of a try, where they are kept. */
  wordsOf: (tried: Try) => string | null;
  /** Who of a team has taken on whoever is known by one of these keys, since they last tried. */
  takenBy: (teamId: string, keys: readonly string[], since: number) => string | null;
  office: OfficeIndex;
  people: PeopleIndex;
}

/** All that is about one person. */
interface Gathered {
  rows: Waiting[];
  promises: FollowUp[];
}

/** So many closings can be taken back. */
const keptClosed = 30;

/**
 * Who waits for the worker, by what the office knows and by whom they know. It is derived each time it is asked for: a contact with
 * two numbers who was reached at one does not wait at the other, whenever the two were put together.
 */
export function looseEndsOf(parts: LooseParts): LooseEnds {
  const all = [...gathered(parts).values()];
  const tasks = new Map(parts.followUps.map((followUp) => [taskKey(followUp.id), followUp]));
  const taskRows = new Map(
    parts.rows.filter(({ handle }) => tasks.has(handle)).map((row) => [row.handle, row]),
  );
  const toDo = [...tasks].filter(([, task]) => isTaskToDo(task));
  const open = [
    ...all.flatMap((each) => openOf(each, parts) ?? []),
    ...toDo.map(([key, task]) => ofTask(task, taskRows.get(key))),
  ];
  const closedTasks = [...taskRows].flatMap(([key, row]) => {
    const who = { key, name: tasks.get(key)?.text ?? '', number: null };
    const last = closedOf([row]);
    return last ? [{ ...last, who: () => who }] : [];
  });
  const closed = all.flatMap((each) => {
    const last = closedOf(each.rows);
    return last ? [{ ...last, who: () => newestWho(each, parts) }] : [];
  });
  // Only those that are kept are named: to write a number costs more than all the rest.
  const newest = [...closed, ...closedTasks].sort((a, b) => b.at - a.at).slice(0, keptClosed);
  return { open, closed: newest.map((each) => ({ ...each, who: each.who() })) };
}

/** A follow-up about nobody waits by itself, under its own words, and only from when it is due. */
const isTaskToDo = ({ name, dueAt, doneAt }: FollowUp) => name === '' && dueAt !== null && doneAt === null;
const isPromiseToKeep = ({ name, dueAt, doneAt }: FollowUp) =>
  name !== '' && dueAt !== null && doneAt === null;

function gathered({ rows, followUps, office, people }: LooseParts): Map<string, Gathered> {
  const byKey = new Map<string, Gathered>();
  const of = (key: string): Gathered => {
    const before = byKey.get(key);
    if (before) return before;
    const made: Gathered = { rows: [], promises: [] };
    byKey.set(key, made);
    return made;
  };
  for (const row of rows) {
    const { other, id } = otherOfRow(row);
    if (!isTask({ key: row.handle })) of(keyOf(other, id, people)).rows.push(row);
  }
  for (const followUp of followUps) {
    const { other, id } = otherOfPromise(followUp, office);
    if (isPromiseToKeep(followUp)) of(keyOf(other, id, people)).promises.push(followUp);
  }
  return byKey;
}

function otherOfRow({ handle, number, name }: Waiting): { other: Other; id: string } {
  const at = handle.indexOf(':');
  const [kind, id] = [handle.slice(0, at), handle.slice(at + 1)];
  // Of whom the worker alone has called there is no number but the one they are known by.
  const used = kind === 'number' ? id : number;
  return { other: { number: used, name, personId: kind === 'person' ? id : null }, id };
}

function otherOfPromise(
  { number, name, callId, id }: FollowUp,
  office: OfficeIndex,
): { other: Other; id: string } {
  const personId = office.peopleByExtension.get(number ?? '')?.id ?? null;
  return { other: { number, name, personId }, id: callId ?? id };
}

function openOf(group: Gathered, parts: LooseParts): LooseEnd | null {
  const { rows, promises } = group;
  const tries = triesOfAll(group, parts);
  const promised = promises
    .filter(({ at }) => !rows.some(({ answered }) => (answered.callBegan ?? -Infinity) >= at))
    .map(ofPromise);
  const reasons = [...tries, ...promised].sort((a, b) => a.at - b.at);
  if (reasons.length === 0) return null;
  const handles = handlesOf(group, parts);
  const waiting = rows.filter((row) => row.tries.length > 0);
  const snoozed = (waiting.length > 0 ? waiting : rows).map(({ snoozedUntil }) => snoozedUntil);
  const isSnoozed = snoozed.length > 0 && !snoozed.includes(null);
  const end = {
    who: newestWho(group, parts),
    handles,
    reasons,
    furtherTries: waiting.reduce((sum, row) => sum + row.furtherTries, 0),
    snoozedUntil: isSnoozed ? Math.max(...snoozed.map((until) => until ?? 0)) : null,
    takenById: null,
  };
  const teamId = teamOf(end);
  if (teamId === null) return end;
  // What they want of the worker alone does not concern the team.
  const since = Math.max(...tries.filter((tried) => tried.teamId === teamId).map(({ at }) => at));
  return { ...end, takenById: parts.takenBy(teamId, [...handles, end.who.key], since) };
}

/** The tries with all numbers of theirs, without what was answered at another one. */
function triesOfAll({ rows }: Gathered, parts: LooseParts): Reason[] {
  return rows.flatMap((row) => {
    const answeredAt = answeredElsewhere(row, rows);
    return row.tries.filter(({ openedAt }) => openedAt > answeredAt).map((tried) => ofTry(tried, row, parts));
  });
}

/** When they were last reached at another of their numbers. */
const answeredElsewhere = (row: Waiting, rows: readonly Waiting[]) =>
  Math.max(
    -Infinity,
    ...rows
      .filter((other) => other !== row)
      .flatMap(({ answered: { call, text } }) => [call ?? -Infinity, text ?? -Infinity]),
  );

function ofTry(tried: Try, { number }: Waiting, { wordsOf, office }: LooseParts): Reason {
  const groups = office.groupsByNumber.get(number ?? '') ?? [];
  const isStarred = groups.some(({ starred }) => starred);
  return { ...tried, isStarred, words: wordsOf(tried), dueAt: null };
}

const ofPromise = ({ id, at, dueAt, text }: FollowUp): Reason => ({
  ...{ id, at, openedAt: at, kind: 'promised', dueAt, words: text },
  ...{ lineId: null, teamId: null, roomId: null, isUrgent: false, isStarred: false, lengthMs: null },
});

const ofTask = (task: FollowUp, row: Waiting | undefined): LooseEnd => ({
  who: { key: taskKey(task.id), name: task.text, number: null },
  handles: [taskKey(task.id)],
  reasons: [{ ...ofPromise(task), words: '' }],
  furtherTries: 0,
  snoozedUntil: Math.max(task.dueAt ?? 0, row?.snoozedUntil ?? 0),
  takenById: null,
});

function handlesOf({ rows, promises }: Gathered, { office }: LooseParts): string[] {
  const promised = promises.map((promise) => {
    const { other, id } = otherOfPromise(promise, office);
    return handleOf(other, id);
  });
  return [...new Set([...rows.map(({ handle }) => handle), ...promised])];
}

/** The number they used last is the one to call. */
function newestWho({ rows, promises }: Gathered, { office, people }: LooseParts): Who {
  const [newest] = [...rows].sort((a, b) => lastTryOf(b) - lastTryOf(a));
  const [promise] = promises;
  const isPromised = promise && (!newest || lastTryOf(newest) === 0);
  const of = isPromised ? otherOfPromise(promise, office) : newest && otherOfRow(newest);
  const { other, id } = of ?? { other: { number: null, name: null, personId: null }, id: '' };
  return whoOf(other, id, office, people);
}

const lastTryOf = ({ tries, closed }: Waiting) => (tries.at(-1) ?? closed?.tries.at(-1))?.at ?? 0;

/** What was closed last of theirs; where that was at one number, also what it answered at the others. */
function closedOf(rows: readonly Waiting[]): Omit<ClosedEnd, 'who'> | null {
  const closings = rows.flatMap(({ closed }) => (closed ? [closed] : []));
  const last = closings.sort((a, b) => b.at - a.at).find((closing) => hasClosedSome(closing, rows));
  if (!last) return null;
  const { at, how, byId } = last;
  const together = rows.filter(({ closed }) => closed?.at === at);
  const followUpIds = together.flatMap(({ closed }) => closed?.followUpIds ?? []);
  const handles = together.map(({ handle }) => handle);
  return { handles, at, how, byId, followUpIds: [...new Set(followUpIds)] };
}

function hasClosedSome({ at, how, tries }: Closing, rows: readonly Waiting[]): boolean {
  if (tries.length > 0 || how === 'done' || how === 'snoozed') return true;
  return rows.some((row) => row.tries.some(({ openedAt }) => openedAt <= at));
}

/** The team for which they wait, so that any of it may answer; null: for the worker alone. */
export const teamOf = ({ reasons }: Pick<LooseEnd, 'reasons'>): string | null =>
  reasons.findLast(({ teamId }) => teamId !== null)?.teamId ?? null;

/** When (epoch milliseconds) they last tried; of who is only promised something, when that first was. */
export function triedAt({ reasons }: Pick<LooseEnd, 'reasons'>): number {
  const last = reasons.findLast(({ kind }) => kind !== 'promised') ?? reasons[0];
  return last?.at ?? 0;
}

/** By what the whole team knows them, at the number they tried last: what they are taken on by. */
export const handleToTake = ({ handles, who }: Pick<LooseEnd, 'handles' | 'who'>): string =>
  handles.find((handle) => handle === `number:${who.number ?? ''}`) ?? handles[0] ?? who.key;
