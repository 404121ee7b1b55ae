import { cutTrace, traceCall, traceTeam, type CalledParty, type RouteTrace, type World } from '../routing';
import type { Call, Leg, ReasonToBring } from './call';
import type { Cause } from './causes';
import type { Switchboard } from './Switchboard';

const skipped = 'skipped';

export interface Bringing {
  broughtFor: ReasonToBring;
  broughtById: string | null;
  /** Nobody rings longer than that, whatever their plan says. */
  withinSeconds?: number;
}

/** Asks the routing who rings when, and begins to carry it out. */
export function startRinging(board: Switchboard, call: Call, called: CalledParty, by: Bringing): void {
  const world: World = {
    at: board.now,
    isSignedIn: (deviceId) => board.signedIn.has(deviceId),
    isBusy: (deviceId) => board.isBusy(deviceId),
    isOnCall: (personId) => board.isOnCall(personId),
    triesWithin: (number, minutes) => board.triesWithin(number, minutes),
  };
  const trace = board.office.teams.has(called.ownerId)
    ? traceTeam(board.office, called, world)
    : traceCall(board.office, called, world);
  carryOut(board, call, trace, by);
}

/** Rings as the trace says from now on; what rang before is kept for the record. */
export function carryOut(
  board: Switchboard,
  call: Call,
  whole: RouteTrace,
  { broughtFor, broughtById, withinSeconds }: Bringing,
): void {
  const trace = withinSeconds === undefined ? whole : cutTrace(whole, withinSeconds);
  if (call.ringing) call.earlierTraces.push(call.ringing.trace);
  const progress = trace.legs.map(() => null);
  call.ringing = { trace, startedAt: board.now, broughtFor, broughtById, progress, wasRefused: false };
  board.emit({ type: 'routed', at: board.now, callId: call.id, trace });
  continueRinging(board, call);
}

/** Whether a plan is being carried out at the moment: one can be at a time. */
export function isPlanRinging(call: Call): boolean {
  return call.ringing !== null && (call.ringing.progress.includes(null) || isRinging(call));
}

/**
 * Starts and stops the devices whose second has come. When nobody is left, or the finish's second has come, the call
 * is handed on as unanswered (finishing.ts).
 */
export function continueRinging(board: Switchboard, call: Call): void {
  const { ringing } = call;
  if (!ringing) return;
  const elapsed = (board.now - ringing.startedAt) / 1000;

  ringing.trace.legs.forEach((traceLeg, index) => {
    const progress = ringing.progress[index];
    if (progress === null && traceLeg.fromSeconds <= elapsed) {
      ringing.progress[index] = alertDevice(board, call, index);
    } else if (progress && progress !== skipped && traceLeg.toSeconds <= elapsed) {
      const leg = board.legs.get(progress);
      if (leg?.state === 'alerting' && leg.accept !== 'waiting') board.clearLeg(leg, 'noAnswer');
    }
  });

  const nobodyLeft = !isRinging(call) && !ringing.progress.includes(null);
  const isOver = elapsed >= ringing.trace.finishSeconds && !isAccepting(call);
  if (!nobodyLeft && !isOver) {
    scheduleNext(board, call);
    return;
  }
  stopRinging(board, call, 'noAnswer');
  board.unanswered.push(call);
}

/**
 * One person has refused, or their device has gone: nobody of theirs rings for this call any more, and the others
 * need not wait for seconds in which nobody would ring.
 */
export function stopRingingPerson(board: Switchboard, call: Call, personId: string, cause: Cause): void {
  const { ringing } = call;
  if (!ringing) return;
  ringing.trace.legs.forEach((traceLeg, index) => {
    if (traceLeg.personId === personId && ringing.progress[index] === null) ringing.progress[index] = skipped;
  });
  if (cause === 'callRejected') ringing.wasRefused = true;
  for (const leg of planLegs(call)) {
    if (leg.state === 'alerting' && leg.personId === personId) board.clearLeg(leg, cause);
  }
  skipSilence(board, call);
}

/** Brings forward the next devices when nobody rings at the moment. */
export function skipSilence(board: Switchboard, call: Call): void {
  const { ringing } = call;
  if (!ringing || isRinging(call)) return;
  const toCome = ringing.trace.legs.filter((_, index) => ringing.progress[index] === null);
  if (toCome.length > 0) {
    const nextSeconds = Math.min(...toCome.map((leg) => leg.fromSeconds));
    ringing.startedAt = Math.min(ringing.startedAt, board.now - nextSeconds * 1000);
  }
  continueRinging(board, call);
}

/** Somebody answered: all others of the plan stop, and it has done its work. */
export function stopRinging(board: Switchboard, call: Call, cause: Cause): void {
  board.stopTimers(call, (timer) => timer.what.kind === 'route');
  if (call.ringing) call.ringing.progress = call.ringing.progress.map((leg) => leg ?? skipped);
  for (const leg of planLegs(call)) if (leg.state === 'alerting') board.clearLeg(leg, cause);
}

/** Whether the leg rings because the plan being carried out says so. */
export function isOfPlan(call: Call, leg: Leg): boolean {
  return call.ringing?.progress.includes(leg.id) ?? false;
}

function planLegs(call: Call): Leg[] {
  return call.legs.filter((leg) => isOfPlan(call, leg));
}

function alertDevice(board: Switchboard, call: Call, index: number): string {
  const { ringing } = call;
  const traceLeg = ringing?.trace.legs[index];
  if (!ringing || !traceLeg) return skipped;
  const { deviceId, acceptKey } = traceLeg;
  const isThere = call.legs.some(
    ({ endpoint, state }) =>
      state !== 'cleared' && endpoint.kind === 'device' && endpoint.deviceId === deviceId,
  );
  if (isThere || !board.signedIn.has(deviceId) || board.isBusy(deviceId)) return skipped;
  const { broughtFor, broughtById } = ringing;
  const leg = board.addLeg(call, {
    endpoint: { kind: 'device', deviceId },
    role: 'called',
    state: 'alerting',
    broughtFor,
    broughtById,
  });
  if (acceptKey) leg.accept = 'asked';
  board.emitLeg('delivered', leg);
  return leg.id;
}

function scheduleNext(board: Switchboard, call: Call): void {
  const { ringing } = call;
  if (!ringing) return;
  const elapsed = (board.now - ringing.startedAt) / 1000;
  const moments = ringing.trace.legs.flatMap((leg) => [leg.fromSeconds, leg.toSeconds]);
  const later = [...moments, ringing.trace.finishSeconds].filter((second) => second > elapsed);
  board.stopTimers(call, (timer) => timer.what.kind === 'route');
  // Past its finish the plan waits only for an accept key, whose own timer ends that.
  if (later.length === 0) return;
  board.startTimer(call, ringing.startedAt + Math.min(...later) * 1000, { kind: 'route' });
}

const isRinging = (call: Call) => planLegs(call).some((leg) => leg.state === 'alerting');
const isAccepting = (call: Call) => planLegs(call).some((leg) => leg.accept === 'waiting');

/** A trace for ringing given devices one after the other, without a plan. */
export function traceInTurn(
  board: Switchboard,
  deviceIds: readonly string[],
  eachMs: number,
  ownerId: string,
  step: RouteTrace['steps'][number],
  acceptKey: boolean,
): RouteTrace {
  const free = deviceIds.filter((deviceId) => board.signedIn.has(deviceId) && !board.isBusy(deviceId));
  const seconds = eachMs / 1000;
  return {
    ownerId,
    lineId: null,
    legs: free.map((deviceId, index) => ({
      deviceId,
      personId: board.office.ownerOf(deviceId)?.id ?? ownerId,
      stage: index,
      fromSeconds: index * seconds,
      toSeconds: (index + 1) * seconds,
      acceptKey,
    })),
    finish: { kind: 'mailbox', personId: ownerId },
    finishSeconds: free.length * seconds,
    steps: [step],
  };
}
