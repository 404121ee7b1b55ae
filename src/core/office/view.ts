import {
  foresee,
  isTalking,
  type Call,
  type CallRecord,
  type ExchangeEvent,
  type Leg,
  type Visit,
} from '@/core/calls/exchange';
import type { RouteTrace } from '@/core/plans/routing';
import type { Conference, Device, OfficeIndex, OfficeSetup } from '@/core/setup';
import { hasRole, runsOffice, type Session } from './session';

/**
 * How much of a call a session sees. `whole`: with all who are in it, but for what is somebody's own. `glimpse`: which phones of the
 * office are busy with it, and nothing of with whom or why.
 */
export type Sight = 'whole' | 'glimpse';

/** Who sees a call whole; null: every member does. */
export type Audience = ReadonlySet<string> | null;

/**
 * A call is seen whole by whose it is: who has or had a phone in it, whose plan it went by, whose mailbox it reached, who handed it
 * over or gets it back, in whose name it was placed; by a whole team while it rings at one of them, or waits for them; by everybody while it is parked.
 */
export function audienceOf(call: Call, office: OfficeIndex): Audience {
  if (call.parked) return null;
  const seeing = new Set<string>();
  const add = (personId: string | null | undefined) => personId != null && seeing.add(personId);
  add(call.forId);
  add(call.handedOver?.byId);
  add(call.comesBackTo?.personId);
  add(call.ringing?.trace.ownerId);
  for (const { ownerId } of call.earlierTraces) add(ownerId);
  for (const leg of call.legs) {
    if (leg.endpoint.kind === 'mailbox') add(leg.endpoint.personId);
    else {
      add(leg.personId);
      add(ownerOf(leg, office));
    }
    const teamId = isOfTeam(leg) ? teamOf(leg) : null;
    const rungId = isRinging(leg) ? ownerOf(leg, office) : null;
    if (teamId === null && rungId === null) continue;
    for (const { id, memberIds } of office.setup.teams)
      if (id === teamId || (rungId !== null && memberIds.includes(rungId))) memberIds.forEach(add);
  }
  return seeing;
}

/** How a session sees a call that those see whole; who plays phones sees all of every call. */
export function sightFor(session: Session, audience: Audience): Sight {
  if (hasRole(session, 'simulator')) return 'whole';
  const { personId } = session;
  if (personId === null || !hasRole(session, 'member')) return 'glimpse';
  return audience === null || audience.has(personId) ? 'whole' : 'glimpse';
}

export const sightOf = (session: Session, call: Call, office: OfficeIndex): Sight =>
  sightFor(session, audienceOf(call, office));

const isRinging = ({ state, role }: Leg) => state === 'alerting' && role === 'called';
/** At a team's mailbox, or waiting in its queue. */
const isOfTeam = ({ endpoint, state }: Leg) =>
  endpoint.kind === 'teamMailbox' || (endpoint.kind === 'queue' && state === 'queued');
const teamOf = ({ endpoint }: Leg) =>
  endpoint.kind === 'teamMailbox' || endpoint.kind === 'queue' ? endpoint.teamId : null;
const ownerOf = ({ endpoint, personId }: Leg, office: OfficeIndex) =>
  endpoint.kind === 'device' ? (office.ownerOf(endpoint.deviceId)?.id ?? personId) : personId;

function isAt(personId: string, leg: Leg, office: OfficeIndex): boolean {
  if (leg.endpoint.kind === 'mailbox') return leg.endpoint.personId === personId;
  return leg.personId === personId || ownerOf(leg, office) === personId;
}

/** Whose plans a session may look into: one's own, whoever runs the office everybody's, and so whoever plays them. */
const seesPlanOf = (session: Session, personId: string, office: OfficeIndex) =>
  session.personId === personId || runsOffice(session, office) || hasRole(session, 'simulator');

/** Where somebody works may be where they live. */
const withoutPlace = ({ location: _, place: __, ...device }: Device): Device => device;

const withoutPins = (conference: Conference): Conference => ({ ...conference, pin: '', hostPin: '' });

const saysNothing: Visit['says'] = { text: '', voicemailId: null };

/** How the office is configured, without the plans that are nobody else's business, without PINs, and without where others are. */
export function viewOfSetup(session: Session, office: OfficeIndex): OfficeSetup {
  const { setup } = office;
  const isSeen = ({ personId }: { personId: string }) => seesPlanOf(session, personId, office);
  const withheld = setup.ringPlans.filter((plan) => !isSeen(plan)).map(({ personId }) => personId);
  const runs = runsOffice(session, office) || hasRole(session, 'simulator');
  const conferences =
    runs || setup.conferences.length === 0 ? setup.conferences : setup.conferences.map(withoutPins);
  const isElsewhere = ({ personId, place }: Device) => place !== undefined && personId !== session.personId;
  const devices =
    runs || !setup.devices.some(isElsewhere)
      ? setup.devices
      : setup.devices.map((device) => (isElsewhere(device) ? withoutPlace(device) : device));
  const isWhole = conferences === setup.conferences && devices === setup.devices;
  if (withheld.length === 0 && isWhole) return setup;
  return {
    ...setup,
    conferences,
    devices,
    ringPlans: setup.ringPlans.filter(isSeen),
    withheldPlansOf: withheld,
  };
}

/** What becomes of a call, as the session may know it: by which rules of somebody else's plan is not told. */
export function viewOfTrace(session: Session, trace: RouteTrace, office: OfficeIndex): RouteTrace {
  const { ownerId } = trace;
  return office.people.has(ownerId) && !seesPlanOf(session, ownerId, office)
    ? { ...trace, steps: [] }
    : trace;
}

/** What would become of a call that goes there now; null where no plan of the office says so. */
export function foreseenBy(
  session: Session,
  { office, calls }: { office: OfficeIndex; calls: ReadonlyMap<string, Call> },
  to: string,
  at: number,
): RouteTrace | null {
  const trace = foresee(office, calls.values(), to, at);
  return trace === null || trace === 'withheld' ? null : viewOfTrace(session, trace, office);
}

/**
 * The call as the session sees it. What was typed (PINs), codes that let somebody in, and recordings are left to whose they are;
 * of a glimpse nothing is left but the office's phones and how they stand.
 */
export function viewOfCall(session: Session, call: Call, office: OfficeIndex, sight: Sight): Call {
  const isMine = (leg: Leg) => session.personId !== null && isAt(session.personId, leg, office);
  const isVisitors = call.legs.some((leg) => leg.role === 'caller' && isMine(leg));
  const viewOfVisit = (visit: Visit): Visit => ({
    ...visit,
    digits: '',
    ...(!isVisitors && !hasRole(session, 'simulator') && { says: saysNothing, list: [], at: -1 }),
  });
  const legs = call.legs.map((leg) =>
    // An end of which nothing is withheld is the very same for all who see it.
    leg.digitsSent === '' && !leg.entrance && !leg.visit
      ? leg
      : {
          ...leg,
          ...(!isMine(leg) && { digitsSent: '' }),
          // What is being typed is a PIN.
          ...(leg.entrance && { entrance: { ...leg.entrance, digits: '' } }),
          ...(leg.visit && { visit: viewOfVisit(leg.visit) }),
        },
  );
  const toldOf = (trace: RouteTrace) => viewOfTrace(session, trace, office);
  if (sight === 'whole')
    return {
      ...call,
      legs,
      ringing: call.ringing && { ...call.ringing, trace: toldOf(call.ringing.trace) },
      earlierTraces: call.earlierTraces.map(toldOf),
      postDial: legs.some((leg) => leg.role === 'caller' && isMine(leg)) ? call.postDial : null,
      timers: call.timers.filter(({ what }) => what.kind !== 'digit'),
      invitation: isInvited(session, call) ? call.invitation : null,
      // Whoever has a link comes by it.
      meeting: isInIt(session, call) ? call.meeting : call.meeting && { ...call.meeting, links: [] },
      recordings: call.recordings.map((recording) =>
        recording.personId === session.personId ? recording : { ...recording, pieces: [] },
      ),
    };
  return glimpseOfCall({ ...call, legs }, runsOffice(session, office));
}

/** What those see of a call whom it does not concern: which phones are busy with it. `isForRunner`: for whoever runs the office. */
export function glimpseOfCall(call: Call, isForRunner: boolean): Call {
  return {
    ...call,
    // A phone that is in it no more is busy with it no more.
    legs: call.legs.flatMap(({ endpoint, visit: _visit, entrance: _entrance, ...leg }) =>
      leg.state === 'cleared'
        ? []
        : {
            ...leg,
            // Who hears whom is for those in it.
            ...{ muted: false, silencedBy: null, room: 'floor' as const, roomBy: null, digitsSent: '' },
            endpoint:
              endpoint.kind === 'outside' ? { kind: endpoint.kind, number: null, name: null } : endpoint,
          },
    ),
    dialled: '',
    lineId: null,
    forId: null,
    language: null,
    postDial: null,
    ringing: null,
    earlierTraces: [],
    finish: null,
    timers: [],
    emergency: null,
    consultationFor: null,
    comesBackTo: null,
    returned: null,
    handedOver: null,
    invitation: null,
    calledAfterwards: null,
    waitsFor: null,
    // That somebody waits, and since when, is for whoever looks after the teams.
    queued: call.queued && { ...call.queued, callBackTo: null, passedBy: [] },
    waits: [],
    // Where calls are on their way is for whoever runs the office.
    course: isForRunner ? call.course : [],
    servedBy: null,
    meeting: null,
    recordings: [],
    acts: [],
  };
}

const isInvited = ({ personId }: Session, { invitation, legs }: Call) =>
  invitation !== null &&
  personId !== null &&
  (invitation.toPersonId === personId ||
    legs.some((leg) => leg.id === invitation.legId && leg.personId === personId));

const isInIt = (session: Session, { legs }: Call) =>
  hasRole(session, 'simulator') ||
  legs.some((leg) => isTalking(leg) && leg.personId !== null && leg.personId === session.personId);

function recordSeen(
  session: Session,
  { record }: Extract<ExchangeEvent, { type: 'recordWritten' }>,
  office: OfficeIndex,
): CallRecord {
  return record.trace ? { ...record, trace: viewOfTrace(session, record.trace, office) } : record;
}

/**
 * The event as the session may hear it, of a call that it sees so; null where it is not for them. Records and texts owed are for
 * the one whose they are, however much of the call they saw.
 */
export function viewOfEvent(
  session: Session,
  event: ExchangeEvent,
  sight: Sight,
  { isMyLeg, office }: { isMyLeg: (legId: string) => boolean; office: OfficeIndex },
): ExchangeEvent | null {
  const { personId } = session;
  switch (event.type) {
    case 'recordWritten':
      return event.record.personId === personId
        ? { ...event, record: recordSeen(session, event, office) }
        : null;
    case 'textOwed':
      return event.personId === personId ? event : null;
    case 'signedIn':
    case 'signedOut':
    case 'configured':
    case 'callWaitingSet':
    case 'agentStateSet':
      return event;
  }
  if (sight === 'glimpse') return null;
  switch (event.type) {
    case 'visitKeyed':
      return null;
    case 'digitsSent':
      return isMyLeg(event.legId) ? event : null;
    case 'invited':
      return event.toPersonId === personId ? event : null;
    case 'recordingChanged':
      return event.recording.personId === personId ? event : null;
    default:
      return event;
  }
}
