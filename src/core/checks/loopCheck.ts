import { nameOf, type Finish, type OfficeIndex, type RingPlan } from '../office';
import { formatDayAndClock } from '../time';
import { instantAtoms } from './atoms';
import type { Caller } from '../routing';
import { allFree, type World } from '../routing';
import { traceCall } from '../routing';
import { reachedBy } from './reachedBy';
import type { Finding } from './finding';

interface Stop {
  personId: string;
  lineId: string | null;
}

/** Why a call left a stop: with whom free, busy or away it does so. */
const moods = ['unanswered', 'busy', 'away', 'refused'] as const;
type Mood = (typeof moods)[number];

/**
 * Calls that come back to this person by forwards, also across people. Whose forwards could make a circle at all is
 * found first; then the circle is walked, at every instant at which any of their plans may change, with everybody
 * free, busy, away, or refusing.
 */
export function loopCheck(office: OfficeIndex, plan: RingPlan, now: number): Finding[] {
  const { personId } = plan;
  const circle = couldComeBack(office, personId);
  if (circle.length === 0) return [];
  const { zone } = office.setup;
  const instants = new Set(
    circle.flatMap((id) => {
      const own = office.ringPlans.get(id);
      return own ? [...instantAtoms(own, zone, now), ...switches(own)] : [];
    }),
  );
  const lineIds = [
    ...office.setup.lines.filter(({ ownerId }) => ownerId === personId).map(({ id }) => id),
    null,
  ];
  for (const at of [...instants].filter((each) => each >= now).sort((a, b) => a - b))
    for (const lineId of lineIds) {
      const way = walk(office, [{ personId, lineId }], at, { number: null, personId: null });
      if (way) return [finding(office, plan, way, at, now)];
    }
  return [];
}

const switches = ({ forwards = [] }: RingPlan) =>
  forwards.flatMap(({ from, until }) => [from, until]).filter((at): at is number => at !== null);

/** The people on circles through this one, by any forward there is; empty where there are none. */
function couldComeBack(office: OfficeIndex, personId: string): string[] {
  const next = (id: string) =>
    forwardsOf(office.ringPlans.get(id)).flatMap((finish) => {
      const reached = finish.kind === 'forward' ? reachedBy(finish.to, office) : null;
      return reached?.kind === 'person' ? [reached.personId] : [];
    });
  const seen = new Set<string>();
  const open = next(personId);
  let comesBack = false;
  for (let id = open.pop(); id !== undefined; id = open.pop()) {
    if (id === personId) comesBack = true;
    if (seen.has(id)) continue;
    seen.add(id);
    open.push(...next(id));
  }
  return comesBack ? [personId, ...seen] : [];
}

function forwardsOf(plan: RingPlan | undefined): Finish[] {
  if (!plan) return [];
  const ofRules = plan.rules.flatMap(({ finish, busyFinish, unreachableFinish, refusedFinish }) => [
    finish,
    ...[busyFinish, unreachableFinish, refusedFinish].filter((each) => each !== undefined),
  ]);
  return [...ofRules, ...(plan.forwards ?? []).map(({ to }) => to)];
}

/** Goes on until a stop comes a second time; null where the call ends. */
function walk(office: OfficeIndex, way: Stop[], at: number, caller: Caller): Stop[] | null {
  const here = way.at(-1);
  if (!here) return null;
  for (const finish of leavesBy(office, here, at, caller)) {
    const reached = finish.kind === 'forward' ? reachedBy(finish.to, office) : null;
    if (reached?.kind !== 'person') continue;
    const { personId, lineId } = reached;
    const isFirst =
      way[0]?.personId === personId && (way.length === 1 || way[0]?.lineId === lineId || lineId === null);
    if (isFirst) return [...way, reached];
    if (way.some((stop) => stop.personId === personId && stop.lineId === lineId)) continue;
    const found = walk(office, [...way, { personId, lineId }], at, caller);
    if (found) return found;
  }
  return null;
}

function leavesBy(office: OfficeIndex, { personId, lineId }: Stop, at: number, caller: Caller): Finish[] {
  const finishes = moods.map((mood) => {
    const trace = traceCall(office, { ownerId: personId, lineId, caller }, worldOf(mood, at));
    return mood === 'refused' ? (trace.refusedFinish ?? trace.finish) : trace.finish;
  });
  return finishes;
}

const worldOf = (mood: Mood, at: number): World => ({
  ...allFree(at),
  isSignedIn: () => mood !== 'away',
  isBusy: () => mood === 'busy',
  isOnCall: () => mood === 'busy',
});

function finding(
  office: OfficeIndex,
  plan: RingPlan,
  way: readonly Stop[],
  at: number,
  now: number,
): Finding {
  const names = way.map(({ personId }) => (personId === plan.personId ? 'you' : nameOf(personId, office)));
  const when = at <= now ? '' : `, from ${formatDayAndClock(at, office.setup.zone)}`;
  const second = way[1];
  const leadsThere = (finish: Finish) => {
    const reached = finish.kind === 'forward' ? reachedBy(finish.to, office) : null;
    return reached?.kind === 'person' && reached.personId === second?.personId;
  };
  const rule = plan.rules.find(({ finish, busyFinish, unreachableFinish, refusedFinish }) =>
    [finish, busyFinish, unreachableFinish, refusedFinish].some((each) => each && leadsThere(each)),
  );
  return {
    personId: plan.personId,
    code: 'loop',
    severity: 'alarm',
    place: rule ? { ruleId: rule.id } : {},
    sentence: `Forwards go round in a circle${when}: ${names.join(' → ')}. The caller would hear that the network is at an end.`,
    repair: { word: 'End it in your mailbox instead', plan: broken(plan, leadsThere) },
  };
}

function broken(plan: RingPlan, leadsThere: (finish: Finish) => boolean): RingPlan {
  const mailbox: Finish = { kind: 'mailbox', personId: plan.personId };
  const mended = (finish: Finish) => (leadsThere(finish) ? mailbox : finish);
  return {
    ...plan,
    rules: plan.rules.map((rule) => ({
      ...rule,
      finish: mended(rule.finish),
      ...(rule.busyFinish && { busyFinish: mended(rule.busyFinish) }),
      ...(rule.unreachableFinish && { unreachableFinish: mended(rule.unreachableFinish) }),
      ...(rule.refusedFinish && { refusedFinish: mended(rule.refusedFinish) }),
    })),
    ...(plan.forwards && { forwards: plan.forwards.filter(({ to }) => !leadsThere(to)) }),
  };
}
