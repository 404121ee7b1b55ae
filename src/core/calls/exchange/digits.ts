import { takeLeg } from './answering';
import type { Leg } from './call';
import { clearCall } from './clearing';
import { refuse, type Outcome } from './commands';
import { pressAtEntrance } from './entrance';
import { askToFind } from './findMe';
import { pressInMenu } from './menu';
import { pressInQueue } from './queueing';
import { skipSilence } from './ringing';
import type { Switchboard } from './Switchboard';
import { mayTakeAnother, setAsideActiveCall } from './talking';
import { opensMailbox, pressInMailbox } from './visiting';

const digitsPattern = /^[0-9A-D*#]{1,32}$/;
const acceptKey = '1';
const declineKey = '2';

/**
 * Digits from a leg: the accept key of a lifted phone, the key by which a caller asks a mailbox to find its owner,
 * else DTMF events (RFC 4733 §2.3) to whoever is in the call.
 */
export function sendDigits(board: Switchboard, leg: Leg, digits: string): Outcome {
  if (!digitsPattern.test(digits)) return refuse({ code: 'badDigits' });
  if (leg.state === 'alerting') {
    if (leg.accept !== 'waiting') return refuse({ code: 'notAllowed', act: 'sendDigits', state: leg.state });
    return decideAccepting(board, leg, digits);
  }
  // Of a PIN nothing stays.
  if (!opensMailbox(board, leg, digits)) leg.digitsSent += digits;
  board.emit({ type: 'digitsSent', at: board.now, callId: leg.callId, legId: leg.id, digits });
  const isHeard =
    pressAtEntrance(board, leg, digits) ||
    pressInMenu(board, leg, digits) ||
    pressInMailbox(board, leg, digits);
  if (!isHeard && !pressInQueue(board, leg, digits)) askToFind(board, leg, digits);
  return { ok: true };
}

function decideAccepting(board: Switchboard, leg: Leg, digits: string): Outcome {
  const isAccepted = digits.startsWith(acceptKey);
  // The phone may have begun another call while it listened to who is calling.
  if (isAccepted && leg.endpoint.kind === 'device') {
    const may = mayTakeAnother(board, leg.endpoint.deviceId);
    if (!may.ok) return may;
  }
  board.emit({ type: 'digitsSent', at: board.now, callId: leg.callId, legId: leg.id, digits });
  if (isAccepted) {
    if (leg.endpoint.kind === 'device') setAsideActiveCall(board, leg.endpoint.deviceId);
    takeLeg(board, leg);
  } else if (digits.startsWith(declineKey)) giveUpAccepting(board, leg);
  return { ok: true };
}

/** Not accepted: the phone is let go, and the call goes on after its plan. */
export function giveUpAccepting(board: Switchboard, leg: Leg): void {
  const call = board.callOf(leg);
  if (leg.role === 'caller') {
    clearCall(board, call, 'noAnswer');
    return;
  }
  board.clearLeg(leg, 'noAnswer');
  skipSilence(board, call);
}
