import { isLive, isMachine, isPending, type Leg } from './call';
import { refuse, type CommandOf, type Outcome } from './commands';
import { endPrivateWord } from './conferencing';
import { leaveQueue } from './leavingQueue';
import { limits } from './limits';
import { bringIn, mayTakeInto } from './parking';
import { startByPolicy } from './recording';
import { stopRinging } from './ringing';
import type { Switchboard } from './Switchboard';
import { setAsideActiveCall } from './talking';

/**
 * A hand-over was a slip: whoever made it takes it back, while it still rings there or within some seconds. Who was held
 * before hears music again, and the other is talked with, so that all is as it was, in one call. Returns the new leg.
 */
export function takeBackCall(
  board: Switchboard,
  { deviceId, legId, activeCall }: CommandOf<'takeBack'>,
): Outcome<{ leg: Leg }> {
  const handed = board.legs.get(legId);
  if (!handed) return refuse({ code: 'unknownLeg' });
  const call = board.callOf(handed);
  const { handedOver } = call;
  if (!handedOver || handedOver.byId !== board.office.ownerOf(deviceId)?.id)
    return refuse({ code: 'notHandedOver' });
  const isOpen = call.comesBackTo !== null || board.now - handedOver.at <= limits.takeBackMs;
  const isSpokenTo = call.legs.some((leg) => isLive(leg) && leg.mailboxPhase === 'recording');
  if (!isOpen || call.failure || isSpokenTo) return refuse({ code: 'tooLate' });
  const ready = mayTakeInto(board, call, deviceId, activeCall);
  if (!ready.ok) return ready;
  setAsideActiveCall(board, deviceId, activeCall);
  stopRinging(board, call, 'completedElsewhere');
  leaveQueue(board, call, 'taken');
  for (const leg of call.legs) {
    if (!isLive(leg)) continue;
    if (isMachine(leg)) board.clearLeg(leg, 'normalClearing');
    else if (isPending(leg) && leg.broughtFor === 'transfer') board.clearLeg(leg, 'completedElsewhere');
  }
  const leg = bringIn(board, call.id, deviceId, 'retrieve');
  const others = call.legs.filter((other) => other !== leg && isLive(other));
  const held = others.filter(({ id }) => handedOver.heldLegIds.includes(id));
  // Alone, whoever was held is talked with: there is nobody else.
  if (held.length < others.length)
    for (const other of held) {
      if (other.room === 'private') endPrivateWord(call);
      other.room = 'aside';
      other.roomBy = leg.id;
    }
  call.comesBackTo = null;
  call.handedOver = null;
  // Whoever had it may have parked it meanwhile.
  board.endParking(call);
  call.finish = null;
  board.note(call, 'tookBack', leg.personId);
  board.emitLeg('tookBack', leg);
  startByPolicy(board, call);
  return { ok: true, leg };
}
