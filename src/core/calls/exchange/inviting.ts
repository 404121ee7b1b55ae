import type { Call, Leg } from './call';
import { refuse, type CommandOf, type Outcome } from './commands';
import { mayGrow, mayChange } from './conferencing';
import { bringIn, mayTakeInto } from './parking';
import { endRecordings, startByPolicy } from './recording';
import type { Switchboard } from './Switchboard';
import { setAsideActiveCall } from './talking';

const firstCode = 10;
const codes = 90;

/**
 * Makes a two-digit code by which a colleague can come into the call (RFC 5359 §2.11) or take it over (§2.6); the
 * message that carries it goes its own way. A new invitation replaces the one before.
 */
export function inviteToCall(
  board: Switchboard,
  leg: Leg,
  { purpose, toPersonId }: CommandOf<'invite'>,
): Outcome<{ code: string }> {
  const call = board.callOf(leg);
  const may = mayChange(call, leg);
  if (!may.ok) return may;
  if (toPersonId !== null && !board.office.people.has(toPersonId)) return refuse({ code: 'unknownPerson' });
  if (toPersonId !== null && toPersonId === leg.personId) return refuse({ code: 'targetIsSelf' });
  board.endInvitation(call);
  const code = freeCode(board);
  call.invitation = { code, purpose, legId: leg.id, toPersonId };
  board.byCode.set(code, call);
  board.emit({ type: 'invited', at: board.now, callId: call.id, code, toPersonId });
  return { ok: true, code };
}

function freeCode(board: Switchboard): string {
  let code = firstCode + (board.nextId++ % codes);
  while (board.byCode.has(String(code))) code = firstCode + ((code - firstCode + 1) % codes);
  return String(code);
}

/** Comes into the call of a code. Who takes over stays when the one who asked goes. Returns the new leg. */
export function joinCall(
  board: Switchboard,
  { deviceId, code, activeCall }: Pick<CommandOf<'join'>, 'deviceId' | 'code' | 'activeCall'>,
): Outcome<{ leg: Leg }> {
  const call = board.byCode.get(code);
  if (!call?.invitation) return refuse({ code: 'unknownCode' });
  const { purpose, toPersonId, legId } = call.invitation;
  const ready = mayTakeInto(board, call, deviceId, activeCall);
  if (!ready.ok) return ready;
  if (toPersonId !== null && toPersonId !== ready.personId) return refuse({ code: 'notForYou' });
  if (isRungAt(call, deviceId)) return refuse({ code: 'sameCall' });
  const inviter = board.legs.get(legId);
  const room = purpose === 'takeOver' ? { ok: true as const } : mayGrow(call, 1);
  if (!room.ok) return room;

  setAsideActiveCall(board, deviceId, activeCall);
  const leg = bringIn(board, call.id, deviceId, 'join');
  board.emitLeg('joined', leg);
  board.note(call, purpose === 'takeOver' ? 'tookOver' : 'joined', leg.personId);
  if (purpose === 'takeOver' && inviter) {
    board.endInvitation(call);
    endRecordings(board, call, inviter);
    board.clearLeg(inviter, 'transferred');
  }
  startByPolicy(board, call);
  return { ok: true, leg };
}

const isRungAt = (call: Call, deviceId: string) =>
  call.legs.some(
    ({ endpoint, state }) =>
      endpoint.kind === 'device' && endpoint.deviceId === deviceId && state === 'alerting',
  );
