import { isOutOfTeams, situationAt, situationEnds } from '@/core/plans/routing';
import { hasQueue, levelOf, type QueueTeam, type Team } from '@/core/setup';
import type { FreeMember } from '@/core/calls/queueing';
import { refuse, type CommandOf, type Outcome } from './commands';
import { stopRingingPerson } from './ringing';
import type { Agent } from './state';
import type { Switchboard } from './Switchboard';

/** Somebody as a member of a team: ready since ever, where they have said nothing. */
export const agentOf = (board: Pick<Switchboard, 'agents'>, teamId: string, personId: string): Agent =>
  board.agents.get(agentKey(teamId, personId)) ?? {
    teamId,
    personId,
    state: 'ready',
    reason: '',
    since: 0,
    wrapUpUntil: 0,
  };

export const agentKey = (teamId: string, personId: string) => `${teamId} ${personId}`;

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

function keepAgent(board: Switchboard, agent: Agent): void {
  board.agents.set(agentKey(agent.teamId, agent.personId), agent);
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
  for (const [key, { teamId, personId }] of board.agents) {
    const team = board.office.teams.get(teamId);
    if (!hasQueue(team) || !team.memberIds.includes(personId)) board.agents.delete(key);
  }
  for (const teamId of board.queueMemory.keys())
    if (!hasQueue(board.office.teams.get(teamId))) board.queueMemory.delete(teamId);
}

/** Whether anybody is signed in to the queue, a break included. */
export const isAttended = (board: Switchboard, { id, memberIds }: Team): boolean =>
  memberIds.some((personId) => agentOf(board, id, personId).state !== 'loggedOff');

/** How many are signed in and on no break. */
export const readyMembers = (board: Switchboard, { id, memberIds }: Team): number =>
  memberIds.filter((personId) => agentOf(board, id, personId).state === 'ready').length;

/** Who could take a call of the queue at this moment, in the order in which the team names them. */
export function freeMembers(board: Switchboard, team: QueueTeam): FreeMember[] {
  const free: FreeMember[] = [];
  for (const personId of team.memberIds) {
    const agent = board.agents.get(agentKey(team.id, personId));
    if (agent && (agent.state !== 'ready' || agent.wrapUpUntil > board.now)) continue;
    if (queueDevicesOf(board, personId).length === 0 || isTaken(board, personId)) continue;
    if (isOutOfTeams(board.office, personId, situationAt(board.office, personId, board.now))) continue;
    const freeSince = Math.max(board.talksEnded.get(personId) ?? 0, agent?.since ?? 0);
    free.push({ personId, freeSince, level: levelOf(team.queue, personId) });
  }
  return free;
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

/** When somebody who is not free may be so by themselves: their wrap-up or situation ends. null: nobody will. */
export function nextFreeAt(board: Switchboard, team: QueueTeam): number | null {
  let next: number | null = null;
  const consider = (at: number | null) => {
    if (at !== null && at > board.now && at < (next ?? Infinity)) next = at;
  };
  for (const personId of team.memberIds) {
    const agent = agentOf(board, team.id, personId);
    if (agent.state !== 'ready') continue;
    consider(agent.wrapUpUntil);
    if (isOutOfTeams(board.office, personId, situationAt(board.office, personId, board.now)))
      consider(situationEnds(board.office, personId, board.now));
  }
  return next;
}
