import type { Call } from './call';
import { callerOf } from './call';
import { endIfAlone, failCall } from './clearing';
import { connectTo, destinationOf, readDialled } from './destination';
import { limits } from './limits';
import { answerByMailbox } from './mailbox';
import { returnCall } from './returning';
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
  board.endParking(call);
  const { trace, wasRefused } = ringing;
  const finish = (wasRefused ? trace.refusedFinish : undefined) ?? trace.finish;
  call.finish = finish;
  switch (finish.kind) {
    case 'busy':
      failCall(board, call, 'userBusy');
      return;
    case 'mailbox':
      answerByMailbox(board, call, finish.personId);
      return;
    case 'forward':
      forwardCall(board, call, finish.to);
      return;
  }
}

/** The called person's plan sends it on (RFC 5359 §2.7 to §2.9). A loop ends after a few rounds, heard as congestion. */
function forwardCall(board: Switchboard, call: Call, to: string): void {
  const rounds = call.acts.filter(({ act }) => act === 'forwarded').length;
  const read = readDialled(to);
  if (!read.ok || rounds >= limits.forwards) {
    failCall(board, call, 'exchangeRoutingError');
    return;
  }
  const destination = destinationOf(board.office, read.dialled);
  const byId = call.ringing?.trace.ownerId ?? null;
  board.note(call, 'forwarded', null, destination.number);
  board.emit({ type: 'diverted', at: board.now, callId: call.id, to: destination.number });
  if (destination.kind === 'service') failCall(board, call, 'facilityRejected');
  else
    connectTo(board, call, destination, callerOf(call).endpoint, { broughtFor: 'call', broughtById: byId });
}
