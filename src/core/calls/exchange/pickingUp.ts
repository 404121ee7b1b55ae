import { isOfPlan, type Leg } from './call';
import { refuse, type CommandOf, type Outcome } from './commands';
import { bringIn, mayTakeInto } from './parking';
import { startByPolicy } from './recording';
import { stopRinging } from './ringing';
import type { Switchboard } from './Switchboard';
import { setAsideActiveCall } from './talking';

/**
 * Takes to this device what rings at a colleague (RFC 5359 §2.16): a leg that is named, or with null whatever has
 * rung longest at somebody of an own team. Returns the new leg.
 */
export function pickUpCall(
  board: Switchboard,
  { deviceId, legId, activeCall }: Pick<CommandOf<'pickUp'>, 'deviceId' | 'legId' | 'activeCall'>,
): Outcome<{ leg: Leg }> {
  const owner = board.office.ownerOf(deviceId);
  if (!owner) return refuse({ code: 'unknownDevice' });
  const ringing = legId === null ? longestAtTeam(board, owner.id) : (board.legs.get(legId) ?? null);
  if (!ringing || !isTakeable(board, ringing)) return refuse({ code: 'nothingRings' });
  const call = board.callOf(ringing);
  const ready = mayTakeInto(board, call, deviceId, activeCall);
  if (!ready.ok) return ready;

  setAsideActiveCall(board, deviceId, activeCall);
  // Setting a call aside may have ended what rang.
  if (!board.calls.has(call.id)) return refuse({ code: 'nothingRings' });
  const leg = bringIn(board, call.id, deviceId, 'call');
  stopRinging(board, call, 'completedElsewhere');
  call.comesBackTo = null;
  board.endParking(call);
  board.note(call, 'pickedUp', leg.personId, null);
  board.emitLeg('pickedUp', leg);
  startByPolicy(board, call);
  return { ok: true, leg };
}

/** What rings at this extension, for a pick-up by code. */
export function legRingingAt(board: Switchboard, extension: string): string {
  const person = board.office.peopleByExtension.get(extension);
  for (const { id } of person ? board.office.devicesOf(person.id) : []) {
    for (const leg of board.deviceLegs.get(id) ?? []) if (isTakeable(board, leg)) return leg.id;
  }
  return '';
}

function longestAtTeam(board: Switchboard, personId: string): Leg | null {
  let longest: Leg | null = null;
  for (const legs of board.deviceLegs.values()) {
    for (const leg of legs) {
      const isTheirs =
        leg.personId !== null &&
        leg.personId !== personId &&
        board.office.areTeamMates(personId, leg.personId);
      if (isTheirs && isTakeable(board, leg) && leg.createdAt < (longest?.createdAt ?? Infinity))
        longest = leg;
    }
  }
  return longest;
}

const isTakeable = (board: Switchboard, leg: Leg) =>
  leg.state === 'alerting' && isOfPlan(board.callOf(leg), leg);
