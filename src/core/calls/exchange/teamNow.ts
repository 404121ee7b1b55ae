import { isOutOfTeams, situationAt } from '@/core/plans/routing';
import { hasQueue, type OfficeIndex } from '@/core/setup';
import { isTalking, type Call } from './call';
import type { Agent } from './state';

/**
 * How a member stands to a queue (ECMA-269: ready, not ready, busy, working after call, logged off). `rung` is being called, `away` in a
 * situation that leaves teams, `noPhone` without a desk phone or app that is signed in.
 */
export type AgentNow = 'free' | 'rung' | 'onCall' | 'wrapUp' | 'break' | 'away' | 'noPhone' | 'signedOut';

export interface MemberNow {
  personId: string;
  now: AgentNow;
  /** Why they are on a break. */
  reason: string;
  /** Since when, where that is known; of a wrap-up, until when. */
  at: number | null;
}

/** A queue at one moment. */
export interface TeamNow {
  teamId: string;
  /** In the order of the team's members. */
  members: MemberNow[];
  /** The next first. */
  waiting: Call[];
}

/** What is known of the office at a moment: its calls, the devices that are signed in, and what members said of themselves. */
export interface OfficeNow {
  office: OfficeIndex;
  calls: readonly Call[];
  signedIn: readonly string[];
  agents: readonly Agent[];
  at: number;
}

/** How one member of a team with a queue stands. */
export function agentNow(teamId: string, personId: string, now: OfficeNow): MemberNow {
  const { office, calls, signedIn, at } = now;
  const agent = now.agents.find((each) => each.teamId === teamId && each.personId === personId);
  const said = { personId, reason: '', at: agent && agent.since > 0 ? agent.since : null };
  if (agent?.state === 'loggedOff') return { ...said, now: 'signedOut' };
  if (agent?.state === 'notReady') return { ...said, now: 'break', reason: agent.reason };
  const legs = calls.flatMap((call) =>
    call.legs.filter(
      (leg) =>
        leg.endpoint.kind === 'device' &&
        (office.devices.get(leg.endpoint.deviceId)?.personId ?? null) === personId &&
        leg.state !== 'cleared' &&
        leg.state !== 'queued',
    ),
  );
  const talk = legs.find(isTalking);
  if (talk) return { ...said, now: 'onCall', at: talk.answeredAt ?? talk.createdAt };
  if (legs[0]) return { ...said, now: 'rung', at: legs[0].createdAt };
  if (isOutOfTeams(office, personId, situationAt(office, personId, at)))
    return { ...said, now: 'away', at: null };
  if (agent && agent.wrapUpUntil > at) return { ...said, now: 'wrapUp', at: agent.wrapUpUntil };
  const hasPhone = office
    .devicesOf(personId)
    .some(({ id, kind }) => (kind === 'desk' || kind === 'app') && signedIn.includes(id));
  return { ...said, now: hasPhone ? 'free' : 'noPhone' };
}

/** A team's queue as it stands; null for a team without one. */
export function teamNow(teamId: string, now: OfficeNow): TeamNow | null {
  const team = now.office.teams.get(teamId);
  if (!hasQueue(team)) return null;
  return {
    teamId,
    members: team.memberIds.map((personId) => agentNow(teamId, personId, now)),
    waiting: now.calls
      .filter(({ queued }) => queued?.teamId === teamId)
      .sort((a, b) => (a.queued?.ticket ?? 0) - (b.queued?.ticket ?? 0)),
  };
}
