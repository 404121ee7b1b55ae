import {
  allWorkingHours,
  type CallerMatch,
  type OfficeIndex,
  type RingPlan,
  type RingRule,
} from '@/core/setup';
import { edgesBetween, shiftLocalDays, startOfLocalDay } from '@/core/shared/time';
import { isAmong, obstacleOf, type Caller, type CallFacts } from '@/core/plans/routing';

/**
 * The world of a plan cut into atoms: calls that no condition of it can tell apart stand in one atom, so that what
 * holds for one example of each holds for every call.
 */
export interface Atoms {
  lineIds: readonly (string | null)[];
  callers: readonly Caller[];
  situationIds: readonly (string | null)[];
  instants: readonly number[];
  isOnCall: readonly boolean[];
  triesWithin: readonly CallFacts['triesWithin'][];
}

const noTries: CallFacts['triesWithin'] = () => 0;
/** A number kept free for drama, which stands in no group. */
const strangersNumber = '+447700900999';

export function atomsOf(plan: RingPlan, office: OfficeIndex, now: number): Atoms {
  const conditions = plan.rules.map(({ when }) => when ?? {});
  const matches = [
    ...conditions.flatMap(({ callers }) => callers ?? []),
    ...(plan.doNotDisturb?.passes ?? []),
  ];
  const own = office.setup.lines.filter(({ ownerId }) => ownerId === plan.personId);
  const named = conditions.flatMap(({ situationIds }) => situationIds ?? []);
  const listed = office.people.get(plan.personId)?.situations?.map(({ id }) => id) ?? [];
  return {
    lineIds: [...own.map(({ id }) => id), null],
    callers: callerAtoms(matches, office),
    situationIds: [null, ...new Set([...listed, ...named])],
    instants: instantAtoms(plan, office.setup.zone, now),
    isOnCall: conditions.some(({ whileOnCall }) => whileOnCall !== undefined) ? [false, true] : [false],
    triesWithin: triesAtoms(matches),
  };
}

/** One caller for each way in which the matches can answer. */
function callerAtoms(matches: readonly CallerMatch[], office: OfficeIndex): Caller[] {
  const numbers = [
    strangersNumber,
    ...matches.flatMap((match) => (match.kind === 'number' ? [match.number] : [])),
    ...matches.flatMap((match) => (match.kind === 'prefix' ? [exampleOf(match.prefix)] : [])),
    ...office.groupsByNumber.keys(),
  ];
  const callers = new Map<string, Caller>();
  for (const number of numbers) {
    const caller = { number, personId: null };
    const answers = matches.map((match) => isAmong([match], { caller, triesWithin: noTries }, office));
    callers.set(answers.join(), callers.get(answers.join()) ?? caller);
  }
  const colleague = office.setup.people[0]?.id ?? '';
  return [...callers.values(), { number: null, personId: null }, { number: null, personId: colleague }];
}

const exampleOf = (prefix: string) => prefix.padEnd(Math.max(prefix.length + 1, 12), '7');

/** Histories of earlier calls: for every set of "repeated" conditions one that fulfils just those, as far as it can be. */
function triesAtoms(matches: readonly CallerMatch[]): CallFacts['triesWithin'][] {
  const repeated = matches.flatMap((match) => (match.kind === 'repeated' ? [match] : [])).slice(0, 4);
  const sets = Array.from({ length: 1 << repeated.length }, (_, bits) =>
    repeated.filter((__, index) => bits & (1 << index)),
  );
  return sets.map(
    (set) => (_, minutes) =>
      set.reduce(
        (count, { times, withinMinutes }) => (withinMinutes <= minutes ? Math.max(count, times) : count),
        0,
      ),
  );
}

/**
 * An instant of each stretch between two changes: of the week to come, and of every span of days, forward and meeting
 * that lies elsewhere, a week of which holds all that the rest of it repeats.
 */
export function instantAtoms(plan: RingPlan, zone: string, now: number): number[] {
  const windows = [...plan.rules.flatMap(({ when }) => when?.hours ?? []), ...allWorkingHours(plan)];
  const days = [...plan.rules.flatMap(({ when }) => when?.dates ?? []), ...(plan.daysOff ?? [])];
  const weekFrom = (from: number, until = Infinity) => {
    const to = Math.min(until, shiftLocalDays(startOfLocalDay(from, zone), 8, zone));
    return [from, ...edgesBetween(from, to, windows, zone)];
  };
  const instants = new Set(weekFrom(now));
  for (const { from, to } of days) {
    const begin = startOfLocalDay(Date.parse(`${from}T12:00Z`), zone);
    const end = shiftLocalDays(Date.parse(`${to}T12:00Z`), 1, zone);
    if (end <= now) continue;
    for (const at of weekFrom(Math.max(begin, now), end)) instants.add(at);
    // Spans may overlap on any of their days, and end on another than they began.
    for (const at of weekFrom(Math.max(now, shiftLocalDays(end, -1, zone)), end)) instants.add(at);
    // And the week after it holds what the span kept away.
    for (const at of weekFrom(end)) instants.add(at);
  }
  const spans = plan.rules.flatMap(({ when }) => when?.spans ?? []);
  // Hours inside a span repeat nowhere else.
  for (const { from, until } of spans)
    if (until > now) for (const at of [...weekFrom(Math.max(from, now), until), until]) instants.add(at);
  for (const { from, until } of plan.meetings ?? [])
    for (const at of [from, until]) if (at > now) instants.add(at);
  return [...instants].sort((a, b) => a - b);
}

/** What a search found: a call that reaches the rule, or why there is none. */
export type Reach = { facts: CallFacts } | { deadBy: 'itself' } | { deadBy: 'earlier'; rules: RingRule[] };

/**
 * Searches for a call that reaches each rule of the plan, over all atoms. Only the values that a rule lets through are
 * combined, so that a rule for everything is found reachable at once.
 */
export function reachOf(plan: RingPlan, office: OfficeIndex, atoms: Atoms): Reach[] {
  return plan.rules.map((rule, index) => {
    const before = plan.rules.slice(0, index);
    const takenBy = new Set<RingRule>();
    let isPossible = false;
    for (const facts of fitting(rule, plan, office, atoms)) {
      isPossible = true;
      const taker = before.find((earlier) => obstacleOf(earlier, facts, office, plan) === null);
      if (!taker) return { facts };
      takenBy.add(taker);
    }
    return isPossible
      ? { deadBy: 'earlier', rules: before.filter((earlier) => takenBy.has(earlier)) }
      : { deadBy: 'itself' };
  });
}

/**
 * All atoms that the rule's own conditions let through; they are independent of each other, so each is asked alone, but
 * for working hours, which a line may have of its own.
 */
function* fitting(
  rule: RingRule,
  plan: RingPlan,
  office: OfficeIndex,
  atoms: Atoms,
): Generator<CallFacts, void> {
  const { when = {} } = rule;
  const base: CallFacts = {
    lineId: null,
    caller: null,
    at: 0,
    situationId: null,
    isOnCall: false,
    triesWithin: noTries,
  };
  const fits = (only: RingRule['when'], lineIds: string[], facts: Partial<CallFacts>) =>
    obstacleOf({ ...rule, lineIds, when: only }, { ...base, ...facts }, office, plan) === null;
  const lineIds = atoms.lineIds.filter((lineId) => fits({}, rule.lineIds, { lineId }));
  const situationIds = atoms.situationIds.filter((situationId) =>
    fits({ situationIds: when.situationIds }, [], { situationId }),
  );
  const { hours, dates, spans, workingHours, inMeeting } = when;
  const instants = atoms.instants.filter((at) => fits({ hours, dates, spans, inMeeting }, [], { at }));
  const byLine = new Map<string | null, number[]>();
  const instantsOf = (lineId: string | null): number[] => {
    if (workingHours === undefined) return instants;
    const known = byLine.get(lineId);
    const found = known ?? instants.filter((at) => fits({ workingHours }, [], { at, lineId }));
    byLine.set(lineId, found);
    return found;
  };
  const isOnCall = atoms.isOnCall.filter((on) =>
    fits({ whileOnCall: when.whileOnCall }, [], { isOnCall: on }),
  );
  for (const triesWithin of atoms.triesWithin)
    for (const caller of atoms.callers) {
      if (!fits({ callers: when.callers }, [], { caller, triesWithin })) continue;
      for (const lineId of lineIds)
        for (const situationId of situationIds)
          for (const onCall of isOnCall)
            for (const at of instantsOf(lineId))
              yield { lineId, caller, at, situationId, isOnCall: onCall, triesWithin };
    }
}
