import type { Call } from './call';
import { limits } from './limits';
import { carryOut, traceInTurn } from './ringing';
import type { Switchboard } from './Switchboard';

/**
 * Nobody took it: a blind transfer, or somebody parked, rings back at the device it came from, marked as returned.
 * Not taken there either, it ends in that person's mailbox.
 */
export function returnCall(board: Switchboard, call: Call, why: 'transfer' | 'park'): void {
  const back = call.comesBackTo;
  if (!back) return;
  call.comesBackTo = null;
  call.handedOver = null;
  call.returned = { why, at: board.now };
  board.note(call, 'returned', null, board.office.people.get(back.personId)?.extension ?? null);
  board.emit({ type: 'returned', at: board.now, callId: call.id, why, toId: back.personId });
  const step = { kind: 'returned', why, personId: back.personId } as const;
  const trace = traceInTurn(
    board,
    [{ deviceId: back.deviceId }],
    limits.returnMs,
    back.personId,
    step,
    false,
  );
  carryOut(board, call, trace, { broughtFor: 'return', broughtById: back.personId });
}
