import type { Finish } from '@/core/setup';
import type { RouteTrace } from '@/core/plans/routing';
import type { Call } from './call';
import { callerOf, isTalking } from './call';
import { clearCall, endIfAlone, failCall } from './clearing';
import { connectTo } from './connecting';
import { barredReason, destinationOf, readDialled } from './destination';
import { leaveQueue } from './leavingQueue';
import { limits } from './limits';
import { answerByMachine } from './machineLeg';
import { answerByMailbox, isMailboxThere } from './mailbox';
import { returnCall } from './recall';
import { carryOut } from './ringing';
import type { Switchboard } from './Switchboard';

/**
 * Nobody took it. Where it goes depends on why it rang: a plan's finish is for those who called themselves; what a
 * hand sent on comes back; who was only asked in is left out.
 */
export function finishUnanswered(board: Switchboard, call: Call): void {
  const { ringing } = call;
  if (!ringing || !board.calls.has(call.id)) return;
  if (ringing.broughtFor === 'transfer' && call.comesBackTo) {
    returnCall(board, call, 'transfer');
    return;
  }
  if (ringing.broughtFor === 'conference') {
    board.emit({ type: 'additionFailed', at: board.now, callId: call.id, cause: 'noAnswer' });
    endIfAlone(board, call, 'noAnswer');
    return;
  }
  // Those who were sent on together stay together, whether or not they get back to whoever sent them.
  if (ringing.broughtFor === 'return' && call.legs.filter(isTalking).length > 1) {
    board.emit({ type: 'additionFailed', at: board.now, callId: call.id, cause: 'noAnswer' });
    return;
  }
  board.endParking(call);
  if (call.queued?.callBackTo != null) {
    clearCall(board, call, 'noAnswer');
    return;
  }
  leaveQueue(board, call, 'overflowed');
  const { trace, wasRefused } = ringing;
  finishCall(board, call, (wasRefused ? trace.refusedFinish : undefined) ?? trace.finish, trace.ownerId);
}

/** The call ends there, because of whose plan (null: nobody's) says so. */
export function finishCall(board: Switchboard, call: Call, finish: Finish, ownerId: string | null): void {
  call.finish = finish;
  switch (finish.kind) {
    case 'busy':
      failCall(board, call, 'userBusy');
      return;
    case 'mailbox':
    case 'teamMailbox':
      if (isMailboxThere(board.office, finish)) answerByMailbox(board, call, finish);
      else failCall(board, call, 'unallocatedNumber');
      return;
    case 'forward':
      forwardCall(board, call, finish, ownerId);
      return;
    case 'textBack':
      answerWithText(board, call, finish, ownerId);
      return;
  }
}

/** The caller hears that a text comes, gets it, and the call is over. */
function answerWithText(
  board: Switchboard,
  call: Call,
  { lineId, text }: Extract<Finish, { kind: 'textBack' }>,
  ownerId: string | null,
): void {
  const { endpoint } = callerOf(call);
  const to = endpoint.kind === 'outside' ? endpoint.number : null;
  if (to === null || ownerId === null) {
    failCall(board, call, 'userBusy');
    return;
  }
  const leg = answerByMachine(board, call, { kind: 'textNotice' });
  board.emit({ type: 'textOwed', at: board.now, callId: call.id, personId: ownerId, lineId, to, text });
  board.startTimer(call, board.now + limits.textNoticeMs, { kind: 'noticeEnd', legId: leg.id });
}

/** The called person's plan sends it on (RFC 5359 §2.7 to §2.9). A loop ends after a few rounds, heard as congestion. */
function forwardCall(
  board: Switchboard,
  call: Call,
  { to, acceptKey = false }: Extract<Finish, { kind: 'forward' }>,
  byId: string | null,
): void {
  const rounds = call.acts.filter(({ act }) => act === 'forwarded').length;
  const read = readDialled(board.office, to);
  if (!read.ok || rounds >= limits.forwards) {
    failCall(board, call, 'exchangeRoutingError');
    return;
  }
  const destination = destinationOf(board.office, read.dialled);
  board.note(call, 'forwarded', null, destination.number);
  board.emit({ type: 'diverted', at: board.now, callId: call.id, to: destination.number });
  const calling = { personId: byId, at: board.now };
  if (destination.kind === 'service' || barredReason(board.office, destination, calling) !== null)
    failCall(board, call, 'facilityRejected');
  else if (acceptKey && destination.kind === 'network' && byId !== null && board.office.people.has(byId))
    ringByKey(board, call, destination.number, byId);
  else
    connectTo(board, call, destination, callerOf(call).endpoint, { broughtFor: 'call', broughtById: byId });
}

/** A number outside is rung for the owner of the plan, and takes the call by a key; not taken, it is in their mailbox. */
function ringByKey(board: Switchboard, call: Call, number: string, ownerId: string): void {
  const seconds = limits.byKeyMs / 1000;
  const trace: RouteTrace = {
    ownerId,
    lineId: call.lineId,
    legs: [
      {
        deviceId: null,
        number,
        personId: ownerId,
        stage: 0,
        fromSeconds: 0,
        toSeconds: seconds,
        acceptKey: true,
        saysName: false,
      },
    ],
    finish: { kind: 'mailbox', personId: ownerId },
    finishSeconds: seconds,
    steps: [],
  };
  carryOut(board, call, trace, { broughtFor: 'call', broughtById: ownerId });
}
