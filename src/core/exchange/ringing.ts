import type { Finish } from '../office';
import { traceCall, type CalledParty } from '../routing';
import type { Call, Leg } from './call';
import type { Cause } from './causes';
import { failCall } from './clearing';
import { limits } from './limits';
import type { Switchboard } from './Switchboard';

const skipped = 'skipped';

/** Asks the routing who rings when, and begins to carry it out. */
export function startRinging(board: Switchboard, call: Call, called: CalledParty): void {
  const trace = traceCall(board.office, called, {
    isSignedIn: (deviceId) => board.signedIn.has(deviceId),
    isBusy: (deviceId) => board.isBusy(deviceId),
  });
  call.ringing = { trace, startedAt: board.now, progress: trace.legs.map(() => null) };
  board.emit({ type: 'routed', at: board.now, callId: call.id, trace });
  continueRinging(board, call);
}

/** Starts and stops the devices whose second has come, and goes to the finish when its second has. */
export function continueRinging(board: Switchboard, call: Call): void {
  const { ringing } = call;
  if (!ringing) return;
  const elapsed = (board.now - ringing.startedAt) / 1000;

  ringing.trace.legs.forEach((traceLeg, index) => {
    const progress = ringing.progress[index];
    if (progress === null && traceLeg.fromSeconds <= elapsed) {
      ringing.progress[index] = alertDevice(board, call, traceLeg.deviceId);
    } else if (progress && progress !== skipped && traceLeg.toSeconds <= elapsed) {
      const leg = board.legs.get(progress);
      if (leg?.state === 'alerting') board.clearLeg(leg, 'noAnswer');
    }
  });

  const nobodyLeft = !isRinging(call) && !ringing.progress.includes(null);
  if (nobodyLeft || elapsed >= ringing.trace.finishSeconds) goToFinish(board, call, ringing.trace.finish);
  else scheduleNext(board, call);
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
  for (const leg of call.legs) {
    if (leg.state === 'alerting' && ownerId(board, leg) === personId) board.clearLeg(leg, cause);
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

/** Somebody answered: all others stop, and the plan has done its work. */
export function stopRinging(board: Switchboard, call: Call, cause: Cause): void {
  board.stopTimers(call, (timer) => timer.what.kind === 'route');
  if (call.ringing) call.ringing.progress = call.ringing.progress.map((leg) => leg ?? skipped);
  for (const leg of call.legs) if (leg.state === 'alerting') board.clearLeg(leg, cause);
}

function alertDevice(board: Switchboard, call: Call, deviceId: string): string {
  if (!board.signedIn.has(deviceId) || board.isBusy(deviceId)) return skipped;
  const leg = board.addLeg(call, { kind: 'device', deviceId }, 'called', 'alerting');
  board.emitLeg('delivered', leg);
  return leg.id;
}

function goToFinish(board: Switchboard, call: Call, finish: Finish): void {
  stopRinging(board, call, 'noAnswer');
  call.finish = finish;
  switch (finish.kind) {
    case 'busy':
      failCall(board, call, 'userBusy');
      return;
    case 'mailbox': {
      const leg = board.addLeg(call, { kind: 'mailbox', personId: finish.personId }, 'called', 'connected');
      leg.answeredAt = board.now;
      leg.mailboxPhase = 'greeting';
      board.emitLeg('established', leg);
      board.startTimer(call, board.now + limits.greetingMs, { kind: 'greetingEnd', legId: leg.id });
      return;
    }
  }
}

function scheduleNext(board: Switchboard, call: Call): void {
  const { ringing } = call;
  if (!ringing) return;
  const elapsed = (board.now - ringing.startedAt) / 1000;
  const moments = ringing.trace.legs.flatMap((leg) => [leg.fromSeconds, leg.toSeconds]);
  const next = Math.min(...moments.filter((second) => second > elapsed), ringing.trace.finishSeconds);
  board.stopTimers(call, (timer) => timer.what.kind === 'route');
  board.startTimer(call, ringing.startedAt + next * 1000, { kind: 'route' });
}

const isRinging = (call: Call) => call.legs.some((leg) => leg.role === 'called' && leg.state === 'alerting');

function ownerId(board: Switchboard, leg: Leg): string | null {
  return leg.endpoint.kind === 'device' ? (board.office.ownerOf(leg.endpoint.deviceId)?.id ?? null) : null;
}
