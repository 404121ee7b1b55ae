import { interpretDialled, isDialable, ukOfficePlan, type Dialled } from '../numbering';
import type { Call, Endpoint } from './call';
import { failCall } from './clearing';
import type { MakeCommand, Refusal } from './commands';
import { limits } from './limits';
import { startRinging } from './ringing';
import type { Switchboard } from './Switchboard';
import { setAsideActiveCall } from './talking';

type Made = { ok: true; callId: string; legId: string } | { ok: false; reason: Refusal };

const refuse = (reason: Refusal): Made => ({ ok: false, reason });

/** Places a call, from one of the office's devices or from outside. All is checked before anything changes. */
export function makeCall(board: Switchboard, command: MakeCommand): Made {
  const { from } = command;
  const dialled = interpretDialled(command.to, ukOfficePlan);
  if (!isDialable(dialled)) return refuse({ code: 'notDialable', reason: whyNotDialable(dialled) });
  if (from.kind === 'outside') return placeCall(board, from, dialled, null, false);

  const owner = board.office.ownerOf(from.deviceId);
  const device = board.office.devices.get(from.deviceId);
  if (!owner || !device) return refuse({ code: 'unknownDevice' });
  if (!board.signedIn.has(device.id)) return refuse({ code: 'notSignedIn' });
  if (board.isBusy(device.id)) return refuse({ code: 'tooManyCalls', limit: device.callLimit });
  const withhold = command.present === 'withhold' || ('withhold' in dialled && dialled.withhold === true);
  const lineId = typeof command.present === 'object' ? command.present.lineId : owner.presentedLineId;
  if (!board.office.lines.has(lineId)) return refuse({ code: 'unknownLine' });

  setAsideActiveCall(board, device.id, command.activeCall);
  return placeCall(board, from, dialled, lineId, withhold);
}

function whyNotDialable(dialled: Dialled): Extract<Refusal, { code: 'notDialable' }>['reason'] {
  return dialled.kind === 'invalid'
    ? dialled.reason
    : { code: dialled.kind === 'withheld' ? 'withheld' : 'empty' };
}

function placeCall(
  board: Switchboard,
  from: Exclude<Endpoint, { kind: 'mailbox' }>,
  dialled: Dialled,
  presentedLineId: string | null,
  withheld: boolean,
): Made {
  const target = targetOf(board, dialled);
  const isOutward = target.kind === 'network' || target.kind === 'unknown';
  const call = board.addCall({
    kind: from.kind === 'outside' ? 'inbound' : isOutward ? 'outbound' : 'internal',
    dialled: target.number,
    lineId: target.kind === 'line' ? target.lineId : isOutward ? presentedLineId : null,
    withheld,
    postDial: tailOf(dialled),
    startedAt: board.now,
    answeredAt: null,
    legs: [],
    ringing: null,
    finish: null,
    failure: null,
    messageMs: 0,
    timers: [],
  });
  const caller = board.addLeg(call, from, 'caller', 'connected');
  board.emitLeg('originated', caller);
  connectTo(board, call, target, from);
  return { ok: true, callId: call.id, legId: caller.id };
}

type Target =
  | { kind: 'person'; number: string; personId: string }
  | { kind: 'line'; number: string; lineId: string; ownerId: string }
  | { kind: 'network'; number: string }
  | { kind: 'unknown'; number: string; cause: 'unallocatedNumber' | 'facilityRejected' };

function targetOf(board: Switchboard, dialled: Dialled): Target {
  switch (dialled.kind) {
    case 'extension': {
      const person = board.office.peopleByExtension.get(dialled.extension);
      return person
        ? { kind: 'person', number: dialled.extension, personId: person.id }
        : { kind: 'unknown', number: dialled.extension, cause: 'unallocatedNumber' };
    }
    case 'national':
    case 'international': {
      const line = board.office.linesByNumber.get(dialled.e164);
      return line
        ? { kind: 'line', number: dialled.e164, lineId: line.id, ownerId: line.ownerId }
        : { kind: 'network', number: dialled.e164 };
    }
    case 'emergency':
      return { kind: 'network', number: dialled.number };
    case 'service':
      return dialled.scope === 'network'
        ? { kind: 'network', number: dialled.code }
        : { kind: 'unknown', number: dialled.code, cause: 'facilityRejected' };
    case 'empty':
    case 'withheld':
    case 'invalid':
      throw new Error(`${dialled.kind} can't be called`);
  }
}

function connectTo(board: Switchboard, call: Call, target: Target, from: Endpoint): void {
  const callingDeviceId = from.kind === 'device' ? from.deviceId : undefined;
  switch (target.kind) {
    case 'person':
      startRinging(board, call, { ownerId: target.personId, lineId: null, callingDeviceId });
      return;
    case 'line':
      startRinging(board, call, { ownerId: target.ownerId, lineId: target.lineId, callingDeviceId });
      return;
    case 'network': {
      if (from.kind === 'outside') {
        failCall(board, call, 'unallocatedNumber');
        return;
      }
      const leg = board.addLeg(
        call,
        { kind: 'outside', number: target.number, name: null },
        'called',
        'initiated',
      );
      board.emit({
        type: 'networkReached',
        at: board.now,
        callId: call.id,
        legId: leg.id,
        number: target.number,
      });
      board.startTimer(call, board.now + limits.setupMs, { kind: 'setup', legId: leg.id });
      return;
    }
    case 'unknown':
      failCall(board, call, target.cause);
      return;
  }
}

/** Extension and post-dial digits are both sent after the answer, the extension first. */
function tailOf(dialled: Dialled): string | null {
  if (dialled.kind === 'extension') return dialled.postDial ?? null;
  if (dialled.kind !== 'national' && dialled.kind !== 'international') return null;
  const extension = dialled.extension ? `pp${dialled.extension}` : '';
  return `${extension}${dialled.postDial ?? ''}` || null;
}
