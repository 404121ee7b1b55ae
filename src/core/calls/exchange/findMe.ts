import type { Call, Leg } from './call';
import { limits } from './limits';
import { carryOut, traceInTurn } from './ringing';
import type { Switchboard } from './Switchboard';

const findMeKey = '1';

/** A caller in the mailbox presses the key: they say their name, and then the owner is searched for. */
export function askToFind(board: Switchboard, leg: Leg, digits: string): void {
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
