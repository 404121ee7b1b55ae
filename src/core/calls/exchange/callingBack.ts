import { callerOf, type Call, type Leg } from './call';
import { refuse, type Outcome } from './commands';
import { limits } from './limits';
import { newCall } from './newCall';
import type { Switchboard } from './Switchboard';

/**
 * Busy: call again by itself once they are free (RFC 5359 §2.17; 3GPP TS 24.642, completion of calls to a busy
 * subscriber). A call waits for it, queued at the asker's device. Returns that leg.
 */
export function callBackWhenFree(board: Switchboard, leg: Leg): Outcome<{ leg: Leg }> {
  const call = board.callOf(leg);
  if (leg.endpoint.kind !== 'device' || leg.role !== 'caller') return refuse({ code: 'onlyDevice' });
  if (call.failure !== 'userBusy') return refuse({ code: 'notBusy' });
  const busyId = board.office.peopleByExtension.get(call.dialled)?.id ?? call.dialled;
  for (const other of board.waiting) {
    const asker = callerOf(other);
    if (other.waitsFor === busyId && asker.personId === leg.personId) return { ok: true, leg: asker };
  }
  const waiting = newCall(board, {
    kind: call.kind,
    dialled: call.dialled,
    lineId: call.lineId,
    withheld: call.withheld,
    calledAfterwards: call.dialled,
    waitsFor: busyId,
  });
  const queued = board.addLeg(waiting, {
    endpoint: leg.endpoint,
    role: 'caller',
    state: 'queued',
    broughtFor: 'call',
    broughtById: leg.personId,
  });
  board.waiting.add(waiting);
  board.emitLeg('queued', queued);
  board.startTimer(waiting, board.now + limits.callBackMs, { kind: 'callBackLimit', legId: queued.id });
  return { ok: true, leg: queued };
}

/** Rings back whoever waits for somebody of the office who is free now, once they are free themselves. */
export function serveCallBacks(board: Switchboard): void {
  for (const call of board.waiting) {
    const person = board.office.people.get(call.waitsFor ?? '');
    if (person && isFree(board, person.id)) recall(board, call);
  }
}

/** The network says that a number is free. */
export function reportFree(board: Switchboard, number: string): void {
  for (const call of board.waiting) if (call.waitsFor === number) recall(board, call);
}

function recall(board: Switchboard, call: Call): void {
  const asker = callerOf(call);
  if (asker.endpoint.kind !== 'device') return;
  const { deviceId } = asker.endpoint;
  if (!board.signedIn.has(deviceId) || board.callsAt(deviceId) > 0) return;
  call.waitsFor = null;
  call.startedAt = board.now;
  board.waiting.delete(call);
  board.stopTimers(call, ({ what }) => what.kind === 'callBackLimit');
  board.setState(asker, 'alerting');
  board.emitLeg('delivered', asker);
  board.startTimer(call, board.now + limits.recallMs, { kind: 'ownPhone', legId: asker.id });
}

function isFree(board: Switchboard, personId: string): boolean {
  const here = board.office.devicesOf(personId).filter(({ id }) => board.signedIn.has(id));
  return here.length > 0 && here.every(({ id }) => board.callsAt(id) === 0);
}
