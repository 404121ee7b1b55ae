import { callBackNumber, expectedWaitSeconds, handOutTo, withHandled } from '@/core/calls/queueing';
import type { RouteTrace } from '@/core/plans/routing';
import { hasQueue, type QueueTeam } from '@/core/setup';
import {
  agentOf,
  beginWrapUp,
  freeNow,
  isAttended,
  queueDevicesOf,
  readyMembers,
  refreshFree,
} from './agents';
import { callerOf, isTalking, type Call, type Leg, type Queued } from './call';
import { clearCall } from './clearing';
import { refuse, type CommandOf, type Outcome } from './commands';
import { finishCall } from './finishing';
import { leaveQueue } from './leavingQueue';
import { limits } from './limits';
import { bringIn, mayTakeInto } from './parking';
import { startByPolicy } from './recording';
import { continueRinging, isRinging, setTrace, stopRinging, type Bringing } from './ringing';
import type { Switchboard } from './Switchboard';
import { setAsideActiveCall } from './talking';

/**
 * The call waits in a team's queue: its caller hears the queue, its trace grows by whoever is rung for it, and its finish is where it goes
 * when it has waited too long (ECMA-269 §6.1.5: connection state "queued"; ACD groups).
 */
export function joinQueue(board: Switchboard, call: Call, trace: RouteTrace, by: Bringing): void {
  const teamId = trace.ownerId;
  // Whoever was handed over has arrived: the queue is all theirs, and they do not come back.
  call.comesBackTo = null;
  board.endInvitation(call);
  setTrace(board, call, { ...trace, legs: [] }, { broughtFor: 'call', broughtById: by.broughtById });
  const leg = board.addLeg(call, {
    endpoint: { kind: 'queue', teamId },
    role: 'called',
    state: 'queued',
    broughtFor: 'call',
    broughtById: null,
  });
  call.queued = {
    teamId,
    legId: leg.id,
    since: board.now,
    ticket: board.nextId++,
    offeredTo: [],
    passedBy: [],
    told: { at: board.now, place: 1, waitSeconds: null },
    callBackTo: null,
  };
  board.enqueue(call);
  const extension = board.office.teams.get(teamId)?.extension ?? null;
  board.note(call, 'queued', null, extension);
  board.emitLeg('queueJoined', leg);
  tellPlace(board, leg);
  continueRinging(board, call);
}

/** Tells whoever waits how it stands, now and after the queue's time again. */
export function tellPlace(board: Switchboard, leg: Leg): void {
  const call = board.callOf(leg);
  const { queued } = call;
  const team = queued && board.office.teams.get(queued.teamId);
  if (!queued || !hasQueue(team) || queued.callBackTo !== null) return;
  const place = (board.queues.get(team.id)?.indexOf(call) ?? 0) + 1;
  const handled = board.queueMemory.get(team.id)?.handled ?? { count: 0, meanMs: 0 };
  const waitSeconds = expectedWaitSeconds(place, readyMembers(board, team), handled);
  queued.told = { at: board.now, place, waitSeconds };
  board.emitLeg('queueTold', leg);
  const next = board.now + team.queue.tellEverySeconds * 1000;
  board.startTimer(call, next, { kind: 'queueTell', legId: leg.id });
}

/** The caller presses the key that is offered: they hang up, and keep their place until they are called. Whether it was that. */
export function pressInQueue(board: Switchboard, presser: Leg, digits: string): boolean {
  const call = board.callOf(presser);
  const { queued } = call;
  const team = queued && board.office.teams.get(queued.teamId);
  if (!queued || !hasQueue(team) || presser.role !== 'caller') return false;
  const { endpoint } = presser;
  const number = callBackNumber(board.office.setup, endpoint.kind === 'outside' ? endpoint.number : null);
  if (!team.queue.offersCallBack || number === null || !digits.startsWith('1')) return true;
  queued.callBackTo = number;
  board.stopTimers(call, ({ what }) => what.kind === 'queueTell');
  board.note(call, 'askedCallBack', null, number);
  board.emitLeg('callBackAsked', presser);
  if (call.ringing) {
    const finishSeconds = (board.now + limits.queueCallBackMs - call.ringing.startedAt) / 1000;
    call.ringing.trace = { ...call.ringing.trace, finishSeconds };
  }
  board.clearLeg(presser, 'normalClearing');
  continueRinging(board, call);
  return true;
}

/** Hands out what waits, in all queues in which that may have changed: the first to come first, to whom its queue's order says. */
export function serveQueues(board: Switchboard): void {
  for (const call of board.endedOffers)
    if (call.queued && !isRinging(call)) notePassed(board, call, call.queued);
  board.endedOffers.clear();
  refreshFree(board);
  for (const teamId of board.unservedTeams) {
    board.unservedTeams.delete(teamId);
    const calls = board.queues.get(teamId) ?? [];
    const team = board.office.teams.get(teamId);
    if (hasQueue(team) && isAttended(board, team)) serveQueue(board, team, calls);
    else for (const call of [...calls]) leaveUnattended(board, call, team);
  }
}

function serveQueue(board: Switchboard, team: QueueTeam, calls: readonly Call[]): void {
  if (calls.length === 0) return;
  let free = freeNow(board, team);
  const isAll = team.queue.order === 'allAtOnce';
  for (const call of calls) {
    const { queued } = call;
    if (free.length === 0) return;
    // All at once: whoever becomes free rings along.
    if (!queued || (isRinging(call) && !isAll)) continue;
    const mayTake = free.filter(
      ({ personId }) => !isPassing(queued, personId, board.now) && !isCaller(call, personId),
    );
    const memory = memoryOf(board, team.id);
    const chosen = handOutTo(team.queue.order, mayTake, team.memberIds, memory.lastRungId);
    if (chosen.length === 0) continue;
    memory.lastRungId = chosen.at(-1)?.personId ?? memory.lastRungId;
    free = free.filter((member) => !chosen.includes(member));
    const personIds = chosen.map(({ personId }) => personId);
    ringMembers(board, call, team, personIds);
  }
}

const isCaller = (call: Call, personId: string) => callerOf(call).personId === personId;

/** Whether somebody was rung for it in vain a moment ago. */
export const isPassing = ({ passedBy, offeredTo }: Queued, personId: string, now: number): boolean =>
  offeredTo.includes(personId) ||
  passedBy.some((passed) => passed.personId === personId && passed.at + limits.passedOverMs > now);

function ringMembers(board: Switchboard, call: Call, team: QueueTeam, personIds: readonly string[]): void {
  const { ringing, queued } = call;
  if (!ringing || !queued) return;
  queued.offeredTo.push(...personIds);
  const elapsedMs = board.now - ringing.startedAt;
  const stage = (ringing.trace.legs.at(-1)?.stage ?? -1) + 1;
  const added = personIds.flatMap((personId) =>
    queueDevicesOf(board, personId).map((deviceId) => ({
      deviceId,
      number: null,
      personId,
      stage,
      fromSeconds: elapsedMs / 1000,
      toSeconds: Math.min((elapsedMs + team.queue.ringSeconds * 1000) / 1000, ringing.trace.finishSeconds),
      acceptKey: false,
      saysName: false,
    })),
  );
  // What has been told of the trace stays as it was.
  ringing.trace = { ...ringing.trace, legs: [...ringing.trace.legs, ...added] };
  ringing.progress.push(...added.map(() => null));
  continueRinging(board, call);
}

/** Nobody rings for it any more: whoever was asked is passed over, and told. */
function notePassed(board: Switchboard, call: Call, queued: Queued): void {
  for (const personId of queued.offeredTo) {
    queued.passedBy = queued.passedBy.filter((passed) => passed.personId !== personId);
    queued.passedBy.push({ personId, at: board.now });
    board.emit({ type: 'passedOver', at: board.now, callId: call.id, teamId: queued.teamId, personId });
  }
  if (queued.offeredTo.length === 0) return;
  queued.offeredTo = [];
  board.unservedTeams.add(queued.teamId);
  board.wakeAt(board.now + limits.passedOverMs, { teamId: queued.teamId });
}

/** Nobody is signed in any more, or the queue is none any more. */
function leaveUnattended(
  board: Switchboard,
  call: Call,
  team: { id: string; queue?: QueueTeam['queue'] } | undefined,
): void {
  const finish = team?.queue?.nobodyFinish ?? call.ringing?.trace.finish ?? ({ kind: 'busy' } as const);
  const isGone = call.queued?.callBackTo !== null;
  stopRinging(board, call, 'noAnswer');
  if (isGone) {
    clearCall(board, call, 'noAnswer');
    return;
  }
  leaveQueue(board, call, 'overflowed');
  finishCall(board, call, finish, call.ringing?.trace.ownerId ?? null);
}

/** Whoever served a call of a queue has left it: the queue learns how long that took, and they work after it. */
export function noteServed(board: Switchboard, call: Call): void {
  const { servedBy } = call;
  if (!servedBy) return;
  const isThere = call.legs.some((leg) => leg.personId === servedBy.personId && isTalking(leg));
  if (isThere) return;
  call.servedBy = null;
  const { teamId, personId, at } = servedBy;
  const team = board.office.teams.get(teamId);
  if (!hasQueue(team)) return;
  const memory = memoryOf(board, teamId);
  memory.handled = withHandled(memory.handled, board.now - at + team.queue.wrapUpSeconds * 1000);
  beginWrapUp(board, teamId, personId);
}

function memoryOf(board: Switchboard, teamId: string) {
  let memory = board.queueMemory.get(teamId);
  if (!memory) {
    memory = { teamId, lastRungId: null, handled: { count: 0, meanMs: 0 } };
    board.queueMemory.set(teamId, memory);
  }
  return memory;
}

/** A member takes one that waits, whoever is before it. Returns their leg. */
export function takeWaiting(
  board: Switchboard,
  { deviceId, callId, activeCall }: CommandOf<'takeWaiting'>,
): Outcome<{ leg: Leg }> {
  const call = board.calls.get(callId);
  const owner = board.office.ownerOf(deviceId);
  if (!owner) return refuse({ code: 'unknownDevice' });
  if (!call?.queued) return refuse({ code: 'nobodyWaits' });
  const team = board.office.teams.get(call.queued.teamId);
  const isMember =
    team?.memberIds.includes(owner.id) && agentOf(board, team.id, owner.id).state !== 'loggedOff';
  if (!isMember) return refuse({ code: 'notInTeam' });
  const ready = mayTakeInto(board, call, deviceId, activeCall);
  if (!ready.ok) return ready;
  setAsideActiveCall(board, deviceId, activeCall);
  // Setting a call aside may have ended what waited.
  if (!board.calls.has(callId)) return refuse({ code: 'nobodyWaits' });
  stopRinging(board, call, 'completedElsewhere');
  const leg = bringIn(board, callId, deviceId, 'call');
  board.note(call, 'pickedUp', leg.personId, null);
  board.emitLeg('pickedUp', leg);
  startByPolicy(board, call);
  return { ok: true, leg };
}
