import { interpretDialled, isDialable, type Dialled } from '@/core/numbers/numbering';
import { hasQueue, whyNotCalled, type Calling, type OfficeIndex } from '@/core/setup';
import type { Call, Leg } from './call';
import { refuse, type Outcome, type Refusal } from './commands';
import type { Switchboard } from './Switchboard';

/** Where something dialled leads. `number` is E.164, an extension or a code. */
export type Destination =
  | { kind: 'person'; number: string; personId: string }
  | { kind: 'team'; number: string; teamId: string }
  | { kind: 'menu'; number: string; menuId: string; lineId: string | null }
  | { kind: 'conference'; number: string; conferenceId: string; lineId: string | null }
  | { kind: 'line'; number: string; lineId: string; ownerId: string }
  | { kind: 'network'; number: string }
  | { kind: 'service'; number: string; service: Service }
  | { kind: 'unknown'; number: string; cause: 'unallocatedNumber' | 'facilityRejected' };

/** What the office does itself when its code is dialled. */
export type Service =
  | { kind: 'unpark'; slot: string }
  | { kind: 'pickUpGroup' }
  | { kind: 'pickUp'; extension: string }
  | { kind: 'join'; code: string }
  /** One’s own mailbox, or (with an extension) somebody’s. */
  | { kind: 'mailbox'; extension: string };

/** Understands what was dialled, without yet asking where it leads. */
export function readDialled({ plan }: OfficeIndex, text: string): Outcome<{ dialled: Dialled }> {
  const dialled = interpretDialled(text, plan);
  if (isDialable(dialled)) return { ok: true, dialled };
  return refuse({ code: 'notDialable', reason: whyNotDialable(dialled) });
}

function whyNotDialable(dialled: Dialled): Extract<Refusal, { code: 'notDialable' }>['reason'] {
  return dialled.kind === 'invalid'
    ? dialled.reason
    : { code: dialled.kind === 'withheld' ? 'withheld' : 'empty' };
}

/** Whose phone, line, team or network number that is. Only for what can be dialled. */
export function destinationOf(office: OfficeIndex, dialled: Dialled): Destination {
  switch (dialled.kind) {
    case 'extension': {
      const number = dialled.extension;
      const person = office.peopleByExtension.get(number);
      if (person) return { kind: 'person', number, personId: person.id };
      const team = office.teamsByExtension.get(number);
      if (team) return { kind: 'team', number, teamId: team.id };
      const conference = office.conferencesByExtension.get(number);
      if (conference) return { kind: 'conference', number, conferenceId: conference.id, lineId: null };
      const menu = office.menusByExtension.get(number);
      return menu
        ? { kind: 'menu', number, menuId: menu.id, lineId: null }
        : { kind: 'unknown', number, cause: 'unallocatedNumber' };
    }
    case 'national':
    case 'international': {
      const number = dialled.e164;
      const line = office.linesByNumber.get(number);
      if (!line) return { kind: 'network', number };
      const { id: lineId, ownerId } = line;
      if (office.conferences.has(ownerId))
        return { kind: 'conference', number, conferenceId: ownerId, lineId };
      return office.menus.has(ownerId)
        ? { kind: 'menu', number, menuId: ownerId, lineId }
        : { kind: 'line', number, lineId, ownerId };
    }
    case 'emergency':
      return { kind: 'network', number: dialled.number };
    case 'service': {
      if (dialled.scope === 'network') return { kind: 'network', number: dialled.code };
      const service = serviceOf(office, dialled.code);
      return service
        ? { kind: 'service', number: dialled.code, service }
        : { kind: 'unknown', number: dialled.code, cause: 'facilityRejected' };
    }
    case 'empty':
    case 'withheld':
    case 'invalid':
      throw new Error(`${dialled.kind} can't be called`);
  }
}

/** What the office does at that code: its star, two figures, and what is behind them. */
function serviceOf({ plan: { services } }: OfficeIndex, code: string): Service | null {
  const [, prefix, rest = ''] = /^\*(\d{2})(\d*)$/.exec(code) ?? [];
  switch (prefix) {
    case services.unpark:
      return rest === '' ? null : { kind: 'unpark', slot: rest };
    case services.pickUpGroup:
      return rest === '' ? { kind: 'pickUpGroup' } : null;
    case services.pickUp:
      return rest === '' ? null : { kind: 'pickUp', extension: rest };
    case services.join:
      return rest === '' ? null : { kind: 'join', code: rest };
    case services.mailbox:
      return { kind: 'mailbox', extension: rest };
    default:
      return null;
  }
}

/** A menu, a queue and the entrance of a conference speak to one caller alone. */
export const speaksToOne = ({ teams }: OfficeIndex, destination: Destination): boolean =>
  destination.kind === 'menu' ||
  destination.kind === 'conference' ||
  ((destination.kind === 'team' || destination.kind === 'line') &&
    hasQueue(teams.get(destination.kind === 'team' ? destination.teamId : destination.ownerId)));

/** Why the office does not let this be called; null where it does. */
export function barredReason(
  { setup }: OfficeIndex,
  destination: Destination,
  calling: Calling,
): string | null {
  return destination.kind === 'network' ? whyNotCalled(setup, destination.number, calling) : null;
}

/**
 * Where somebody in a call may be sent or asked in: a person, team, line or network number that is not barred, not
 * in the call already, and not whoever asks.
 */
export function checkedDestination(
  { office, now }: Pick<Switchboard, 'office' | 'now'>,
  call: Call,
  askedBy: Leg,
  to: string,
): Outcome<{ destination: Destination; dialled: Dialled }> {
  const read = readDialled(office, to);
  if (!read.ok) return read;
  const destination = destinationOf(office, read.dialled);
  if (read.dialled.kind === 'emergency') return refuse({ code: 'emergencyTarget' });
  if (destination.kind === 'unknown' || destination.kind === 'service')
    return refuse({ code: 'unknownTarget' });
  const why = barredReason(office, destination, { personId: askedBy.personId, at: now });
  if (why !== null) return refuse({ code: 'barred', why });
  const personId = destination.kind === 'person' ? destination.personId : null;
  if (personId !== null && personId === askedBy.personId) return refuse({ code: 'targetIsSelf' });
  const isInCall = call.legs.some(
    (leg) =>
      leg !== askedBy &&
      leg.state !== 'cleared' &&
      ((personId !== null && leg.personId === personId) ||
        (leg.endpoint.kind === 'outside' && leg.endpoint.number === destination.number)),
  );
  return isInCall ? refuse({ code: 'targetInCall' }) : { ok: true, destination, dialled: read.dialled };
}

/** Extension and post-dial digits are both sent after the answer, the extension first. */
export function tailOf(dialled: Dialled): string | null {
  if (dialled.kind === 'extension') return dialled.postDial ?? null;
  if (dialled.kind !== 'national' && dialled.kind !== 'international') return null;
  const extension = dialled.extension ? `pp${dialled.extension}` : '';
  return `${extension}${dialled.postDial ?? ''}` || null;
}
