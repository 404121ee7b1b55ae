import { interpretDialled, isDialable, ukOfficePlan, type Dialled } from '@/core/numbers/numbering';
import type { CalledParty } from '@/core/plans/routing';
import { hasQueue, type OfficeIndex } from '@/core/setup';
import { callerOf, type Call, type Endpoint, type Leg } from './call';
import { failCall } from './clearing';
import { refuse, type Outcome, type Refusal } from './commands';
import { limits } from './limits';
import { enterMenu } from './menu';
import { joinQueue } from './queueing';
import { carryOut, traceNow, type Bringing } from './ringing';
import type { Switchboard } from './Switchboard';

/** Where something dialled leads. `number` is E.164, an extension or a code. */
export type Destination =
  | { kind: 'person'; number: string; personId: string }
  | { kind: 'team'; number: string; teamId: string }
  | { kind: 'menu'; number: string; menuId: string; lineId: string | null }
  | { kind: 'line'; number: string; lineId: string; ownerId: string }
  | { kind: 'network'; number: string }
  | { kind: 'service'; number: string; service: Service }
  | { kind: 'unknown'; number: string; cause: 'unallocatedNumber' | 'facilityRejected' };

/** What the office does itself when its code is dialled. */
export type Service =
  | { kind: 'unpark'; slot: string }
  | { kind: 'pickUpGroup' }
  | { kind: 'pickUp'; extension: string }
  | { kind: 'join'; code: string };

/** Understands what was dialled, without yet asking where it leads. */
export function readDialled(text: string): Outcome<{ dialled: Dialled }> {
  const dialled = interpretDialled(text, ukOfficePlan);
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
      return office.menus.has(ownerId)
        ? { kind: 'menu', number, menuId: ownerId, lineId }
        : { kind: 'line', number, lineId, ownerId };
    }
    case 'emergency':
      return { kind: 'network', number: dialled.number };
    case 'service': {
      if (dialled.scope === 'network') return { kind: 'network', number: dialled.code };
      const service = serviceOf(dialled.code);
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

/** *84 and a slot takes a parked call back, *85 picks up in the own team, *86 and an extension there, *87 joins. */
function serviceOf(code: string): Service | null {
  const [, prefix, rest = ''] = /^\*(8[4-7])(\d*)$/.exec(code) ?? [];
  switch (prefix) {
    case '84':
      return rest === '' ? null : { kind: 'unpark', slot: rest };
    case '85':
      return rest === '' ? { kind: 'pickUpGroup' } : null;
    case '86':
      return rest === '' ? null : { kind: 'pickUp', extension: rest };
    case '87':
      return rest === '' ? null : { kind: 'join', code: rest };
    default:
      return null;
  }
}

/** A menu and a queue speak to one caller alone. */
export const speaksToOne = ({ teams }: OfficeIndex, destination: Destination): boolean =>
  destination.kind === 'menu' ||
  ((destination.kind === 'team' || destination.kind === 'line') &&
    hasQueue(teams.get(destination.kind === 'team' ? destination.teamId : destination.ownerId)));

/** Why the office does not let this number be called (outgoing screening, RFC 5359 §2.14); null where it does. */
export function barredReason(office: OfficeIndex, destination: Destination): string | null {
  if (destination.kind !== 'network') return null;
  const rule = office.setup.policies.barred.find(({ prefix }) => destination.number.startsWith(prefix));
  return rule?.why ?? null;
}

/**
 * Where somebody in a call may be sent or asked in: a person, team, line or network number that is not barred, not
 * in the call already, and not whoever asks.
 */
export function checkedDestination(
  { office }: Pick<Switchboard, 'office'>,
  call: Call,
  askedBy: Leg,
  to: string,
): Outcome<{ destination: Destination; dialled: Dialled }> {
  const read = readDialled(to);
  if (!read.ok) return read;
  const destination = destinationOf(office, read.dialled);
  if (read.dialled.kind === 'emergency') return refuse({ code: 'emergencyTarget' });
  if (destination.kind === 'unknown' || destination.kind === 'service')
    return refuse({ code: 'unknownTarget' });
  const why = barredReason(office, destination);
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

/** Calls the destination into the call. `from` is who is being connected: their own device can't ring. */
export function connectTo(
  board: Switchboard,
  call: Call,
  destination: Exclude<Destination, { kind: 'service' }>,
  from: Endpoint,
  by: Bringing,
): void {
  const callingDeviceId = from.kind === 'device' ? from.deviceId : undefined;
  const { endpoint, personId: callerId } = callerOf(call);
  const caller = { number: endpoint.kind === 'outside' ? endpoint.number : null, personId: callerId };
  switch (destination.kind) {
    case 'person':
      ringBy(board, call, { ownerId: destination.personId, lineId: null, callingDeviceId, caller }, by);
      return;
    case 'team':
      ringBy(board, call, { ownerId: destination.teamId, lineId: null, callingDeviceId, caller }, by);
      return;
    case 'line': {
      const { ownerId, lineId } = destination;
      ringBy(board, call, { ownerId, lineId, callingDeviceId, caller }, by);
      return;
    }
    case 'menu':
      enterMenu(board, call, destination.menuId, destination.lineId, by);
      return;
    case 'network':
      callOutside(board, call, destination.number, by);
      return;
    case 'unknown':
      failCall(board, call, destination.cause);
      return;
  }
}

/** Rings as the routing says, or lets the call wait where it says so. */
function ringBy(board: Switchboard, call: Call, called: CalledParty, by: Bringing): void {
  const trace = traceNow(board, called);
  if (trace.steps.some(({ kind }) => kind === 'queued')) joinQueue(board, call, trace, by);
  else carryOut(board, call, trace, by);
}

/** Calls a number of the network into the call. */
export function callOutside(board: Switchboard, call: Call, number: string, by: Bringing): void {
  const leg = board.addLeg(call, {
    endpoint: { kind: 'outside', number, name: null },
    role: 'called',
    state: 'initiated',
    ...by,
  });
  board.emit({ type: 'networkReached', at: board.now, callId: call.id, legId: leg.id, number });
  board.startTimer(call, board.now + limits.setupMs, { kind: 'setup', legId: leg.id });
}

/** Extension and post-dial digits are both sent after the answer, the extension first. */
export function tailOf(dialled: Dialled): string | null {
  if (dialled.kind === 'extension') return dialled.postDial ?? null;
  if (dialled.kind !== 'national' && dialled.kind !== 'international') return null;
  const extension = dialled.extension ? `pp${dialled.extension}` : '';
  return `${extension}${dialled.postDial ?? ''}` || null;
}
