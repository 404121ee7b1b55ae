import { secondsOf, whyNotCalled, type OfficeIndex, type RingStage, type RingTarget } from '@/core/setup';
import { isOutOfTeams, situationAt } from './situations';
import type { TraceLeg, TraceStep } from './trace';

/** What the routing has to know of the moment. */
export interface World {
  /** Epoch milliseconds. */
  at: number;
  isSignedIn(deviceId: string): boolean;
  /** Whether it can take no further call. */
  isBusy(deviceId: string): boolean;
  isOnCall(personId: string): boolean;
  triesWithin(number: string, minutes: number): number;
  /** How many wait in a team's queue; left out: nobody. */
  waitingAt?(teamId: string): number;
  /** Whether a member has not signed out of a team's queue; left out: nobody has. */
  isSignedInTo?(teamId: string, personId: string): boolean;
  /** The situation of whose call it is; left out: as it is by the office. */
  calledSituation?: string | null;
}

/** A moment in which everything is signed in and free, and nobody has called before. */
export const allFree = (at: number): World => ({
  at,
  isSignedIn: () => true,
  isBusy: () => false,
  isOnCall: () => false,
  triesWithin: () => 0,
});

/** One thing that can be rung: a device with its owner, or a number outside. */
export type Ringable = Pick<TraceLeg, 'deviceId' | 'number' | 'personId'>;
type SkipReason = Extract<TraceStep, { kind: 'deviceSkipped' }>['reason'];

export interface TracedStages {
  legs: TraceLeg[];
  /** What was passed over, and what rang shorter than it was meant to. */
  skipped: TraceStep[];
  finishSeconds: number;
}

/**
 * Stages one after the other. A stage ends when nothing of it rings any more, at the latest after its length; one in
 * which nothing can ring takes no time. A device that two targets of a stage name rings once, from the earlier second.
 */
export function traceStages(
  office: OfficeIndex,
  { callingDeviceId, ownerId }: { callingDeviceId?: string; ownerId?: string },
  world: World,
  stages: readonly RingStage[],
): TracedStages {
  const traced: TracedStages = { legs: [], skipped: [], finishSeconds: 0 };
  for (let stage = 0; stage < stages.length; stage++) {
    const { targets = [], length = { seconds: 0 } } = stages[stage] ?? {};
    const stageSeconds = secondsOf(length);
    const seen: string[] = [];
    let rungSeconds = 0;
    for (const target of inOrder(targets))
      for (const ringable of resolveTarget(target, office)) {
        const key = ringable.deviceId ?? ringable.number ?? '';
        if (seen.includes(key)) continue;
        seen.push(key);
        const until = ringsUntil(ringable, target, stage, stageSeconds, traced);
        if (until === null) continue;
        const reason =
          obstacleTo(ringable, { callingDeviceId, ownerId }, world, office) ??
          ('teamId' in target && isAwayFromTeams(ringable, ownerId, world, office) ? 'outOfTeam' : null);
        if (reason !== null) {
          const { deviceId, number } = ringable;
          traced.skipped.push({ kind: 'deviceSkipped', deviceId, number, stage, reason });
          continue;
        }
        rungSeconds = Math.max(rungSeconds, until);
        traced.legs.push({
          deviceId: ringable.deviceId,
          number: ringable.number,
          personId: ringable.personId,
          stage,
          fromSeconds: traced.finishSeconds + target.startSeconds,
          toSeconds: traced.finishSeconds + until,
          acceptKey: (target.acceptKey ?? false) || (target.saysName ?? false),
          saysName: target.saysName ?? false,
        });
      }
    traced.finishSeconds += rungSeconds;
  }
  return traced;
}

function isAwayFromTeams(
  { personId }: Ringable,
  ownerId: string | undefined,
  { at, calledSituation }: World,
  office: OfficeIndex,
): boolean {
  if (personId === null) return false;
  const isGiven = personId === ownerId && calledSituation !== undefined;
  return isOutOfTeams(office, personId, isGiven ? calledSituation : situationAt(office, personId, at));
}

function inOrder(targets: readonly RingTarget[]): readonly RingTarget[] {
  const isInOrder = targets.every(
    ({ startSeconds }, index) => index === 0 || startSeconds >= (targets[index - 1]?.startSeconds ?? 0),
  );
  return isInOrder ? targets : [...targets].sort((a, b) => a.startSeconds - b.startSeconds);
}

/** The second of its stage at which a target stops; null where the stage is over before it begins. Notes what is cut. */
function ringsUntil(
  { deviceId, number }: Ringable,
  { startSeconds, length }: RingTarget,
  stage: number,
  stageSeconds: number,
  { skipped }: TracedStages,
): number | null {
  const wantedSeconds = length ? secondsOf(length) : null;
  const until = Math.min(startSeconds + (wantedSeconds ?? Infinity), stageSeconds);
  const rungSeconds = Math.max(0, until - startSeconds);
  if (wantedSeconds !== null && rungSeconds < wantedSeconds)
    skipped.push({ kind: 'cutShort', deviceId, number, stage, wantedSeconds, rungSeconds });
  return rungSeconds === 0 ? null : until;
}

/** The devices and numbers that a target stands for. One that the office doesn't know stands for itself, and is passed over. */
export function resolveTarget(target: RingTarget, office: OfficeIndex): Ringable[] {
  if ('number' in target) return [{ deviceId: null, number: target.number, personId: null }];
  if ('deviceId' in target) {
    const personId = office.devices.get(target.deviceId)?.personId ?? null;
    return office.reachedAt(target.deviceId).map((deviceId) => ({ deviceId, number: null, personId }));
  }
  const people =
    'personId' in target ? [target.personId] : (office.teams.get(target.teamId)?.memberIds ?? []);
  return people.flatMap((personId) =>
    office
      .devicesOf(personId)
      .filter(({ kind }) => kind === 'desk' || kind === 'app')
      .map(({ id }) => ({ deviceId: id, number: null, personId })),
  );
}

function obstacleTo(
  { deviceId, number, personId }: Ringable,
  {
    callingDeviceId,
    ownerId = null,
  }: { callingDeviceId?: string | undefined; ownerId?: string | null | undefined },
  world: World,
  office: OfficeIndex,
): SkipReason | null {
  if (number !== null) {
    const calling = { personId: ownerId, at: world.at };
    return whyNotCalled(office.setup, number, calling) === null ? null : 'barred';
  }
  if (deviceId === null || personId === null) return 'unknown';
  if (deviceId === callingDeviceId) return 'callingItself';
  if (!world.isSignedIn(deviceId)) return 'notSignedIn';
  return world.isBusy(deviceId) ? 'busy' : null;
}
