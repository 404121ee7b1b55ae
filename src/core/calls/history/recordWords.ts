import type { CallAct, CallOutcome, CallRecord } from '@/core/calls/exchange';
import { describeFinish, deviceName, nameOf, targetName, whereTo, type OfficeIndex } from '@/core/setup';
import { formatDuration } from '@/core/shared/time';

import { describeSteps } from './traceWords';

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
  const forWhom = record.forId === undefined ? '' : nameOf(record.forId, office);
  if (record.byId !== undefined) return `${nameOf(record.byId, office)} called in their name`;
  if (record.outcome === 'answered' && forWhom !== '')
    return `${record.direction === 'out' ? 'Called' : 'Answered'} for ${forWhom}`;
  if (record.outcome === 'answered' && record.direction === 'out') return 'Called';
  if (record.outcome === 'missed' && forWhom !== '') return `Missed, for ${forWhom}`;
  if (
    record.outcome !== 'answered' &&
    record.acts.some(({ act, byId }) => act === 'visited' && byId === record.personId)
  )
    return 'Listened to your mailbox';
  const sentOn = record.acts.findLast(({ act }) => act === 'forwarded');
  if (record.outcome === 'answeredByOther' && record.answeredById === null && sentOn?.to != null)
    return `Sent on to ${whereTo(sentOn.to, office)}`;
  const taker = office.ever.people.get(record.answeredById ?? '')?.name ?? 'somebody else';
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

const endings: Record<CallRecord['path'][number]['ended'], string> = {
  answered: ', then answered',
  elsewhere: ', then it was answered elsewhere',
  rangOut: ' and its time was over',
  refused: ', then the call was refused',
  callerLeft: ', then the caller left',
  failed: ', then it was no longer signed in',
};

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
    case 'queued':
      return [`It waited in the queue of ${where}.`];
    case 'askedCallBack':
      return ['The caller hung up and kept their place, to be called back.'];
    case 'calledBack':
      return [`${who} called them back in their turn.`];
    case 'met':
      return [`${who} made it a meeting.`];
    case 'letIn':
      return [`${who} let ${to ?? 'a guest'} in, who had come by a link.`];
    case 'visited':
      return [`${who} listened to their mailbox.`];
    case 'returned':
    case 'searchedFor':
      return [];
  }
}
