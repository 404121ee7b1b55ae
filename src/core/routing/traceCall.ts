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
 * no time. A person without a fitting rule has a mailbox.
 */
export function traceCall(office: OfficeIndex, called: CalledParty, world: World): RouteTrace {
  const steps: TraceStep[] = [];
  const rule = chooseRule(office.ringPlans.get(called.ownerId)?.rules ?? [], called.lineId, steps);
  if (!rule) {
    steps.push({ kind: 'noRule', personId: called.ownerId });
    const finish = { kind: 'mailbox', personId: called.ownerId } as const;
    return { ownerId: called.ownerId, lineId: called.lineId, legs: [], finish, finishSeconds: 0, steps };
  }

  const legs: TraceLeg[] = [];
  let stageStart = 0;
  rule.stages.forEach((stage, stageIndex) => {
    const ringing: TraceLeg[] = [];
    for (const target of stage.targets) {
      const device = office.devices.get(target.deviceId);
      const obstacle = device ? obstacleTo(device.id, called, world) : 'unknown';
      if (!device || obstacle) {
        steps.push({
          kind: 'deviceSkipped',
          deviceId: target.deviceId,
          stage: stageIndex,
          reason: obstacle ?? 'unknown',
        });
        continue;
      }
      if (target.startSeconds >= stage.lengthSeconds) continue;
      ringing.push({
        deviceId: device.id,
        personId: device.personId,
        stage: stageIndex,
        fromSeconds: stageStart + target.startSeconds,
        toSeconds: stageStart + stage.lengthSeconds,
      });
    }
    if (ringing.length === 0) return;
    legs.push(...ringing);
    stageStart += stage.lengthSeconds;
  });
  return {
    ownerId: called.ownerId,
    lineId: called.lineId,
    legs,
    finish: rule.finish,
    finishSeconds: stageStart,
    steps,
  };
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

function obstacleTo(
  deviceId: string,
  called: CalledParty,
  world: World,
): 'callingItself' | 'notSignedIn' | 'busy' | null {
  if (deviceId === called.callingDeviceId) return 'callingItself';
  if (!world.isSignedIn(deviceId)) return 'notSignedIn';
  return world.isBusy(deviceId) ? 'busy' : null;
}
