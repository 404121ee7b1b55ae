import { takeLeg } from './answering';
import type { Call, Leg } from './call';
import { clearCall } from './clearing';
import { refuse, type Outcome } from './commands';
import { limits } from './limits';
import { pressInMenu } from './menu';
import { carryOut, skipSilence, traceInTurn } from './ringing';
import type { Switchboard } from './Switchboard';
import { mayTakeAnother, setAsideActiveCall } from './talking';

const digitsPattern = /^[0-9A-D*#]{1,32}$/;
const acceptKey = '1';
const declineKey = '2';
const findMeKey = '1';

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
  leg.digitsSent += digits;
  board.emit({ type: 'digitsSent', at: board.now, callId: leg.callId, legId: leg.id, digits });
  if (!pressInMenu(board, leg, digits)) askToFind(board, leg, digits);
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

/** A caller in the mailbox presses the key: they say their name, and then the owner is searched for. */
function askToFind(board: Switchboard, leg: Leg, digits: string): void {
  const call = board.callOf(leg);
  const mailbox = mailboxOf(call);
  if (!mailbox || mailbox.endpoint.kind !== 'mailbox' || leg.role !== 'caller') return;
  const { personId } = mailbox.endpoint;
  const isOffered = (board.office.ringPlans.get(personId)?.findMe ?? []).length > 0;
  const wasSearchedFor = call.acts.some(({ act }) => act === 'searchedFor');
  if (!isOffered || wasSearchedFor || mailbox.mailboxPhase === 'name' || !digits.includes(findMeKey)) return;
  mailbox.mailboxPhase = 'name';
  mailbox.stateSince = board.now;
  board.stopTimers(call, ({ what }) => 'legId' in what && what.legId === mailbox.id);
  board.emitLeg('nameAsked', mailbox);
  board.startTimer(call, board.now + limits.nameMs, { kind: 'nameEnd', legId: mailbox.id });
}

/**
 * Find me (RFC 5359 §2.12): the owner's devices and numbers ring one after the other, each taking or declining the call by a key;
 * nobody: back to the mailbox, which then only takes a message.
 */
export function searchForOwner(board: Switchboard, mailbox: Leg): void {
  if (mailbox.endpoint.kind !== 'mailbox') return;
  const call = board.callOf(mailbox);
  const { personId } = mailbox.endpoint;
  const tries = board.office.ringPlans.get(personId)?.findMe ?? [];
  board.note(call, 'searchedFor', null, board.office.people.get(personId)?.extension ?? null);
  board.clearLeg(mailbox, 'normalClearing');
  // The mailbox is not where the call ends, unless nobody is found.
  call.finish = null;
  const step = { kind: 'searchedFor', personId } as const;
  const trace = traceInTurn(board, tries, limits.findMeMs, personId, step, true);
  carryOut(board, call, trace, { broughtFor: 'findMe', broughtById: personId });
}

const mailboxOf = (call: Call) =>
  call.legs.find((leg) => leg.endpoint.kind === 'mailbox' && leg.state === 'connected');
