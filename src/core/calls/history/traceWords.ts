import type { RouteTrace, TraceStep } from '@/core/plans/routing';
import { nameOf, targetName, type OfficeIndex } from '@/core/setup';

/** What the routing looked at on the way, and why it did or didn’t count. One sentence each. */
export function describeSteps(trace: RouteTrace, office: OfficeIndex): string[] {
  return trace.steps.map((step) => describeStep(step, office));
}

/**
 * The step that decided: do not disturb that was passed, the rule taken, a forward; null where nothing had to be decided.
 */
export function decidingStep({ steps }: RouteTrace): TraceStep | null {
  const asides: readonly TraceStep['kind'][] = ['ruleSkipped', 'deviceSkipped', 'cutShort', 'answersFor'];
  const passed = steps.find((step) => step.kind === 'doNotDisturb' && step.isPassed);
  return passed ?? steps.findLast(({ kind }) => !asides.includes(kind)) ?? null;
}

const obstacles: Record<Extract<TraceStep, { kind: 'deviceSkipped' }>['reason'], string> = {
  unknown: 'is not known to the office',
  notSignedIn: 'was not signed in',
  busy: 'was busy',
  callingItself: 'was the phone that called',
  barred: 'may not be called from this office',
  outOfTeam: 'takes no calls of the team in that situation',
};

/** Why a rule is not for a call, to be said after "it did not fit:". */
export const misfits: Record<Extract<TraceStep, { kind: 'ruleSkipped' }>['reason'], string> = {
  otherLine: 'it is for another line',
  otherCaller: 'it is for other callers',
  otherSituation: 'it is for another situation',
  otherHours: 'it is for other hours',
  otherDates: 'it is for other days',
  otherTime: 'it is for another time',
  workingHours: 'it is for outside the working hours',
  notWorkingHours: 'it is for the working hours',
  inMeeting: 'it is for when there is no meeting',
  notInMeeting: 'it is for meetings',
  onCall: 'it is for when you are on no other call',
  notOnCall: 'it is for when you are on another call',
};

const fits: Record<Extract<TraceStep, { kind: 'ruleTaken' }>['reason'], string> = {
  thisLine: 'since this line was called',
  anyLine: 'since it fits any line',
  itsConditions: 'since all its conditions held',
};

const teamName = (teamId: string, office: OfficeIndex) =>
  office.ever.teams.get(teamId)?.name ?? 'the team that was called';

export function describeStep(step: TraceStep, office: OfficeIndex): string {
  switch (step.kind) {
    case 'ruleSkipped':
      return `Rule “${step.rule}” did not fit: ${misfits[step.reason]}.`;
    case 'ruleTaken':
      return `Rule “${step.rule}” decided, ${fits[step.reason]}.`;
    case 'forwardedAll':
      return `${nameOf(step.personId, office)} had forwarded everything.`;
    case 'doNotDisturb':
      return step.isPassed
        ? `${nameOf(step.personId, office)} was not to be disturbed, but this call may.`
        : `${nameOf(step.personId, office)} was not to be disturbed.`;
    case 'answersFor':
      return step.isAway
        ? `${nameOf(step.personId, office)} answers for them too, but takes no calls of others now.`
        : `${nameOf(step.personId, office)} answers for them too.`;
    case 'unreachable':
      return `Nothing of ${nameOf(step.personId, office)}’s was signed in.`;
    case 'noRule':
      return `${office.ever.people.get(step.personId)?.name ?? 'Nobody'} has no rule for this call, so it went to the mailbox.`;
    case 'teamCalled':
      return `The team ${office.ever.teams.get(step.teamId)?.name ?? 'that was called'} was called.`;
    case 'teamClosed':
      return `It was outside the hours of ${teamName(step.teamId, office)}.`;
    case 'queued':
      return `It waits until somebody of ${teamName(step.teamId, office)} is free.`;
    case 'queueFull':
      return `No more could wait for ${teamName(step.teamId, office)}.`;
    case 'queueUnattended':
      return `Nobody of ${teamName(step.teamId, office)} was signed in.`;
    case 'allBusy':
      return `${nameOf(step.personId, office)} was on a call everywhere.`;
    case 'returned':
      return step.why === 'park'
        ? `Nobody took it from its slot, so it rang back at ${nameOf(step.personId, office)}.`
        : `Nobody took it there, so it came back to ${nameOf(step.personId, office)}.`;
    case 'menuReached':
      return `The menu ${office.ever.menus.get(step.menuId)?.name ?? 'that was called'} asked for a key.`;
    case 'conferenceReached':
      return `The conference ${office.ever.conferences.get(step.conferenceId)?.name ?? 'that was called'} ${step.opens ? 'is open for the office' : 'asked for its PIN'}.`;
    case 'noTextPossible':
      return 'This caller can take no text back, so it went to the mailbox.';
    case 'searchedFor':
      return `The caller asked the mailbox to find ${nameOf(step.personId, office)}.`;
    case 'deviceSkipped':
      return `${targetName(step, office)} did not ring: it ${obstacles[step.reason]}.`;
    case 'cutShort':
      return `${targetName(step, office)} was to ring ${step.wantedSeconds} s, but had only ${step.rungSeconds} s.`;
  }
}
