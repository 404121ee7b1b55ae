import type { OfficeIndex } from '@/core/setup';
import { costMicros, rateFor } from '@/core/numbers/rates';
import type { RouteTrace } from '@/core/plans/routing';
import { callerOf, isMachine, type Call, type Leg } from './call';
import type { Cause } from './causes';
import { recordIdOf, type CallOutcome, type CallRecord } from './record';
import type { Switchboard } from './Switchboard';

/**
 * Writes one record for each person the call concerned: who called, whose call it was, all who were rung or took
 * part, who brought somebody in, and the team in whose mailbox it ended.
 *
 * @param goesOnId who has gone on from it into another, whose record tells of them
 */
export function writeRecords(
  board: Switchboard,
  call: Call,
  cause: Cause,
  goesOnId: string | null = null,
): void {
  if (call.waitsFor !== null) return;
  const { office } = board;
  const concerned = new Set<string>();
  const { personId: callerPersonId } = callerOf(call);
  if (callerPersonId !== null) concerned.add(callerPersonId);
  if (call.forId !== null) concerned.add(call.forId);
  for (const { ownerId } of tracesOf(call)) concerned.add(ownerId);
  // Also those of a team whose phones were all signed out: its mailbox is theirs.
  if (call.finish?.kind === 'teamMailbox')
    for (const id of office.teams.get(call.finish.teamId)?.memberIds ?? []) concerned.add(id);
  // Whoever waited in vain waited for all of them.
  for (const { teamId, ended } of call.waits)
    if (ended !== 'taken') for (const id of office.teams.get(teamId)?.memberIds ?? []) concerned.add(id);
  const keeperId = keeperOfLastMenu(office, call);
  if (keeperId !== null) concerned.add(keeperId);
  for (const leg of call.legs) if (leg.personId !== null) concerned.add(leg.personId);
  for (const { act, byId } of call.acts) if (act === 'screened' && byId !== null) concerned.add(byId);
  const write = (record: CallRecord) =>
    board.emit({ type: 'recordWritten', at: board.now, callId: call.id, record });
  for (const personId of concerned)
    if (office.ever.people.has(personId) && personId !== goesOnId)
      write(buildRecord(office, call, personId, board.now, call.failure ?? cause));
  for (const leg of call.legs) {
    const payerId = payerOf(leg);
    if (payerId === null || concerned.has(payerId)) continue;
    concerned.add(payerId);
    write(paidRecord(office, call, leg, payerId, board.now));
  }
}

/** Who pays for what is talked at this leg; null: nobody. */
function payerOf({ endpoint, role, broughtById, answeredAt }: Leg): string | null {
  return endpoint.kind === 'outside' && role === 'called' && answeredAt !== null ? broughtById : null;
}

/** For who handed somebody outside over into a talk they are not in: how long that goes on, which they pay for, and nothing else of it. */
function paidRecord(office: OfficeIndex, call: Call, leg: Leg, personId: string, now: number): CallRecord {
  const [number, name] =
    leg.endpoint.kind === 'outside' ? [leg.endpoint.number, leg.endpoint.name] : [null, null];
  const startedAt = leg.chargedUntil ?? leg.createdAt;
  return {
    id: recordIdOf(call.id, personId),
    // Which of their numbers was shown stands in the record of the call that they placed.
    ...{ callId: call.id, personId, direction: 'out', lineId: null },
    other: { number, name, personId: null },
    ...{ startedAt, answeredAt: startedAt, endedAt: leg.clearedAt ?? now, outcome: 'answered' },
    ...{ cause: leg.cause ?? 'normalClearing', deviceId: null, answeredById: null, withheld: call.withheld },
    ...{ digitsSent: '', finish: null, messageMs: 0, path: [], trace: null, acts: [], waits: [], course: [] },
    ...{ recordings: [], parties: partyOf(office, leg, now) },
    costMicros: costOf(office, call, personId, now),
  };
}

/** Who is told of a call that ended in a menu, or at its finish; null where it went further. */
function keeperOfLastMenu(office: OfficeIndex, call: Call): string | null {
  const last = tracesOf(call).at(-1);
  return (last && office.menus.get(last.ownerId)?.keeperId) ?? null;
}

function buildRecord(
  office: OfficeIndex,
  call: Call,
  personId: string,
  now: number,
  cause: Cause,
): CallRecord {
  const caller = callerOf(call);
  const isCaller = caller.personId === personId;
  const isCalledFor = !isCaller && call.forId === personId;
  const own = call.legs.filter((leg) => placeOf(office, leg, call) === personId);
  const room = call.legs.find((leg) => leg.entrance?.phase === 'open');
  const cameIn =
    room && own.find((leg) => leg.answeredAt !== null && (leg === caller || leg.broughtFor === 'join'));
  const isOut = isCaller || isCalledFor || cameIn !== undefined;
  const forId = isCaller ? call.forId : answeredFor(call, personId);
  const answered = firstAnswered(office, call, null);
  const ownAnswered = firstAnswered(office, call, personId);
  const talked = cameIn ?? (isOut ? answered : ownAnswered);
  const last = own.findLast((leg) => leg.answeredAt !== null || (isCaller && leg === caller)) ?? own[0];
  const tookPart = isCaller || cameIn !== undefined || ownAnswered !== undefined;
  return {
    id: recordIdOf(call.id, personId),
    callId: call.id,
    personId,
    direction: isOut ? 'out' : 'in',
    lineId: call.lineId,
    other: cameIn
      ? conferenceParty(office, call, room)
      : isOut
        ? calledParty(office, call)
        : callingParty(office, call, caller),
    startedAt: cameIn?.createdAt ?? call.startedAt,
    answeredAt: talked?.answeredAt ?? null,
    endedAt: tookPart ? Math.max(...own.map((leg) => leg.clearedAt ?? now)) : now,
    outcome: cameIn
      ? 'answered'
      : isOut
        ? outgoingOutcome(call, answered, caller)
        : incomingOutcome(call, personId, ownAnswered, answered),
    // The call may have gone on without them, and ended otherwise.
    cause: last?.cause === 'recoveryOnTimerExpiry' ? last.cause : cause,
    deviceId: last && tookPart ? deviceOf(last) : null,
    answeredById:
      isCalledFor || cameIn || (!isCaller && ownAnswered) || !answered
        ? null
        : otherThan(personId, placeOf(office, answered, call) ?? answered.broughtById),
    withheld: call.withheld,
    ...(forId !== null && { forId }),
    ...(isCalledFor && caller.personId !== null && { byId: caller.personId }),
    digitsSent: own.map(({ digitsSent }) => digitsSent).reduce(longer, ''),
    finish: call.finish,
    messageMs: call.messageMs,
    path: call.legs.flatMap((leg) => pathOf(leg, call)),
    trace: traceFor(call, personId, office),
    parties: call.legs.flatMap((leg) => partyOf(office, leg, now)),
    acts: call.acts,
    waits: call.waits,
    course: call.course,
    recordings: call.recordings.filter((recording) => recording.personId === personId),
    costMicros: costOf(office, call, personId, now),
  };
}

/** For whom somebody was rung who answers for them; null where they were rung for themselves, or not at all. */
function answeredFor(call: Call, personId: string): string | null {
  const trace = tracesOf(call).find(({ legs }) =>
    legs.some((leg) => leg.personId === personId && leg.answersFor),
  );
  return trace?.ownerId ?? null;
}

const longer = (a: string, b: string) => (b.length > a.length ? b : a);
const otherThan = (personId: string, other: string | null) => (other === personId ? null : other);

/** The first called leg that was answered by anybody but a mailbox, or by the given person. */
function firstAnswered(office: OfficeIndex, call: Call, personId: string | null): Leg | undefined {
  return call.legs.find(
    (leg) =>
      leg.role === 'called' &&
      leg.answeredAt !== null &&
      !isMachine(leg) &&
      leg.broughtFor !== 'move' &&
      (personId === null || placeOf(office, leg, call) === personId),
  );
}

/** In whose place somebody is at this leg: their own; at a number outside, that of whoever's plan rang or forwarded there. */
function placeOf(office: OfficeIndex, leg: Leg, call: Call): string | null {
  if (leg.personId !== null || leg.endpoint.kind !== 'outside' || leg.role === 'caller') return leg.personId;
  const { number } = leg.endpoint;
  for (const { ownerId, legs } of tracesOf(call)) {
    const planned = legs.find((each) => each.number === number);
    // What a team's plan rings is in nobody's place.
    if (planned) return planned.personId ?? (office.people.has(ownerId) ? ownerId : null);
  }
  return isForwardedTo(call, number) ? leg.broughtById : null;
}

const isForwardedTo = ({ acts }: Call, number: string | null) =>
  acts.some(({ act, to }) => act === 'forwarded' && to === number);

function outgoingOutcome(call: Call, answered: Leg | undefined, caller: Leg): CallOutcome {
  if (answered) return 'answered';
  if (call.calledAfterwards !== null && caller.answeredAt === null) return 'ownPhoneUnanswered';
  switch (call.failure) {
    case null:
      return call.finish?.kind === 'mailbox' || call.finish?.kind === 'teamMailbox' ? 'mailbox' : 'cancelled';
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
  call: Call,
  personId: string,
  ownAnswered: Leg | undefined,
  answered: Leg | undefined,
): CallOutcome {
  // Who asked to be called back and was not reached has still to be.
  if (ownAnswered && isBackReached(call)) return 'answered';
  const did = (wanted: Call['acts'][number]['act']) =>
    call.acts.some(({ act, byId }) => act === wanted && byId === personId);
  if (did('screened')) return 'screened';
  if (did('deflected')) return 'deflected';
  const refused = call.legs.some((leg) => leg.cause === 'callRejected' && leg.personId === personId);
  if (refused) return 'refused';
  return (answered && isBackReached(call)) || hasComeIntoConference(call) || wasVisited(call)
    ? 'answeredByOther'
    : 'missed';
}

const hasComeIntoConference = ({ legs }: Call) =>
  legs.some(({ entrance, cause }) => entrance && (entrance.phase === 'open' || cause === 'joined'));

/** Somebody of the office called to listen to their mailbox: nobody missed them. */
const wasVisited = ({ acts }: Call) => acts.some(({ act }) => act === 'visited');

/** Whether whoever asked in a queue to be called back was reached; true for all who did not ask. */
const isBackReached = ({ acts, legs }: Call) =>
  !acts.some(({ act }) => act === 'askedCallBack') ||
  legs.some(
    ({ endpoint, role, answeredAt }) =>
      endpoint.kind === 'outside' && role === 'called' && answeredAt !== null,
  );

const tracesOf = (call: Call): RouteTrace[] =>
  call.ringing ? [...call.earlierTraces, call.ringing.trace] : call.earlierTraces;

/** The trace of this person's own plan, else of a team of theirs, else the first. */
function traceFor(call: Call, personId: string, office: OfficeIndex): RouteTrace | null {
  const traces = tracesOf(call);
  const ofTeam = ({ ownerId }: RouteTrace) => office.teams.get(ownerId)?.memberIds.includes(personId);
  return traces.find(({ ownerId }) => ownerId === personId) ?? traces.find(ofTeam) ?? traces[0] ?? null;
}

function callingParty(office: OfficeIndex, call: Call, caller: Leg): CallRecord['other'] {
  if (caller.endpoint.kind === 'outside') {
    return { number: caller.endpoint.number, name: caller.endpoint.name, personId: null };
  }
  const person = office.people.get(caller.personId ?? '');
  return {
    number: person?.extension ?? call.dialled,
    name: person?.name ?? null,
    personId: person?.id ?? null,
  };
}

function calledParty(office: OfficeIndex, call: Call): CallRecord['other'] {
  // Who has called on from there has called somebody.
  if (call.dialled.startsWith('*') && call.legs.some(({ visit }) => visit))
    return { number: call.dialled, name: 'Mailbox', personId: null };
  const person = office.peopleByExtension.get(call.dialled);
  if (person) return { number: person.extension, name: person.name, personId: person.id };
  const name =
    office.linesByNumber.get(call.dialled)?.name ?? office.teamsByExtension.get(call.dialled)?.name ?? null;
  return { number: call.dialled, name, personId: null };
}

/** The conference that somebody dialled into. */
function conferenceParty(office: OfficeIndex, call: Call, { endpoint }: Leg): CallRecord['other'] {
  const id = endpoint.kind === 'conference' ? endpoint.conferenceId : '';
  return {
    number: office.conferences.get(id)?.extension ?? call.dialled,
    name: office.ever.conferences.get(id)?.name ?? null,
    personId: null,
  };
}

function pathOf(leg: Leg, call: Call): CallRecord['path'] {
  if (leg.role !== 'called' || isMachine(leg)) return [];
  const deviceId = deviceOf(leg);
  const number = leg.endpoint.kind === 'outside' ? leg.endpoint.number : null;
  // A number that was simply called is told by the record itself.
  if (
    deviceId === null &&
    !isForwardedTo(call, number) &&
    !tracesOf(call).some(({ legs }) => legs.some((planned) => planned.number === number))
  )
    return [];
  const endedAt = leg.answeredAt ?? leg.clearedAt ?? leg.createdAt;
  const seconds = (at: number) => (at - call.startedAt) / 1000;
  return [
    {
      deviceId,
      number,
      fromSeconds: seconds(leg.createdAt),
      toSeconds: seconds(endedAt),
      ended: endingOf(leg),
    },
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

function partyOf(office: OfficeIndex, leg: Leg, now: number): CallRecord['parties'] {
  const from = leg.role === 'caller' ? leg.createdAt : leg.answeredAt;
  if (from === null || isMachine(leg)) return [];
  const person = office.people.get(leg.personId ?? '');
  const isOutside = leg.endpoint.kind === 'outside';
  return [
    {
      number: leg.endpoint.kind === 'outside' ? leg.endpoint.number : (person?.extension ?? null),
      name: leg.endpoint.kind === 'outside' ? leg.endpoint.name : (person?.name ?? null),
      personId: isOutside ? null : leg.personId,
      deviceId: deviceOf(leg),
      from,
      to: leg.clearedAt ?? now,
    },
  ];
}

/** Each outside leg costs from its answer, whoever is on the other end by then; what records of earlier calls told is left out. */
function costOf(office: OfficeIndex, call: Call, personId: string, now: number): number {
  const { rates } = office.setup;
  let micros = 0;
  for (const leg of call.legs) {
    const { endpoint, answeredAt, clearedAt, chargedUntil } = leg;
    if (payerOf(leg) !== personId || answeredAt === null) continue;
    const rate = endpoint.kind === 'outside' && endpoint.number !== null && rateFor(rates, endpoint.number);
    if (!rate) continue;
    micros += costMicros(rate, (clearedAt ?? now) - answeredAt);
    if (chargedUntil !== undefined) micros -= costMicros(rate, chargedUntil - answeredAt);
  }
  return micros;
}

const deviceOf = (leg: Leg) => (leg.endpoint.kind === 'device' ? leg.endpoint.deviceId : null);
