import type { OfficeIndex } from '@/core/setup';
import { isOutOfTeams, situationAt } from './situations';
import { traceStages, type World } from './stages';
import type { RouteTrace, TraceStep } from './trace';
import type { CalledParty } from './traceCall';

/** How long whoever answers for somebody is rung, where nothing of theirs rings so long. */
const besideSeconds = 20;

/**
 * The trace with the phones of those who answer for the called person: their desk phones and apps ring from the first second until the rule
 * is over, and at least for 20 s. A phone that the rule rings by itself rings when the rule says. Nobody is rung who calls or sends the call,
 * who is not to be disturbed, or whose situation takes no calls of others.
 */
export function withThoseBeside(
  office: OfficeIndex,
  called: CalledParty,
  world: World,
  trace: RouteTrace,
): RouteTrace {
  const { ownerId, caller, sentById } = called;
  const callingIds = [ownerId, caller?.personId, sentById];
  const beside = (office.people.get(ownerId)?.answeredBy ?? []).filter(
    ({ personId }) => office.people.has(personId) && !callingIds.includes(personId),
  );
  if (beside.length === 0) return trace;
  const steps = beside.map(({ personId }): Extract<TraceStep, { kind: 'answersFor' }> => ({
    kind: 'answersFor',
    personId,
    isAway: isAway(office, personId, world.at),
  }));
  const seconds = Math.max(trace.finishSeconds, besideSeconds);
  const targets = steps.filter((step) => !step.isAway).map(({ personId }) => ({ personId, startSeconds: 0 }));
  const rung = traceStages(office, called, world, [{ targets, length: { seconds } }]);
  const isPlanned = (deviceId: string | null) => trace.legs.some((leg) => leg.deviceId === deviceId);
  const legs = rung.legs.filter(({ deviceId }) => !isPlanned(deviceId));
  return {
    ...trace,
    legs: [...trace.legs, ...legs.map((leg) => ({ ...leg, answersFor: true }))],
    finishSeconds: legs.length > 0 ? seconds : trace.finishSeconds,
    steps: [...trace.steps, ...rung.skipped.filter(({ kind }) => kind !== 'cutShort'), ...steps],
  };
}

function isAway(office: OfficeIndex, personId: string, at: number): boolean {
  const doNotDisturb = office.ringPlans.get(personId)?.doNotDisturb;
  const isQuiet = doNotDisturb !== undefined && (doNotDisturb.until === null || at < doNotDisturb.until);
  return isQuiet || isOutOfTeams(office, personId, situationAt(office, personId, at));
}
