import type { Dialled } from '@/core/numbers/numbering';
import { calledFor, mayShow, type Device, type Person } from '@/core/setup';
import type { Endpoint, Leg } from './call';
import { failCall } from './clearing';
import { refuse, type MakeCommand, type Outcome } from './commands';
import { connectTo } from './connecting';
import { barredReason, destinationOf, readDialled, tailOf, type Destination } from './destination';
import { joinCall } from './inviting';
import { limits } from './limits';
import { newCall } from './newCall';
import { unparkCall } from './parking';
import { legRingingAt, pickUpCall } from './pickingUp';
import { skipSilence } from './ringing';
import type { Switchboard } from './Switchboard';
import { mayTakeAnother, setAsideActiveCall } from './talking';
import { dialMailbox } from './visiting';

type Made = Outcome<{ leg: Leg }>;
type Caller = Extract<Endpoint, { kind: 'device' | 'outside' }>;

/** Places a call, from one of the office's devices or from outside. All is checked before anything changes. */
export function makeCall(board: Switchboard, command: MakeCommand): Made {
  const read = readDialled(board.office, command.to);
  if (!read.ok) return read;
  const { dialled } = read;
  const destination = destinationOf(board.office, dialled);
  if (command.from.kind === 'outside') return placeFromOutside(board, command.from, dialled, destination);

  const { deviceId } = command.from;
  const owner = board.office.ownerOf(deviceId);
  const device = board.office.devices.get(deviceId);
  if (!device) return refuse({ code: 'unknownDevice' });
  if (dialled.kind === 'emergency') return placeEmergency(board, command, device, owner, destination);
  if (!owner) return refuse({ code: 'unknownDevice' });
  if (!board.signedIn.has(deviceId)) return refuse({ code: 'notSignedIn' });
  if (destination.kind === 'service')
    return carryOutService(board, deviceId, destination, command.activeCall);
  return placeFromDevice(board, command, device, owner, dialled, destination);
}

function placeFromDevice(
  board: Switchboard,
  command: MakeCommand,
  device: Device,
  owner: Person,
  dialled: Dialled,
  destination: Exclude<Destination, { kind: 'service' }>,
): Made {
  const why = barredReason(board.office, destination, { personId: owner.id, at: board.now });
  if (why !== null) return refuse({ code: 'barred', why });
  if (board.callsAt(device.id) >= device.callLimit)
    return refuse({ code: 'tooManyCalls', limit: device.callLimit });
  const lineId = typeof command.present === 'object' ? command.present.lineId : owner.presentedLineId;
  const line = board.office.lines.get(lineId);
  if (!line) return refuse({ code: 'unknownLine' });
  const isOutward = destination.kind === 'network' || destination.kind === 'unknown';
  const { setup } = board.office;
  if (isOutward && !mayShow(setup, owner.id, line)) return refuse({ code: 'keptLine', lineId });
  const may = mayTakeAnother(board, device.id, command.activeCall);
  if (!may.ok) return may;
  const consulted = command.consultationFor;
  if (consulted !== undefined && !board.legs.has(consulted)) return refuse({ code: 'unknownLeg' });

  const call = newCall(board, {
    kind: isOutward ? 'outbound' : 'internal',
    dialled: destination.number,
    lineId: 'lineId' in destination ? destination.lineId : isOutward ? lineId : null,
    withheld: isWithheld(board, command, dialled),
    forId:
      isOutward && lineId !== owner.presentedLineId ? (calledFor(setup, owner.id, line)?.id ?? null) : null,
    postDial: tailOf(dialled),
    consultationFor: consulted === undefined ? null : (board.legs.get(consulted)?.callId ?? null),
  });
  const from: Caller = { kind: 'device', deviceId: device.id };
  if (command.ringOwnPhoneFirst) {
    call.calledAfterwards = command.to;
    return { ok: true, leg: ringOwnPhone(board, call.id, from, device, owner) };
  }
  setAsideActiveCall(board, device.id, command.activeCall);
  const caller = addCaller(board, call.id, from, owner.id);
  connectTo(board, call, destination, from, { broughtFor: 'call', broughtById: owner.id });
  return { ok: true, leg: caller };
}

/** Whether the number is withheld, asked for by the call or by the prefix dialled; the office may not allow it. */
function isWithheld({ office }: Switchboard, { present }: MakeCommand, dialled: Dialled): boolean {
  const isAsked = present === 'withhold' || ('withhold' in dialled && dialled.withhold === true);
  return isAsked && (office.setup.policies.mayWithhold ?? true);
}

/** The worker's own phone rings first. A mobile must take the call by a key, since its mailbox might lift it. */
function ringOwnPhone(
  board: Switchboard,
  callId: string,
  endpoint: Caller,
  device: Device,
  owner: Person,
): Leg {
  const call = board.calls.get(callId);
  if (!call) throw new Error(`No call ${callId}`);
  const leg = board.addLeg(call, {
    endpoint,
    role: 'caller',
    state: 'alerting',
    broughtFor: 'call',
    broughtById: owner.id,
  });
  if (device.kind === 'mobile') leg.accept = 'asked';
  board.emitLeg('originated', leg);
  board.emitLeg('delivered', leg);
  board.startTimer(call, board.now + limits.ownPhoneMs, { kind: 'ownPhone', legId: leg.id });
  return leg;
}

/**
 * Never blocked: not by a full device, by being signed out, by another call, or by what the office bars. Dialled once
 * more on an emergency call, it is that call.
 */
function placeEmergency(
  board: Switchboard,
  command: MakeCommand,
  device: Device,
  owner: Person | null,
  destination: Destination,
): Made {
  if (command.ringOwnPhoneFirst) return refuse({ code: 'emergency' });
  const active = board.activeLeg(device.id);
  if (active && board.callOf(active).emergency) return { ok: true, leg: active };
  setAsideActiveCall(board, device.id);
  for (const leg of [...(board.deviceLegs.get(device.id) ?? [])]) {
    if (leg.state !== 'alerting' || leg.role !== 'called' || leg.replaces !== null) continue;
    board.clearLeg(leg, 'userBusy');
    skipSilence(board, board.callOf(leg));
  }
  const call = newCall(board, {
    kind: 'outbound',
    dialled: destination.number,
    lineId: owner?.presentedLineId ?? null,
    withheld: false,
    emergency: { location: device.location ?? null },
  });
  const from: Caller = { kind: 'device', deviceId: device.id };
  const caller = addCaller(board, call.id, from, owner?.id ?? null);
  if (destination.kind !== 'service')
    connectTo(board, call, destination, from, { broughtFor: 'call', broughtById: owner?.id ?? null });
  return { ok: true, leg: caller };
}

function placeFromOutside(
  board: Switchboard,
  from: Extract<Caller, { kind: 'outside' }>,
  dialled: Dialled,
  destination: Destination,
): Made {
  const call = newCall(board, {
    kind: 'inbound',
    dialled: destination.number,
    lineId: 'lineId' in destination ? destination.lineId : null,
    withheld: from.number === null,
    postDial: tailOf(dialled),
  });
  const caller = addCaller(board, call.id, from, null);
  const by = { broughtFor: 'call', broughtById: null } as const;
  const calledId =
    destination.kind === 'line'
      ? destination.ownerId
      : destination.kind === 'person'
        ? destination.personId
        : null;
  if (calledId !== null && isScreened(board.office.people.get(calledId), from.number)) {
    call.acts.push({ at: board.now, act: 'screened', byId: calledId, to: null });
    failCall(board, call, 'callRejected');
  } else if (destination.kind === 'network' || destination.kind === 'service')
    failCall(board, call, 'unallocatedNumber');
  else connectTo(board, call, destination, from, by);
  // Noted after it was routed: a repeated caller is one who has called before.
  if (from.number !== null) board.noteCaller(from.number);
  return { ok: true, leg: caller };
}

/** Incoming screening (RFC 5359 §2.13): this person does not want to be rung by that number. */
function isScreened(person: Person | undefined, number: string | null): boolean {
  if (!person?.screening) return false;
  return number === null ? person.screening.withheld : person.screening.numbers.includes(number);
}

function addCaller(board: Switchboard, callId: string, endpoint: Caller, broughtById: string | null): Leg {
  const call = board.calls.get(callId);
  if (!call) throw new Error(`No call ${callId}`);
  const caller = board.addLeg(call, {
    endpoint,
    role: 'caller',
    state: 'connected',
    broughtFor: 'call',
    broughtById,
  });
  board.emitLeg('originated', caller);
  return caller;
}

/** A code of the office was dialled: the device is in another call afterwards, or at a mailbox. */
function carryOutService(
  board: Switchboard,
  deviceId: string,
  { service, number }: Extract<Destination, { kind: 'service' }>,
  activeCall: MakeCommand['activeCall'],
): Made {
  switch (service.kind) {
    case 'unpark':
      return unparkCall(board, { deviceId, slot: service.slot, activeCall });
    case 'pickUpGroup':
      return pickUpCall(board, { deviceId, legId: null, activeCall });
    case 'pickUp':
      return pickUpCall(board, { deviceId, legId: legRingingAt(board, service.extension), activeCall });
    case 'join':
      return joinCall(board, { deviceId, code: service.code, activeCall });
    case 'mailbox':
      return dialMailbox(board, { deviceId, code: number, extension: service.extension, activeCall });
  }
}
