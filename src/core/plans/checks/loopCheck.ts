import {
  nameOf,
  type Finish,
  type Menu,
  type OfficeIndex,
  type RingPlan,
  type RingTarget,
} from '@/core/setup';
import { formatDayAndClock } from '@/core/shared/time';
import { instantAtoms } from './atoms';
import { withFinishes, withRule, withStage, withTargets } from './editing';
import { allFree, reachedBy, traceAny, type Caller, type World } from '@/core/plans/routing';
import type { Finding } from './finding';

/** A person, a team or a menu on the way. */
interface Stop {
  ownerId: string;
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
      const way = walk(office, [{ ownerId: personId, lineId }], at, { number: null, personId: null });
      if (way) return [finding(office, plan, way, at, now)];
    }
  return [];
}

const switches = ({ forwards = [] }: RingPlan) =>
  forwards.flatMap(({ from, until }) => [from, until]).filter((at): at is number => at !== null);

/** Everybody, and every menu, on circles through this one, by any forward there is; empty where there are none. */
function couldComeBack(office: OfficeIndex, personId: string): string[] {
  const next = (id: string) =>
    forwardsOf(office, id).flatMap((finish) => reachedStop(finish, office)?.ownerId ?? []);
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

/** The person, team or menu that a finish leads on to; null where the call ends, or leaves the office. */
function reachedStop(finish: Finish, office: OfficeIndex): Stop | null {
  const reached = finish.kind === 'forward' ? reachedBy(finish.to, office) : null;
  return reached && 'ownerId' in reached ? reached : null;
}

function forwardsOf(office: OfficeIndex, ownerId: string): Finish[] {
  const menu = office.menus.get(ownerId);
  if (menu) return waysOut(menu);
  const plan = office.ringPlans.get(ownerId);
  if (!plan) return [];
  const ofRules = plan.rules.flatMap(({ finish, busyFinish, unreachableFinish, refusedFinish }) => [
    finish,
    ...[busyFinish, unreachableFinish, refusedFinish].filter((each) => each !== undefined),
  ]);
  return [...ofRules, ...(plan.forwards ?? []).map(({ to }) => to)];
}

const waysOut = ({ keys, finish }: Menu): Finish[] => [
  finish,
  ...keys.map(({ to }) => ({ kind: 'forward', to }) as const),
];

/** Goes on until a stop comes a second time; null where the call ends. */
function walk(office: OfficeIndex, way: Stop[], at: number, caller: Caller): Stop[] | null {
  const here = way.at(-1);
  if (!here) return null;
  for (const finish of leavesBy(office, here, at, caller)) {
    const reached = reachedStop(finish, office);
    if (!reached) continue;
    const { ownerId, lineId } = reached;
    // By the extension another rule may decide than by the line: that is another stop.
    const isSame = (stop: Stop) => stop.ownerId === ownerId && stop.lineId === lineId;
    if (way[0] && isSame(way[0])) return [...way, reached];
    if (way.some(isSame)) continue;
    const found = walk(office, [...way, { ownerId, lineId }], at, caller);
    if (found) return found;
  }
  return null;
}

function leavesBy(office: OfficeIndex, { ownerId, lineId }: Stop, at: number, caller: Caller): Finish[] {
  const menu = office.menus.get(ownerId);
  if (menu) return waysOut(menu);
  return moods.map((mood) => {
    const trace = traceAny(office, { ownerId, lineId, caller }, worldOf(mood, at));
    return mood === 'refused' ? (trace.refusedFinish ?? trace.finish) : trace.finish;
  });
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
  const names = way.map(({ ownerId }) =>
    ownerId === plan.personId
      ? 'you'
      : (office.menus.get(ownerId)?.name ?? office.teams.get(ownerId)?.name ?? nameOf(ownerId, office)),
  );
  const when = at <= now ? '' : `, from ${formatDayAndClock(at, now, office.setup.zone)}`;
  const second = way[1];
  const leadsThere = (finish: Finish) => {
    const reached = reachedStop(finish, office);
    return reached !== null && reached.ownerId === second?.ownerId;
  };
  const rule = plan.rules.find(({ finish, busyFinish, unreachableFinish, refusedFinish }) =>
    [finish, busyFinish, unreachableFinish, refusedFinish].some((each) => each && leadsThere(each)),
  );
  return {
    personId: plan.personId,
    code: 'loop',
    severity: 'alarm',
    place: rule ? { ruleId: rule.id } : {},
    sentence: `Forwards go round in a circle${when}: ${names.join(' → ')}. The call could never be put through.`,
    repair: { word: 'End it in your mailbox instead', plan: broken(plan, leadsThere) },
  };
}

function broken(plan: RingPlan, leadsThere: (finish: Finish) => boolean): RingPlan {
  const mailbox: Finish = { kind: 'mailbox', personId: plan.personId };
  const withoutForwards = {
    ...plan,
    ...(plan.forwards && { forwards: plan.forwards.filter(({ to }) => !leadsThere(to)) }),
  };
  return withFinishes(withoutForwards, (finish) => (leadsThere(finish) ? mailbox : finish));
}

/** One's own lines, rung as if they were numbers outside: the call comes back to this very plan. */
export function ownLineChecks(office: OfficeIndex, plan: RingPlan): Finding[] {
  const ownLine = (target: RingTarget) => {
    const line = 'number' in target ? office.linesByNumber.get(target.number) : undefined;
    return line?.ownerId === plan.personId ? line : null;
  };
  return plan.rules.flatMap((rule) =>
    rule.stages.flatMap(({ targets }, stage) =>
      targets.flatMap((target): Finding[] => {
        const line = ownLine(target);
        if (!line) return [];
        return [
          {
            personId: plan.personId,
            code: 'loop',
            severity: 'alarm',
            place: { ruleId: rule.id, stage, deviceId: null, number: line.number },
            sentence: `${line.name} is your own line: a call that rings it comes back to this plan, and goes round in a circle.`,
            repair: {
              word: 'Leave it out',
              plan: withRule(plan, rule.id, (each) =>
                withStage(each, stage, (old) =>
                  withTargets(
                    old,
                    (other) => ownLine(other) === line,
                    () => null,
                  ),
                ),
              ),
            },
          },
        ];
      }),
    ),
  );
}
