import type { Call, Leg } from './call';
import type { Switchboard } from './Switchboard';

/** The call waits no longer: somebody has it, its caller gave up, or it goes on to a finish. */
export function leaveQueue(board: Switchboard, call: Call, ended: Call['waits'][number]['ended']): void {
  const { queued } = call;
  if (!queued) return;
  call.waits.push({ teamId: queued.teamId, from: queued.since, to: board.now, ended });
  board.dequeue(call);
  call.queued = null;
  board.stopTimers(call, ({ what }) => what.kind === 'queueTell');
  const leg = board.legs.get(queued.legId);
  if (leg) board.clearLeg(leg, 'normalClearing');
}

/** Somebody of the office has a call that waited: they serve it from now on, until they leave it. */
export function serveByMember(board: Switchboard, call: Call, { personId }: Leg): void {
  const { queued } = call;
  if (!queued) return;
  leaveQueue(board, call, 'taken');
  if (personId !== null) call.servedBy = { teamId: queued.teamId, personId, at: board.now };
}
