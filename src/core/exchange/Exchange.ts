import { z } from 'zod';

import { OfficeIndex, type OfficeSetup } from '../office';
import { callSchema, type Call, type Leg, type Timer } from './call';
import { clearCall, failLeg, leaveCall } from './clearing';
import type { Command, Refusal } from './commands';
import type { ExchangeEvent } from './events';
import { limits } from './limits';
import { makeCall } from './making';
import { continueRinging, skipSilence, stopRingingPerson } from './ringing';
import { Switchboard } from './Switchboard';
import { answerLeg, holdLeg, retrieveLeg, sendDigits, setAsideActiveCall, setMuted } from './talking';
import { allowedIn } from './transitions';

export const exchangeStateSchema = z.object({
  now: z.number(),
  nextId: z.number(),
  signedIn: z.array(z.string()),
  calls: z.array(callSchema),
});
/** The whole exchange as plain data, timers included. */
export type ExchangeState = z.infer<typeof exchangeStateSchema>;

export type CommandResult = { ok: true; callId?: string; legId?: string } | { ok: false; reason: Refusal };

const digitsPattern = /^[0-9A-D*#]{1,32}$/;

/**
 * The office phone system: a deterministic machine after ECMA-269's call model. Time is an argument (epoch
 * milliseconds) and never runs backwards; the same commands at the same times give the same events.
 */
export class Exchange {
  private readonly board: Switchboard;

  constructor(setup: OfficeSetup, state?: ExchangeState) {
    this.board = new Switchboard(new OfficeIndex(setup));
    if (state) this.restore(state);
  }

  get now(): number {
    return this.board.now;
  }

  get calls(): ReadonlyMap<string, Call> {
    return this.board.calls;
  }

  get signedIn(): ReadonlySet<string> {
    return this.board.signedIn;
  }

  /** When something will happen by itself next, or null. */
  nextTimerAt(): number | null {
    return this.board.nextTimerAt();
  }

  /**
   * Carries out one command at a time. `events` tells all that happened, what was due before included. A refused
   * command has changed nothing beyond what was due.
   */
  send(command: Command, at: number): { result: CommandResult; events: ExchangeEvent[] } {
    this.runUntil(at);
    const result = this.carryOut(command);
    return { result, events: this.takeEvents() };
  }

  /** Lets time go on, with all that is due until then. */
  advance(to: number): ExchangeEvent[] {
    this.runUntil(to);
    return this.takeEvents();
  }

  save(): ExchangeState {
    const { now, nextId, signedIn, calls } = this.board;
    return structuredCloneJson({ now, nextId, signedIn: [...signedIn], calls: [...calls.values()] });
  }

  private restore(state: ExchangeState): void {
    const { now, nextId, signedIn, calls } = structuredCloneJson(state);
    this.board.now = now;
    this.board.nextId = nextId;
    for (const deviceId of signedIn) this.board.signedIn.add(deviceId);
    for (const call of calls) {
      this.board.calls.set(call.id, call);
      for (const leg of call.legs) this.board.index(leg);
      this.board.queueTimers(call);
    }
  }

  private takeEvents(): ExchangeEvent[] {
    const { events } = this.board;
    this.board.events = [];
    return events;
  }

  private runUntil(to: number): void {
    for (let due = this.board.takeTimer(to); due; due = this.board.takeTimer(to)) {
      this.board.now = Math.max(this.board.now, due.timer.at);
      this.fire(due.call, due.timer.what);
    }
    this.board.now = Math.max(this.board.now, to);
  }

  private carryOut(command: Command): CommandResult {
    switch (command.type) {
      case 'signIn':
      case 'signOut':
        return this.setSignedIn(command.deviceId, command.type === 'signIn');
      case 'make':
        return makeCall(this.board, command);
      default:
        return this.actOnLeg(command);
    }
  }

  private actOnLeg(command: Exclude<Command, { type: 'signIn' | 'signOut' | 'make' }>): CommandResult {
    const { board } = this;
    const leg = board.legs.get(command.legId);
    if (!leg) return { ok: false, reason: { code: 'unknownLeg' } };
    if (!allowedIn[command.type].includes(leg.state)) {
      return { ok: false, reason: { code: 'notAllowed', act: command.type, state: leg.state } };
    }
    switch (command.type) {
      case 'alert':
      case 'fail':
        if (leg.endpoint.kind !== 'outside') return { ok: false, reason: { code: 'onlyOutside' } };
        if (command.type === 'fail') failLeg(board, leg, command.cause);
        else this.alertOutside(leg);
        break;
      case 'answer':
      case 'retrieve':
        if (leg.endpoint.kind === 'device')
          setAsideActiveCall(board, leg.endpoint.deviceId, command.activeCall);
        if (command.type === 'answer') answerLeg(board, leg);
        else retrieveLeg(board, leg);
        break;
      case 'refuse':
        this.refuse(leg);
        break;
      case 'hold':
        holdLeg(board, leg);
        break;
      case 'mute':
      case 'unmute':
        setMuted(board, leg, command.type === 'mute');
        break;
      case 'sendDigits':
        if (!digitsPattern.test(command.digits)) return { ok: false, reason: { code: 'badDigits' } };
        sendDigits(board, leg, command.digits);
        break;
      case 'clear':
        if (leg.role === 'called' && (leg.state === 'alerting' || leg.state === 'initiated'))
          this.refuse(leg);
        else leaveCall(board, leg, 'normalClearing');
        break;
    }
    return { ok: true, callId: leg.callId, legId: leg.id };
  }

  private alertOutside(leg: Leg): void {
    const call = this.board.callOf(leg);
    this.board.stopTimers(call, ({ what }) => what.kind === 'setup');
    this.board.setState(leg, 'alerting');
    this.board.emitLeg('delivered', leg);
    this.board.startTimer(call, this.board.now + limits.noAnswerMs, { kind: 'noAnswer', legId: leg.id });
  }

  private refuse(leg: Leg): void {
    const { board } = this;
    if (leg.endpoint.kind !== 'device') {
      failLeg(board, leg, 'callRejected');
      return;
    }
    const owner = board.office.ownerOf(leg.endpoint.deviceId);
    if (owner) stopRingingPerson(board, board.callOf(leg), owner.id, 'callRejected');
  }

  /** A device that signs out stops ringing; what it talks on goes on until cleared, since its signal may return. */
  private setSignedIn(deviceId: string, signedIn: boolean): CommandResult {
    const { board } = this;
    if (!board.office.devices.has(deviceId)) return { ok: false, reason: { code: 'unknownDevice' } };
    if (board.signedIn.has(deviceId) === signedIn) return { ok: true };
    if (signedIn) board.signedIn.add(deviceId);
    else board.signedIn.delete(deviceId);
    board.emit({ type: signedIn ? 'signedIn' : 'signedOut', at: board.now, deviceId });
    if (signedIn) return { ok: true };
    for (const leg of [...(board.deviceLegs.get(deviceId) ?? [])]) {
      if (leg.state !== 'alerting') continue;
      board.clearLeg(leg, 'temporaryFailure');
      skipSilence(board, board.callOf(leg));
    }
    return { ok: true };
  }

  private fire(call: Call, what: Timer['what']): void {
    const { board } = this;
    switch (what.kind) {
      case 'route':
        continueRinging(board, call);
        return;
      case 'tone':
        clearCall(board, call, call.failure ?? 'normalClearing');
        return;
      case 'setup':
      case 'noAnswer': {
        const leg = board.legs.get(what.legId);
        if (leg) failLeg(board, leg, what.kind === 'setup' ? 'noUserResponding' : 'noAnswer');
        return;
      }
      case 'greetingEnd': {
        const leg = board.legs.get(what.legId);
        if (!leg) return;
        leg.mailboxPhase = 'recording';
        leg.stateSince = board.now;
        board.emitLeg('messageStarted', leg);
        board.startTimer(call, board.now + limits.messageMs, { kind: 'messageLimit', legId: leg.id });
        return;
      }
      case 'messageLimit':
        clearCall(board, call, 'normalClearing');
        return;
      case 'digit': {
        const leg = board.legs.get(what.legId);
        if (leg?.state === 'connected') sendDigits(board, leg, what.digit);
        return;
      }
    }
  }
}

function structuredCloneJson<T>(value: T): T {
  return JSON.parse(JSON.stringify(value)) as T;
}
