import { isOutOfTeams, situationAt, situationEnds } from '@/core/plans/routing';
import { hasQueue, levelOf, type QueueTeam, type Team } from '@/core/setup';
import type { FreeMember } from '@/core/calls/queueing';
import { refuse, type CommandOf, type Outcome } from './commands';
import { stopRingingPerson } from './ringing';
import type { Agent } from './state';
import type { Switchboard } from './Switchboard';

/** Somebody as a member of a team: ready since ever, where they have said nothing. */
export const agentOf = (board: Pick<Switchboard, 'agents'>, teamId: string, personId: string): Agent =>
  board.agents.get(teamId)?.get(personId) ?? {
    teamId,
    personId,
    state: 'ready',
    reason: '',
    since: 0,
    wrapUpUntil: 0,
  };

/** Signs somebody in to a team, out of it, or on a break. What rings at them for it goes on to the next. */
export function setAgentState(board: Switchboard, asked: CommandOf<'setAgentState'>): Outcome {
  const { teamId, personId, state, reason } = asked;
  const team = board.office.teams.get(teamId);
  if (!hasQueue(team) || !team.memberIds.includes(personId)) return refuse({ code: 'notInTeam' });
  const agent = agentOf(board, teamId, personId);
  // Whoever says that they are ready is, also in their wrap-up.
  const wrapUpUntil = state === 'ready' ? 0 : agent.wrapUpUntil;
  if (agent.state === state && agent.reason === reason && agent.wrapUpUntil === wrapUpUntil)
    return { ok: true };
  const since = agent.state === state ? agent.since : board.now;
  keepAgent(board, { teamId, personId, state, reason, since, wrapUpUntil });
  if (state !== 'ready')
    for (const call of board.queues.get(teamId) ?? [])
      if (call.queued?.offeredTo.includes(personId)) stopRingingPerson(board, call, personId, 'noAnswer');
  return { ok: true };
}

/** For new and for restored ones. */
export function indexAgent(board: Switchboard, agent: Agent): void {
  const ofTeam = board.agents.get(agent.teamId) ?? new Map<string, Agent>();
  board.agents.set(agent.teamId, ofTeam.set(agent.personId, agent));
  board.touchedPeople.add(agent.personId);
  board.unservedTeams.add(agent.teamId);
}

function keepAgent(board: Switchboard, agent: Agent): void {
  indexAgent(board, agent);
  board.emit({ type: 'agentStateSet', at: board.now, teamId: agent.teamId, personId: agent.personId });
}

/** Whoever took a call of the queue has ended it: they have their time to work after it. */
export function beginWrapUp(board: Switchboard, teamId: string, personId: string): void {
  const team = board.office.teams.get(teamId);
  if (!hasQueue(team) || !team.memberIds.includes(personId) || team.queue.wrapUpSeconds === 0) return;
  const wrapUpUntil = board.now + team.queue.wrapUpSeconds * 1000;
  keepAgent(board, { ...agentOf(board, teamId, personId), wrapUpUntil });
}

/** Those of a team that no longer is, or has no queue, or whom it has not. */
export function forgetAgents(board: Switchboard): void {
  for (const [teamId, agents] of board.agents) {
    const team = board.office.teams.get(teamId);
    if (!hasQueue(team)) board.agents.delete(teamId);
    else for (const id of agents.keys()) if (!team.memberIds.includes(id)) agents.delete(id);
  }
  // Who is free is found out of all of them anew.
  board.free.clear();
  for (const teamId of board.queueMemory.keys())
    if (!hasQueue(board.office.teams.get(teamId))) board.queueMemory.delete(teamId);
}

/** Whether anybody is signed in to the queue, a break included. */
export const isAttended = (board: Switchboard, { id, memberIds }: Team): boolean =>
  memberIds.some((personId) => agentOf(board, id, personId).state !== 'loggedOff');

/** How many are signed in and on no break. */
export function readyMembers(board: Switchboard, { id, memberIds }: Team): number {
  let ready = memberIds.length;
  for (const { state } of board.agents.get(id)?.values() ?? []) if (state !== 'ready') ready--;
  return ready;
}

/** Who could take a call of the queue at this moment, in the order in which the team names them: found out from the whole board. */
export const freeMembers = (board: Switchboard, team: QueueTeam): FreeMember[] =>
  team.memberIds
    .filter((id) => isFree(board, team, id) && !isAway(board, id))
    .map((id) => asFree(board, team, id));

/** The same by what is kept of it; somebody whose situation has taken them from their teams is asked again once it ends. */
export function freeNow(board: Switchboard, team: QueueTeam): FreeMember[] {
  const known = board.free.get(team.id);
  if (!known || known.size === 0) return [];
  // Of many members few are free while somebody waits.
  const ids = known.size === 1 ? [...known] : team.memberIds.filter((id) => known.has(id));
  return ids.filter((id) => !wakesLater(board, id)).map((id) => asFree(board, team, id));
}

/** Finds out whether those are free of whom it may have changed. */
export function refreshFree(board: Switchboard): void {
  board.takeWakes();
  for (const personId of board.touchedPeople)
    for (const team of board.office.queueTeams.get(personId) ?? []) {
      const free = board.free.get(team.id) ?? new Set();
      board.free.set(team.id, free);
      if (isFree(board, team, personId)) {
        free.add(personId);
        board.unservedTeams.add(team.id);
      } else free.delete(personId);
    }
  board.touchedPeople.clear();
}

/** Whether a call of the queue could ring at them, whatever their situation. */
function isFree(board: Switchboard, team: QueueTeam, personId: string): boolean {
  const agent = board.agents.get(team.id)?.get(personId);
  if (agent && agent.state !== 'ready') return false;
  if (agent && agent.wrapUpUntil > board.now) {
    board.wakeAt(agent.wrapUpUntil, { personId });
    return false;
  }
  return queueDevicesOf(board, personId).length > 0 && !isTaken(board, personId);
}

const isAway = (board: Switchboard, personId: string) =>
  isOutOfTeams(board.office, personId, situationAt(board.office, personId, board.now));

function wakesLater(board: Switchboard, personId: string): boolean {
  if (!isAway(board, personId)) return false;
  const ends = situationEnds(board.office, personId, board.now);
  const teams = board.office.queueTeams.get(personId) ?? [];
  if (ends !== null) for (const { id } of teams) board.wakeAt(ends, { teamId: id });
  return true;
}

function asFree(board: Switchboard, team: QueueTeam, personId: string): FreeMember {
  const since = board.agents.get(team.id)?.get(personId)?.since ?? 0;
  const freeSince = Math.max(board.talksEnded.get(personId) ?? 0, since);
  return { personId, freeSince, level: levelOf(team.queue, personId) };
}

/** Where calls of a queue ring at somebody: their desk phone and app, as for a team. */
export const queueDevicesOf = (board: Switchboard, personId: string): string[] =>
  board.office
    .devicesOf(personId)
    .filter(({ id, kind }) => (kind === 'desk' || kind === 'app') && board.signedIn.has(id))
    .map(({ id }) => id);

/** Whether any device of theirs has a call. */
const isTaken = (board: Switchboard, personId: string): boolean =>
  board.office.devicesOf(personId).some(({ id }) => board.callsAt(id) > 0);
