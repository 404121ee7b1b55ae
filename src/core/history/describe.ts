import type { CallOutcome, CallRecord } from '../exchange';
import type { OfficeIndex } from '../office';
import type { TraceStep } from '../routing';
import { formatDuration } from '../time';

const outcomeWords: Record<CallOutcome, string> = {
  answered: 'Answered',
  missed: 'Missed',
  refused: 'Refused',
  answeredByOther: 'Taken',
  mailbox: 'Reached a mailbox',
  cancelled: 'Ended before an answer',
  busy: 'Busy',
  noAnswer: 'No answer',
  refusedByOther: 'They refused',
  unknownNumber: 'Number unknown',
  failed: 'Failed',
};

/** "Missed", "Taken by Ilse Varga", "Called": what became of the call for the person whose record it is. */
export function describeOutcome(record: CallRecord, office: OfficeIndex): string {
  if (record.outcome === 'answered' && record.direction === 'out') return 'Called';
  if (record.outcome === 'answeredByOther') {
    return `Taken by ${office.people.get(record.answeredById ?? '')?.name ?? 'a colleague'}`;
  }
  return outcomeWords[record.outcome];
}

/** Whether somebody called and this person did not get to them. */
export function isUntaken(record: CallRecord): boolean {
  return record.direction === 'in' && (record.outcome === 'missed' || record.outcome === 'refused');
}

/** Milliseconds talked; 0 where nobody answered. */
export function talkMs(record: CallRecord): number {
  return record.answeredAt === null ? 0 : record.endedAt - record.answeredAt;
}

/** The way the call went: devices and seconds, and where it ended. One sentence each. */
export function describeRoute(record: CallRecord, office: OfficeIndex): string[] {
  const sentences = (record.trace?.steps ?? []).map((step) => describeStep(step, office));
  for (const leg of record.path) {
    const device = deviceName(leg.deviceId, office);
    const rang = `${device} rang from second ${Math.round(leg.fromSeconds)} to ${Math.round(leg.toSeconds)}`;
    sentences.push(`${rang}${endings[leg.ended]}.`);
  }
  if (record.finish?.kind === 'mailbox') {
    const owner = office.people.get(record.finish.personId)?.name ?? 'Nobody';
    const message =
      record.messageMs > 0
        ? `, where a message of ${formatDuration(record.messageMs)} was left`
        : ', no message was left';
    sentences.push(`The finish was ${owner}’s mailbox${message}.`);
  } else if (record.finish) {
    sentences.push('The finish was busy tone.');
  }
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

const obstacles: Record<Extract<TraceStep, { kind: 'deviceSkipped' }>['reason'], string> = {
  unknown: 'is not known to the office',
  notSignedIn: 'was not signed in',
  busy: 'was busy',
  callingItself: 'was the phone that called',
};

function describeStep(step: TraceStep, office: OfficeIndex): string {
  switch (step.kind) {
    case 'ruleSkipped':
      return `Rule “${step.rule}” did not fit: it is for another line.`;
    case 'ruleTaken':
      return `Rule “${step.rule}” decided, ${step.reason === 'thisLine' ? 'since this line was called' : 'since it fits any line'}.`;
    case 'noRule':
      return `${office.people.get(step.personId)?.name ?? 'Nobody'} has no rule for this call, so it went to the mailbox.`;
    case 'deviceSkipped':
      return `${deviceName(step.deviceId, office)} did not ring: it ${obstacles[step.reason]}.`;
  }
}

/** "Ilse Varga’s desk phone". */
export function deviceName(deviceId: string, office: OfficeIndex): string {
  const device = office.devices.get(deviceId);
  const owner = device && office.people.get(device.personId);
  return device && owner ? `${owner.name}’s ${device.name}` : 'A device no longer here';
}
