import { clearCall, leaveCall } from './clearing';
import { refuse, type Outcome } from './commands';
import { skipSilence } from './ringing';
import type { Switchboard } from './Switchboard';

/** A device that signs out stops ringing; what it talks on goes on until cleared, since its signal may return. */
export function setSignedIn(board: Switchboard, deviceId: string, signedIn: boolean): Outcome {
  if (!board.office.devices.has(deviceId)) return refuse({ code: 'unknownDevice' });
  if (board.signedIn.has(deviceId) === signedIn) return { ok: true };
  if (signedIn) board.signedIn.add(deviceId);
  else board.signedIn.delete(deviceId);
  board.touch(deviceId);
  board.emit({ type: signedIn ? 'signedIn' : 'signedOut', at: board.now, deviceId });
  if (signedIn) return { ok: true };
  for (const leg of [...(board.deviceLegs.get(deviceId) ?? [])]) {
    if (leg.state !== 'alerting') continue;
    const call = board.callOf(leg);
    if (leg.role === 'caller') clearCall(board, call, 'temporaryFailure', leg);
    else {
      board.clearLeg(leg, 'temporaryFailure');
      skipSilence(board, call);
    }
  }
  return { ok: true };
}

/** The device is gone without a word: it leaves what it talked on or was calling. What rings there rings on by its plan. */
export function expireSessions(board: Switchboard, deviceId: string): Outcome {
  if (!board.office.devices.has(deviceId)) return refuse({ code: 'unknownDevice' });
  for (const leg of [...(board.deviceLegs.get(deviceId) ?? [])])
    if (leg.state === 'connected' || leg.state === 'held') leaveCall(board, leg, 'recoveryOnTimerExpiry');
  return { ok: true };
}

/** Whether a second call may ring at the device while it is on one. */
export function setCallWaiting(board: Switchboard, deviceId: string, on: boolean): Outcome {
  if (!board.office.devices.has(deviceId)) return refuse({ code: 'unknownDevice' });
  if (board.withoutWaiting.has(deviceId) !== on) return { ok: true };
  if (on) board.withoutWaiting.delete(deviceId);
  else board.withoutWaiting.add(deviceId);
  board.emit({ type: 'callWaitingSet', at: board.now, deviceId, on });
  return { ok: true };
}
