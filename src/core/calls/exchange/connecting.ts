import type { CalledParty } from '@/core/plans/routing';
import { callerOf, type Call, type Endpoint } from './call';
import { failCall } from './clearing';
import type { Destination } from './destination';
import { limits } from './limits';
import { enterConference } from './entrance';
import { enterMenu } from './menu';
import { joinQueue } from './queueing';
import { carryOut, traceNow, type Bringing } from './ringing';
import type { Switchboard } from './Switchboard';

/** Calls the destination into the call. `from` is who is being connected: their own device can't ring. */
export function connectTo(
  board: Switchboard,
  call: Call,
  destination: Exclude<Destination, { kind: 'service' }>,
  from: Endpoint,
  by: Bringing,
): void {
  const callingDeviceId = from.kind === 'device' ? from.deviceId : undefined;
  const { endpoint, personId: callerId } = callerOf(call);
  const caller = { number: endpoint.kind === 'outside' ? endpoint.number : null, personId: callerId };
  const isSent = by.broughtFor === 'transfer' || by.broughtFor === 'conference';
  const calling = { callingDeviceId, caller, sentById: isSent ? (by.broughtById ?? undefined) : undefined };
  switch (destination.kind) {
    case 'person':
      ringBy(board, call, { ownerId: destination.personId, lineId: null, ...calling }, by);
      return;
    case 'team':
      ringBy(board, call, { ownerId: destination.teamId, lineId: null, ...calling }, by);
      return;
    case 'line': {
      const { ownerId, lineId } = destination;
      ringBy(board, call, { ownerId, lineId, ...calling }, by);
      return;
    }
    case 'menu':
      enterMenu(board, call, destination.menuId, destination.lineId, by);
      return;
    case 'conference':
      enterConference(board, call, destination.conferenceId, destination.lineId, by);
      return;
    case 'network':
      callOutside(board, call, destination.number, by);
      return;
    case 'unknown':
      failCall(board, call, destination.cause);
      return;
  }
}

/** Rings as the routing says, or lets the call wait where it says so. */
function ringBy(board: Switchboard, call: Call, called: CalledParty, by: Bringing): void {
  const trace = traceNow(board, called);
  if (trace.steps.some(({ kind }) => kind === 'queued')) joinQueue(board, call, trace, by);
  else carryOut(board, call, trace, by);
}

/** Calls a number of the network into the call. */
export function callOutside(board: Switchboard, call: Call, number: string, by: Bringing): void {
  const leg = board.addLeg(call, {
    endpoint: { kind: 'outside', number, name: null },
    role: 'called',
    state: 'initiated',
    ...by,
  });
  board.emit({ type: 'networkReached', at: board.now, callId: call.id, legId: leg.id, number });
  board.startTimer(call, board.now + limits.setupMs, { kind: 'setup', legId: leg.id });
}
