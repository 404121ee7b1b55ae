import { allWorkingHours, type OfficeIndex, type RingPlan } from '@/core/setup';
import { edgesBetween } from '@/core/shared/time';
import type { Caller } from './conditions';
import type { RouteTrace } from './trace';
import { situationChanges } from './situations';
import { allFree, type World } from './stages';
import { traceCall } from './traceCall';

/** A stretch of time in which every such call goes the same way. Epoch milliseconds, `to` not included. */
export interface Stretch {
  from: number;
  to: number;
  /** The trace of a call at its beginning; one later in it differs in nothing but its reasons. */
  trace: RouteTrace;
}

/**
 * Where calls to somebody's line (null: their extension) end up at every instant of a span, exactly: it is split where
 * any condition of their plan can change, never sampled. Everything is taken to be signed in and free. Equal neighbours
 * are joined.
 */
export function weekOf(
  office: OfficeIndex,
  called: { ownerId: string; lineId: string | null; caller: Caller | null },
  span: { from: number; to: number },
  moment: Pick<World, 'calledSituation'> = {},
): Stretch[] {
  const stretches: Stretch[] = [];
  const starts = [span.from, ...changesWithin(office, called.ownerId, span)];
  starts.forEach((from, index) => {
    const to = starts[index + 1] ?? span.to;
    const trace = traceCall(office, called, { ...allFree(from), ...moment });
    const last = stretches.at(-1);
    if (last && goesTheSameWay(last.trace, trace)) last.to = to;
    else stretches.push({ from, to, trace });
  });
  return stretches;
}

/** Every instant in the span at which another rule, forward, situation or do not disturb may begin to hold, in order. */
function changesWithin(
  office: OfficeIndex,
  ownerId: string,
  { from, to }: { from: number; to: number },
): number[] {
  const plan = office.ringPlans.get(ownerId);
  const windows = [
    ...(plan?.rules.flatMap(({ when }) => when?.hours ?? []) ?? []),
    ...(plan ? allWorkingHours(plan) : []),
  ];
  const hasDates =
    (plan?.daysOff ?? []).length > 0 ||
    (plan?.rules.some(({ when }) => (when?.dates ?? []).length > 0) ?? false);
  const edges = windows.length > 0 || hasDates ? edgesBetween(from, to, windows, office.setup.zone) : [];
  const ends = [
    ...(plan?.forwards ?? []).flatMap((forward) => [forward.from, forward.until]),
    ...(plan?.meetings ?? []).flatMap((meeting) => [meeting.from, meeting.until]),
    ...(plan?.rules ?? [])
      .flatMap(({ when }) => when?.spans ?? [])
      .flatMap((each) => [each.from, each.until]),
    plan?.doNotDisturb?.until ?? null,
  ].filter((at): at is number => at !== null && at > from && at < to);
  // Also where a member of a team that the plan rings comes and goes.
  const whoseSituation = new Set([ownerId, ...membersRung(plan, office)]);
  const moves = [...whoseSituation].flatMap((personId) => situationChanges(office, personId, { from, to }));
  return [...new Set([...edges, ...ends, ...moves])].sort((a, b) => a - b);
}

function membersRung(plan: RingPlan | undefined, office: OfficeIndex): string[] {
  const targets = plan?.rules.flatMap(({ stages }) => stages.flatMap((stage) => stage.targets)) ?? [];
  return targets.flatMap((target) =>
    'teamId' in target ? (office.teams.get(target.teamId)?.memberIds ?? []) : [],
  );
}

/** The same devices in the same seconds and the same finish, whatever the reasons. */
function goesTheSameWay(a: RouteTrace, b: RouteTrace): boolean {
  const way = ({ legs, finish, refusedFinish, finishSeconds }: RouteTrace) =>
    JSON.stringify([legs, finish, refusedFinish, finishSeconds]);
  return way(a) === way(b);
}
