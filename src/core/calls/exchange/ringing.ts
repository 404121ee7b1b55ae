import { cutTrace, traceAny, type CalledParty, type RouteTrace, type World } from '@/core/plans/routing';
import { whyNotCalled } from '@/core/setup';
import { agentOf } from './agents';
import { callerOf, isOfPlan, isWaitingInSilence, type Call, type Leg, type ReasonToBring } from './call';
import type { Cause } from './causes';
import { limits } from './limits';
import type { Switchboard } from './Switchboard';

const skipped = 'skipped';

export interface Bringing {
  broughtFor: ReasonToBring;
  broughtById: string | null;
  /** Nobody rings longer than that, whatever their plan says. */
  withinSeconds?: number;
}

/** Asks the routing who rings when, as things are now. */
export function traceNow(board: Switchboard, called: CalledParty): RouteTrace {
  const world: World = {
    at: board.now,
    isSignedIn: (deviceId) => board.signedIn.has(deviceId),
    isBusy: (deviceId) => board.isBusy(deviceId),
    isOnCall: (personId) => board.isOnCall(personId),
    triesWithin: (number, minutes) => board.triesWithin(number, minutes),
    waitingAt: (teamId) => board.queues.get(teamId)?.length ?? 0,
    isSignedInTo: (teamId, personId) => agentOf(board, teamId, personId).state !== 'loggedOff',
  };
  return traceAny(board.office, called, world);
}

/** Rings as the trace says from now on; what rang before is kept for the record. */
export function carryOut(
  board: Switchboard,
  call: Call,
  whole: RouteTrace,
  { broughtFor, broughtById, withinSeconds }: Bringing,
): void {
  const trace = withinSeconds === undefined ? whole : cutTrace(whole, withinSeconds);
  const asksName = broughtFor === 'call' && trace.legs.some(({ saysName }) => saysName);
  setTrace(board, call, trace, { broughtFor, broughtById }, asksName);
  if (asksName) {
    board.emitLeg('nameAsked', callerOf(call));
    board.startTimer(call, board.now + limits.nameMs, { kind: 'callerNamed' });
  }
  continueRinging(board, call);
}

/** The call goes by this trace from now on; the one before is kept for the records. */
export function setTrace(
  board: Switchboard,
  call: Call,
  trace: RouteTrace,
  { broughtFor, broughtById }: Bringing,
  asksName = false,
): void {
  if (call.ringing) call.earlierTraces.push(call.ringing.trace);
  if (broughtFor === 'call') comeTo(call, trace, board.now);
  const progress = trace.legs.map(() => null);
  const startedAt = board.now;
  call.ringing = { trace, startedAt, broughtFor, broughtById, progress, wasRefused: false, asksName };
  board.emit({ type: 'routed', at: board.now, callId: call.id, trace });
}

/** Notes whose plan, which team or menu it came to; a number that a plan rings by a key is still that plan. */
function comeTo({ course }: Call, { ownerId, lineId, steps }: RouteTrace, at: number): void {
  if (course.at(-1)?.ownerId === ownerId) return;
  const isClosed = steps.some(({ kind }) => kind === 'teamClosed');
  course.push({ ownerId, lineId, at, ...(isClosed && { isClosed }) });
}

/** Whether a plan is being carried out at the moment: one can be at a time. */
export function isPlanRinging(call: Call): boolean {
  return (
    call.ringing !== null &&
    (call.ringing.progress.includes(null) || isRinging(call) || isWaitingInSilence(call))
  );
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
      ringing.progress[index] = ring(board, call, index);
    } else if (progress && progress !== skipped && traceLeg.toSeconds <= elapsed) {
      const leg = board.legs.get(progress);
      if (leg && isRung(leg) && leg.accept !== 'waiting') board.clearLeg(leg, 'noAnswer');
    }
  });

  const nobodyLeft = !isRinging(call) && !ringing.progress.includes(null) && !ringing.trace.isSilent;
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
  // That somebody who answers for them does not take it is no word of theirs.
  const isOfOwner = ringing.trace.legs.some((leg) => leg.personId === personId && !leg.answersFor);
  if (cause === 'callRejected' && isOfOwner) ringing.wasRefused = true;
  for (const leg of planLegs(call)) {
    if (isRung(leg) && leg.personId === personId) board.clearLeg(leg, cause);
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
    ringing.startedAt = Math.min(ringing.startedAt, Math.round(board.now - nextSeconds * 1000));
  }
  continueRinging(board, call);
}

/** Somebody answered: all others of the plan stop, and it has done its work. */
export function stopRinging(board: Switchboard, call: Call, cause: Cause): void {
  board.stopTimers(call, (timer) => timer.what.kind === 'route');
  if (call.ringing) call.ringing.progress = call.ringing.progress.map((leg) => leg ?? skipped);
  for (const leg of planLegs(call)) if (isRung(leg)) board.clearLeg(leg, cause);
}

function planLegs(call: Call): Leg[] {
  return call.legs.filter((leg) => isOfPlan(call, leg));
}

function ring(board: Switchboard, call: Call, index: number): string {
  const { ringing } = call;
  const traceLeg = ringing?.trace.legs[index];
  if (!ringing || !traceLeg) return skipped;
  const { deviceId, number, acceptKey } = traceLeg;
  if (deviceId === null) return number === null ? skipped : callNumber(board, call, number, acceptKey);
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

/** A number outside that the plan rings; whose plan it is pays for it. */
function callNumber(board: Switchboard, call: Call, number: string, acceptKey: boolean): string {
  const { ringing } = call;
  if (!ringing) return skipped;
  const leg = board.addLeg(call, {
    endpoint: { kind: 'outside', number, name: null },
    role: 'called',
    state: 'initiated',
    broughtFor: ringing.broughtFor,
    broughtById: ringing.broughtById ?? ringing.trace.ownerId,
  });
  if (acceptKey) leg.accept = 'asked';
  board.emit({ type: 'networkReached', at: board.now, callId: call.id, legId: leg.id, number });
  board.startTimer(call, board.now + limits.setupMs, { kind: 'setup', legId: leg.id });
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
  // To the millisecond: a moment that is a hair too early would be met again and again.
  board.startTimer(call, Math.round(ringing.startedAt + Math.min(...later) * 1000), { kind: 'route' });
}

/** Ringing, or still being reached by the network. */
const isRung = ({ state }: Leg) => state === 'alerting' || state === 'initiated';
export const isRinging = (call: Call) => planLegs(call).some(isRung);
const isAccepting = (call: Call) => planLegs(call).some((leg) => leg.accept === 'waiting');

/** A trace for ringing given devices and numbers one after the other, without a plan. */
export function traceInTurn(
  board: Switchboard,
  tries: readonly ({ deviceId: string } | { number: string })[],
  eachMs: number,
  ownerId: string,
  step: RouteTrace['steps'][number],
  acceptKey: boolean,
): RouteTrace {
  const calling = { personId: ownerId, at: board.now };
  const free = tries.filter((each) =>
    'number' in each
      ? whyNotCalled(board.office.setup, each.number, calling) === null
      : board.signedIn.has(each.deviceId) && !board.isBusy(each.deviceId),
  );
  const seconds = eachMs / 1000;
  return {
    ownerId,
    lineId: null,
    legs: free.map((each, index) => ({
      deviceId: 'deviceId' in each ? each.deviceId : null,
      number: 'number' in each ? each.number : null,
      personId: 'deviceId' in each ? (board.office.ownerOf(each.deviceId)?.id ?? ownerId) : null,
      stage: index,
      fromSeconds: index * seconds,
      toSeconds: (index + 1) * seconds,
      acceptKey,
      saysName: acceptKey,
    })),
    finish: { kind: 'mailbox', personId: ownerId },
    finishSeconds: free.length * seconds,
    steps: [step],
  };
}
