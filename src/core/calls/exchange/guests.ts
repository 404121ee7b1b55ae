import { cameBy, withoutBeside, withoutWaiting } from '../meetings';
import type { Call, Leg } from './call';
import { refuse, type CommandOf, type CommandResult, type Outcome } from './commands';
import { mayGrow } from './conferencing';
import { startByPolicy } from './recording';
import type { Switchboard } from './Switchboard';

/**
 * Somebody comes to a meeting by a link. Who is a guest waits to be let in (RFC 4575: "pending"); the result names their leg where they are in already, or
 * the phone beside which they have it open.
 */
export function knock(board: Switchboard, { token, guestId, name }: CommandOf<'knock'>): CommandResult {
  // Who is in it already, or waits, stays so when the link they came by is good no more.
  const call = callOfGuest(board, guestId) ?? callOfLink(board, token);
  if (!call?.meeting) return refuse({ code: 'unknownLink' });
  const guest = guestIn(call, guestId);
  if (guest) return { ok: true, callId: call.id, legId: guest.id };
  if (waitsAt(call, guestId)) return { ok: true, callId: call.id };
  const came = cameBy(call.meeting, token, { guestId, name, at: board.now });
  if ('why' in came) return refuse({ code: came.why });
  change(board, call, came.meeting);
  const beside = came.meeting.links.find(({ openAt }) => openAt === guestId)?.forLegId;
  return { ok: true, callId: call.id, ...(beside != null && { legId: beside }) };
}

/** They wait no more, or have closed the screen beside their phone, wherever that was. */
export function goAway(board: Switchboard, guestId: string): CommandResult {
  for (const call of board.calls.values()) {
    if (!call.meeting) continue;
    change(board, call, withoutWaiting(call.meeting, guestId));
    for (const { openAt, forLegId } of call.meeting.links)
      if (openAt === guestId && forLegId !== null) change(board, call, withoutBeside(call.meeting, forLegId));
  }
  return { ok: true };
}

/** Who waits is in the call from now on, with a voice and what they show. */
export function letIn(board: Switchboard, by: Leg, guestId: string): Outcome {
  const call = board.callOf(by);
  const guest = call.meeting?.waiting.find((each) => each.guestId === guestId);
  if (!call.meeting || !guest) return refuse({ code: 'nobodyWaits' });
  const room = mayGrow(call, 1);
  if (!room.ok) return room;
  call.meeting = withoutWaiting(call.meeting, guestId);
  const leg = board.addLeg(call, {
    endpoint: { kind: 'outside', number: null, name: guest.name, guestId },
    role: 'called',
    state: 'connected',
    broughtFor: 'join',
    broughtById: by.personId,
  });
  leg.answeredAt = board.now;
  board.emitLeg('joined', leg);
  board.note(call, 'letIn', by.personId, guest.name);
  board.emit({ type: 'meetingChanged', at: board.now, callId: call.id });
  startByPolicy(board, call);
  return { ok: true };
}

/** Where two calls have become one, nobody waits for whom they are with already. */
export function dropWaitingWhoAreIn(call: Call): void {
  for (const { guestId } of call.meeting?.waiting ?? [])
    if (call.meeting && guestIn(call, guestId)) call.meeting = withoutWaiting(call.meeting, guestId);
}

const guestIn = ({ legs }: Call, guestId: string): Leg | undefined =>
  legs.find(
    ({ endpoint, state }) =>
      endpoint.kind === 'outside' && endpoint.guestId === guestId && state !== 'cleared',
  );

const waitsAt = ({ meeting }: Call, guestId: string): boolean =>
  meeting?.waiting.some((each) => each.guestId === guestId) ?? false;

function callOfGuest(board: Switchboard, guestId: string): Call | null {
  for (const call of board.calls.values())
    if (call.meeting && (guestIn(call, guestId) || waitsAt(call, guestId))) return call;
  return null;
}

function callOfLink(board: Switchboard, token: string): Call | null {
  for (const call of board.calls.values())
    if (call.meeting?.links.some((each) => each.token === token)) return call;
  return null;
}

function change(board: Switchboard, call: Call, meeting: NonNullable<Call['meeting']>): void {
  if (meeting === call.meeting) return;
  call.meeting = meeting;
  board.emit({ type: 'meetingChanged', at: board.now, callId: call.id });
}
