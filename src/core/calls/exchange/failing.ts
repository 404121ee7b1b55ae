import { isOfPlan, isTalking, type Leg } from './call';
import type { Cause } from './causes';
import { endIfAlone, failCall } from './clearing';
import { returnCall } from './recall';
import { skipSilence } from './ringing';
import type { Switchboard } from './Switchboard';

/** An outside leg failed in the network. Only the call it was the first aim of fails with it. */
export function failLeg(board: Switchboard, leg: Leg, cause: Cause): void {
  const call = board.callOf(leg);
  leg.cause = cause;
  board.emit({ type: 'failed', at: board.now, callId: leg.callId, legId: leg.id, cause });
  if (isOfPlan(call, leg)) {
    board.clearLeg(leg, cause);
    skipSilence(board, call);
    return;
  }
  const isAddition =
    leg.broughtFor !== 'call' && call.legs.some((other) => other !== leg && isTalking(other));
  if (!isAddition || call.answeredAt === null) {
    board.setState(leg, 'failed');
    failCall(board, call, cause);
    return;
  }
  board.clearLeg(leg, cause);
  if (leg.broughtFor === 'transfer' && call.comesBackTo) {
    returnCall(board, call, 'transfer');
    return;
  }
  board.emit({ type: 'additionFailed', at: board.now, callId: call.id, cause });
  endIfAlone(board, call, cause);
}
