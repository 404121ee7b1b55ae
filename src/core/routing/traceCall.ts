import type { Finish, OfficeIndex, RingPlan, RingRule } from '../office';
import { isAmong, obstacleOf, type Caller, type CallFacts } from './conditions';
import type { RouteTrace, TraceLeg, TraceStep } from './trace';

/** What the routing has to know of the moment. */
export interface World {
  /** Epoch milliseconds. */
  at: number;
  isSignedIn(deviceId: string): boolean;
  /** Whether it can take no further call. */
  isBusy(deviceId: string): boolean;
  isOnCall(personId: string): boolean;
  triesWithin(number: string, minutes: number): number;
}

export interface CalledParty {
  ownerId: string;
  /** null where an extension was called. */
  lineId: string | null;
  /** The device that calls, which can't ring itself. */
  callingDeviceId?: string;
  caller: Caller | null;
}

/**
 * Who rings when for one call at one moment. A forward of everything that is on now comes first, then do not disturb,
 * then the first rule that fits. Stages follow each other; a stage in which nothing can ring takes no time. A person
 * without a fitting rule has a mailbox. Where all that could ring is busy, or not signed in, the call ends at once at
 * the rule's finish for that, if it has one.
 */
export function traceCall(office: OfficeIndex, called: CalledParty, world: World): RouteTrace {
  const { ownerId, lineId } = called;
  const plan = office.ringPlans.get(ownerId);
  const steps: TraceStep[] = [];
  const endAtOnce = (finish: Finish): RouteTrace => ({
    ownerId,
    lineId,
    legs: [],
    finish,
    finishSeconds: 0,
    steps,
  });

  const forward = plan?.forwards?.find(({ from, until }) => isOn(world.at, from, until));
  if (forward) {
    steps.push({ kind: 'forwardedAll', personId: ownerId, until: forward.until });
    return endAtOnce(forward.to);
  }
  const facts = factsOf(office, called, world);
  const isQuiet = plan?.doNotDisturb ? isDisturbed(plan.doNotDisturb, facts, office, ownerId, steps) : false;
  if (isQuiet && plan?.doNotDisturb?.mode === 'refuse') return endAtOnce({ kind: 'busy' });

  const rule = chooseRule(plan?.rules ?? [], facts, office, steps);
  if (!rule) {
    steps.push({ kind: 'noRule', personId: ownerId });
    return endAtOnce({ kind: 'mailbox', personId: ownerId });
  }
  if (isQuiet) return endAtOnce(rule.finish);
  return traceRule(office, called, world, rule, steps);
}

const isOn = (at: number, from: number | null, until: number | null) =>
  (from === null || from <= at) && (until === null || at < until);

function factsOf(office: OfficeIndex, { ownerId, lineId, caller }: CalledParty, world: World): CallFacts {
  const situation = office.people.get(ownerId)?.situation;
  const isCurrent = situation !== undefined && isOn(world.at, null, situation.until);
  return {
    lineId,
    caller,
    at: world.at,
    situationId: isCurrent ? situation.id : null,
    isOnCall: world.isOnCall(ownerId),
    triesWithin: world.triesWithin,
  };
}

/** Whether the call would disturb; says so in the steps, also where it is let through. */
function isDisturbed(
  { until, passes, passLineIds }: NonNullable<RingPlan['doNotDisturb']>,
  facts: CallFacts,
  office: OfficeIndex,
  personId: string,
  steps: TraceStep[],
): boolean {
  if (!isOn(facts.at, null, until)) return false;
  const isPassed =
    (facts.lineId !== null && passLineIds.includes(facts.lineId)) || isAmong(passes, facts, office);
  steps.push({ kind: 'doNotDisturb', personId, until, isPassed });
  return !isPassed;
}

function traceRule(
  office: OfficeIndex,
  called: CalledParty,
  world: World,
  rule: RingRule,
  steps: TraceStep[],
): RouteTrace {
  const { ownerId, lineId } = called;
  const legs: TraceLeg[] = [];
  const skipped: SkippedDevice[] = [];
  let stageStart = 0;
  rule.stages.forEach((stage, stageIndex) => {
    const ringing: TraceLeg[] = [];
    for (const target of stage.targets) {
      const device = ringable(office, target.deviceId, called, world, stageIndex, skipped);
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
  steps.push(...skipped);
  const isAllBusy = legs.length === 0 && skipped.some(({ reason }) => reason === 'busy');
  const isUnreachable = legs.length === 0 && !isAllBusy && skipped.length > 0;
  if (isAllBusy) steps.push({ kind: 'allBusy', personId: ownerId });
  if (isUnreachable) steps.push({ kind: 'unreachable', personId: ownerId });
  const special = isAllBusy ? rule.busyFinish : isUnreachable ? rule.unreachableFinish : undefined;
  const { refusedFinish } = rule;
  return {
    ownerId,
    lineId,
    legs,
    finish: special ?? rule.finish,
    ...(refusedFinish && { refusedFinish }),
    finishSeconds: stageStart,
    steps,
  };
}

type SkippedDevice = Extract<TraceStep, { kind: 'deviceSkipped' }>;

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

function chooseRule(
  rules: readonly RingRule[],
  facts: CallFacts,
  office: OfficeIndex,
  steps: TraceStep[],
): RingRule | null {
  for (const rule of rules) {
    const obstacle = obstacleOf(rule, facts, office);
    if (obstacle === null) {
      const byLine = rule.lineIds.length > 0 ? 'thisLine' : 'anyLine';
      steps.push({ kind: 'ruleTaken', rule: rule.name, reason: rule.when ? 'itsConditions' : byLine });
      return rule;
    }
    steps.push({ kind: 'ruleSkipped', rule: rule.name, reason: obstacle });
  }
  return null;
}

/** The device with its owner if it can ring now; else it is put among those that were passed over. */
function ringable(
  office: OfficeIndex,
  deviceId: string,
  called: CalledParty,
  world: World,
  stage: number,
  skipped: TraceStep[],
): { id: string; personId: string } | null {
  const device = office.devices.get(deviceId);
  const reason = device?.personId ? obstacleTo(deviceId, called, world) : 'unknown';
  if (reason === null && device?.personId) return { id: deviceId, personId: device.personId };
  skipped.push({ kind: 'deviceSkipped', deviceId, stage, reason: reason ?? 'unknown' });
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
