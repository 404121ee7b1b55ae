import type { OfficeIndex, RingRule } from '../office';
import type { RouteTrace, TraceLeg, TraceStep } from './trace';

/** What the routing has to know of the moment. */
export interface World {
  isSignedIn(deviceId: string): boolean;
  isBusy(deviceId: string): boolean;
}

export interface CalledParty {
  ownerId: string;
  /** null where an extension was called. */
  lineId: string | null;
  /** The device that calls, which can't ring itself. */
  callingDeviceId?: string;
}

/**
 * Who rings when for one call at one moment. Stages follow each other; a stage in which nothing can ring takes
 * no time. A person without a fitting rule has a mailbox. Where all that could ring is busy, the call ends at once
 * at the rule's `busyFinish`, if it has one.
 */
export function traceCall(office: OfficeIndex, called: CalledParty, world: World): RouteTrace {
  const { ownerId, lineId } = called;
  const steps: TraceStep[] = [];
  const rule = chooseRule(office.ringPlans.get(ownerId)?.rules ?? [], lineId, steps);
  if (!rule) {
    steps.push({ kind: 'noRule', personId: ownerId });
    const finish = { kind: 'mailbox', personId: ownerId } as const;
    return { ownerId, lineId, legs: [], finish, finishSeconds: 0, steps };
  }

  const legs: TraceLeg[] = [];
  let stageStart = 0;
  rule.stages.forEach((stage, stageIndex) => {
    const ringing: TraceLeg[] = [];
    for (const target of stage.targets) {
      const device = ringable(office, target.deviceId, called, world, stageIndex, steps);
      if (!device || target.startSeconds >= stage.lengthSeconds) continue;
      ringing.push({
        deviceId: device.id,
        personId: device.personId,
        stage: stageIndex,
        fromSeconds: stageStart + target.startSeconds,
        toSeconds: stageStart + stage.lengthSeconds,
        acceptKey: target.acceptKey ?? false,
      });
    }
    if (ringing.length === 0) return;
    legs.push(...ringing);
    stageStart += stage.lengthSeconds;
  });
  const isAllBusy =
    legs.length === 0 && steps.some((step) => step.kind === 'deviceSkipped' && step.reason === 'busy');
  if (isAllBusy) steps.push({ kind: 'allBusy', personId: ownerId });
  const finish = (isAllBusy ? rule.busyFinish : undefined) ?? rule.finish;
  return { ownerId, lineId, legs, finish, finishSeconds: stageStart, steps };
}

const teamRingSeconds = 30;

/** A team's members ring together on their desk phones and apps; unanswered, the call meets busy tone. */
export function traceTeam(office: OfficeIndex, called: CalledParty, world: World): RouteTrace {
  const { ownerId, lineId } = called;
  const steps: TraceStep[] = [{ kind: 'teamCalled', teamId: ownerId }];
  const members = office.teams.get(ownerId)?.memberIds ?? [];
  const legs = members.flatMap((personId) =>
    office
      .devicesOf(personId)
      .filter(({ kind }) => kind === 'desk' || kind === 'app')
      .flatMap(({ id }): TraceLeg[] => {
        const device = ringable(office, id, called, world, 0, steps);
        if (!device) return [];
        const seconds = { fromSeconds: 0, toSeconds: teamRingSeconds };
        return [{ deviceId: id, personId, stage: 0, ...seconds, acceptKey: false }];
      }),
  );
  const finishSeconds = legs.length > 0 ? teamRingSeconds : 0;
  return { ownerId, lineId, legs, finish: { kind: 'busy' }, finishSeconds, steps };
}

/** The same, but over after so many seconds. */
export function cutTrace(trace: RouteTrace, seconds: number): RouteTrace {
  if (trace.finishSeconds <= seconds) return trace;
  const legs = trace.legs
    .filter(({ fromSeconds }) => fromSeconds < seconds)
    .map((leg) => ({ ...leg, toSeconds: Math.min(leg.toSeconds, seconds) }));
  return { ...trace, legs, finishSeconds: seconds };
}

function chooseRule(rules: readonly RingRule[], lineId: string | null, steps: TraceStep[]): RingRule | null {
  for (const rule of rules) {
    const isForAny = rule.lineIds.length === 0;
    if (isForAny || (lineId !== null && rule.lineIds.includes(lineId))) {
      steps.push({ kind: 'ruleTaken', rule: rule.name, reason: isForAny ? 'anyLine' : 'thisLine' });
      return rule;
    }
    steps.push({ kind: 'ruleSkipped', rule: rule.name, reason: 'otherLine' });
  }
  return null;
}

/** The device with its owner if it can ring now; else a step says why not. */
function ringable(
  office: OfficeIndex,
  deviceId: string,
  called: CalledParty,
  world: World,
  stage: number,
  steps: TraceStep[],
): { id: string; personId: string } | null {
  const device = office.devices.get(deviceId);
  const reason = device?.personId ? obstacleTo(deviceId, called, world) : 'unknown';
  if (reason === null && device?.personId) return { id: deviceId, personId: device.personId };
  steps.push({ kind: 'deviceSkipped', deviceId, stage, reason: reason ?? 'unknown' });
  return null;
}

function obstacleTo(
  deviceId: string,
  called: CalledParty,
  world: World,
): 'callingItself' | 'notSignedIn' | 'busy' | null {
  if (deviceId === called.callingDeviceId) return 'callingItself';
  if (!world.isSignedIn(deviceId)) return 'notSignedIn';
  return world.isBusy(deviceId) ? 'busy' : null;
}
