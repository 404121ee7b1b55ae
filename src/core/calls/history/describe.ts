import type { CallAct, CallOutcome, CallRecord } from '@/core/calls/exchange';
import { describeFinish, deviceName, nameOf, targetName, whereTo, type OfficeIndex } from '@/core/setup';
import type { RouteTrace, TraceStep } from '@/core/plans/routing';
import { formatDuration } from '@/core/shared/time';

const outcomeWords: Record<CallOutcome, string> = {
  answered: 'Answered',
  missed: 'Missed',
  refused: 'Refused',
  deflected: 'Passed on',
  screened: 'Kept away',
  answeredByOther: 'Taken',
  mailbox: 'Reached a mailbox',
  cancelled: 'Ended before an answer',
  ownPhoneUnanswered: 'Your own phone was not answered',
  busy: 'Busy',
  noAnswer: 'No answer',
  refusedByOther: 'They refused',
  unknownNumber: 'Number unknown',
  failed: 'Failed',
};

/** "Missed", "Taken by Ilse Varga", "Called": what became of the call for the person whose record it is. */
export function describeOutcome(record: CallRecord, office: OfficeIndex): string {
  if (record.outcome === 'answered' && record.direction === 'out') return 'Called';
  const taker = office.people.get(record.answeredById ?? '')?.name ?? 'somebody else';
  if (record.outcome === 'answeredByOther') return `Taken by ${taker}`;
  if (record.outcome === 'refused' && record.answeredById !== null) return `Refused, taken by ${taker}`;
  const outside = answeredOutside(record);
  return outside ? `Answered at ${targetName(outside, office)}` : outcomeWords[record.outcome];
}

/** The number outside at which the call was answered in this person's place; null where they had it on a device. */
export function answeredOutside({ direction, outcome, deviceId, path }: CallRecord) {
  if (direction === 'out' || outcome !== 'answered' || deviceId !== null) return null;
  return path.findLast(({ number, ended }) => number !== null && ended === 'answered') ?? null;
}

/** Whether somebody called and was spoken to by nobody. */
export function isUntaken({ direction, outcome, answeredById }: CallRecord): boolean {
  return direction === 'in' && (outcome === 'missed' || (outcome === 'refused' && answeredById === null));
}

/** Milliseconds talked; 0 where nobody answered. */
export function talkMs(record: CallRecord): number {
  return record.answeredAt === null ? 0 : record.endedAt - record.answeredAt;
}

/** The way the call went: devices and seconds, and where it ended. One sentence each. */
export function describeRoute(record: CallRecord, office: OfficeIndex): string[] {
  const sentences = record.trace
    ? describeSteps(record.trace, office)
    : ['This call went to the public network, so no ring plan was asked.'];
  for (const leg of record.path) {
    const rang = `${targetName(leg, office)} rang from second ${Math.round(leg.fromSeconds)} to ${Math.round(leg.toSeconds)}`;
    sentences.push(`${rang}${endings[leg.ended]}.`);
  }
  if (record.finish?.kind === 'mailbox' || record.finish?.kind === 'teamMailbox') {
    const mailbox = describeFinish(record.finish, office);
    const message =
      record.messageMs > 0
        ? `, where a message of ${formatDuration(record.messageMs)} was left`
        : ', no message was left';
    sentences.push(`The finish was ${mailbox}${message}.`);
  } else if (record.finish?.kind === 'busy') {
    sentences.push('The finish was busy tone.');
  } else if (record.finish?.kind === 'textBack') {
    sentences.push(`The finish was a text: “${record.finish.text}”`);
  }
  sentences.push(...record.acts.flatMap((act) => describeAct(act, office)));
  if (record.cause === 'recoveryOnTimerExpiry')
    sentences.push('The network ended it here: nothing was heard of this phone any more.');
  return sentences;
}

/** What the routing looked at on the way, and why it did or didn’t count. One sentence each. */
export function describeSteps(trace: RouteTrace, office: OfficeIndex): string[] {
  return trace.steps.map((step) => describeStep(step, office));
}

/**
 * The step that decided: do not disturb that was passed, the rule taken, a forward; null where nothing had to be decided.
 */
export function decidingStep({ steps }: RouteTrace): TraceStep | null {
  const asides: readonly TraceStep['kind'][] = ['ruleSkipped', 'deviceSkipped', 'cutShort'];
  const passed = steps.find((step) => step.kind === 'doNotDisturb' && step.isPassed);
  return passed ?? steps.findLast(({ kind }) => !asides.includes(kind)) ?? null;
}

const endings: Record<CallRecord['path'][number]['ended'], string> = {
  answered: ', then answered',
  elsewhere: ', then it was answered elsewhere',
  rangOut: ' and its time was over',
  refused: ', then the call was refused',
  callerLeft: ', then the caller left',
  failed: ', then it was no longer signed in',
};

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
    case 'unreachable':
      return `Nothing of ${nameOf(step.personId, office)}’s was signed in.`;
    case 'noRule':
      return `${office.people.get(step.personId)?.name ?? 'Nobody'} has no rule for this call, so it went to the mailbox.`;
    case 'teamCalled':
      return `The team ${office.teams.get(step.teamId)?.name ?? 'that was called'} rings together.`;
    case 'allBusy':
      return `${nameOf(step.personId, office)} was on a call everywhere.`;
    case 'returned':
      return step.why === 'park'
        ? `Nobody took it from its slot, so it rang back at ${nameOf(step.personId, office)}.`
        : `Nobody took it there, so it came back to ${nameOf(step.personId, office)}.`;
    case 'menuReached':
      return `The menu ${office.menus.get(step.menuId)?.name ?? 'that was called'} asked for a key.`;
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

/** What somebody did with the call; what a trace's step tells already is left out. */
function describeAct({ act, byId, to }: CallAct, office: OfficeIndex): string[] {
  const who = byId === null ? 'The office' : nameOf(byId, office);
  const where = to === null ? '' : whereTo(to, office);
  switch (act) {
    case 'forwarded':
      return [`The plan forwarded it to ${where}.`];
    case 'screened':
      return [`${who} does not want to be rung by this caller.`];
    case 'deflected':
      return [`${who} passed it on to ${where}.`];
    case 'transferred':
      return [`${who} handed it over to ${where}.`];
    case 'added':
      return [`${who} asked ${where} in.`];
    case 'joinedCalls':
      return [`${who} joined two calls into one.`];
    case 'joined':
      return [`${who} came in.`];
    case 'tookOver':
      return [`${who} took it over.`];
    case 'dropped':
      return [`${who} took ${where || 'somebody'} out of it.`];
    case 'parked':
      return [`${who} parked it at ${to ?? ''}.`];
    case 'tookBack':
      return [`${who} took it back.`];
    case 'retrieved':
      return [`${who} took it back from slot ${to ?? ''}.`];
    case 'pickedUp':
      return [`${who} picked it up.`];
    case 'moved':
      return [`${who} moved it to ${to === null ? 'another phone' : deviceName(to, office)}.`];
    case 'recorded':
      return [`${who} recorded it.`];
    case 'chose':
      return [`The caller pressed ${to ?? 'a key'}.`];
    case 'returned':
    case 'searchedFor':
      return [];
  }
}
