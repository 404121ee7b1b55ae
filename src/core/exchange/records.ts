import type { OfficeIndex } from '../office';
import { callerOf, type Call, type Leg } from './call';
import type { Cause } from './causes';
import type { CallOutcome, CallRecord } from './record';
import type { Switchboard } from './Switchboard';

/** Writes one record for each person the call concerned: who called, whose call it was, and all who were rung. */
export function writeRecords(board: Switchboard, call: Call, cause: Cause): void {
  const { office } = board;
  const callerPersonId = personOf(office, callerOf(call));
  const concerned = new Set<string>();
  if (callerPersonId) concerned.add(callerPersonId);
  if (call.ringing) concerned.add(call.ringing.trace.ownerId);
  for (const leg of call.legs) {
    const personId = leg.role === 'called' ? personOf(office, leg) : null;
    if (personId) concerned.add(personId);
  }
  for (const personId of concerned) {
    const isCaller = personId === callerPersonId;
    const record = buildRecord(office, call, personId, isCaller, board.now, call.failure ?? cause);
    board.emit({ type: 'recordWritten', at: board.now, callId: call.id, record });
  }
}

function buildRecord(
  office: OfficeIndex,
  call: Call,
  personId: string,
  isCaller: boolean,
  endedAt: number,
  cause: Cause,
): CallRecord {
  const caller = callerOf(call);
  const answered = call.legs.find(
    (leg) => leg.role === 'called' && leg.answeredAt !== null && !leg.mailboxPhase,
  );
  const own = isCaller ? caller : ownCalledLeg(office, call, personId);
  const answererId = answered ? personOf(office, answered) : null;
  const talked = isCaller ? answered : own === answered ? own : undefined;
  return {
    id: `${call.id}-${personId}`,
    callId: call.id,
    personId,
    direction: isCaller ? 'out' : 'in',
    lineId: call.lineId,
    other: isCaller ? calledParty(office, call) : callingParty(office, call, caller),
    startedAt: call.startedAt,
    answeredAt: talked?.answeredAt ?? null,
    endedAt,
    outcome: isCaller ? outgoingOutcome(call, answered) : incomingOutcome(office, call, personId, answererId),
    cause,
    deviceId: own && (isCaller || own.answeredAt !== null) ? deviceOf(own) : null,
    answeredById: answererId === personId ? null : answererId,
    withheld: call.withheld,
    digitsSent: own?.digitsSent ?? '',
    finish: call.finish,
    messageMs: call.messageMs,
    path: call.legs.flatMap((leg) => pathOf(leg, call)),
    trace: call.ringing?.trace ?? null,
  };
}

function outgoingOutcome(call: Call, answered: Leg | undefined): CallOutcome {
  if (answered) return 'answered';
  switch (call.failure) {
    case null:
      return call.finish?.kind === 'mailbox' ? 'mailbox' : 'cancelled';
    case 'userBusy':
      return 'busy';
    case 'unallocatedNumber':
      return 'unknownNumber';
    case 'callRejected':
      return 'refusedByOther';
    case 'noAnswer':
    case 'noUserResponding':
      return 'noAnswer';
    default:
      return 'failed';
  }
}

function incomingOutcome(
  office: OfficeIndex,
  call: Call,
  personId: string,
  answererId: string | null,
): CallOutcome {
  if (answererId === personId) return 'answered';
  const refused = call.legs.some((leg) => leg.cause === 'callRejected' && personOf(office, leg) === personId);
  if (refused) return 'refused';
  return answererId ? 'answeredByOther' : 'missed';
}

function ownCalledLeg(office: OfficeIndex, call: Call, personId: string): Leg | undefined {
  const own = call.legs.filter((leg) => leg.role === 'called' && personOf(office, leg) === personId);
  return own.find((leg) => leg.answeredAt !== null) ?? own[0];
}

function callingParty(office: OfficeIndex, call: Call, caller: Leg): CallRecord['other'] {
  if (caller.endpoint.kind === 'outside') {
    return { number: caller.endpoint.number, name: caller.endpoint.name, personId: null };
  }
  const person = office.people.get(personOf(office, caller) ?? '');
  return {
    number: person?.extension ?? call.dialled,
    name: person?.name ?? null,
    personId: person?.id ?? null,
  };
}

function calledParty(office: OfficeIndex, call: Call): CallRecord['other'] {
  const person = office.peopleByExtension.get(call.dialled);
  if (person) return { number: person.extension, name: person.name, personId: person.id };
  return { number: call.dialled, name: office.linesByNumber.get(call.dialled)?.name ?? null, personId: null };
}

function pathOf(leg: Leg, call: Call): CallRecord['path'] {
  const deviceId = leg.role === 'called' ? deviceOf(leg) : null;
  if (!deviceId) return [];
  const endedAt = leg.answeredAt ?? leg.clearedAt ?? leg.createdAt;
  const seconds = (at: number) => (at - call.startedAt) / 1000;
  return [
    { deviceId, fromSeconds: seconds(leg.createdAt), toSeconds: seconds(endedAt), ended: endingOf(leg) },
  ];
}

function endingOf(leg: Leg): CallRecord['path'][number]['ended'] {
  if (leg.answeredAt !== null) return 'answered';
  switch (leg.cause) {
    case 'completedElsewhere':
      return 'elsewhere';
    case 'callRejected':
      return 'refused';
    case 'noAnswer':
      return 'rangOut';
    case 'normalClearing':
      return 'callerLeft';
    default:
      return 'failed';
  }
}

const deviceOf = (leg: Leg) => (leg.endpoint.kind === 'device' ? leg.endpoint.deviceId : null);

function personOf(office: OfficeIndex, leg: Leg): string | null {
  return leg.endpoint.kind === 'device' ? (office.ownerOf(leg.endpoint.deviceId)?.id ?? null) : null;
}
