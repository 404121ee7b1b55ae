import TinyQueue from 'tinyqueue';

import type { OfficeIndex } from '../office';
import type { Call, Endpoint, Leg, LegState, Timer } from './call';
import type { Cause } from './causes';
import type { ExchangeEvent } from './events';

interface QueuedTimer {
  at: number;
  id: number;
  callId: string;
}

const inTimeOrder = (a: QueuedTimer, b: QueuedTimer) => a.at - b.at || a.id - b.id;

/**
 * What the exchange's operations work on: calls with their legs and timers, the devices' legs, and the events of
 * the command being carried out. Timers live in their call, so none can survive it; the queue only orders them.
 */
export class Switchboard {
  now = 0;
  nextId = 1;
  readonly calls = new Map<string, Call>();
  readonly legs = new Map<string, Leg>();
  readonly signedIn = new Set<string>();
  readonly deviceLegs = new Map<string, Set<Leg>>();
  events: ExchangeEvent[] = [];
  private queue = new TinyQueue<QueuedTimer>([], inTimeOrder);

  constructor(readonly office: OfficeIndex) {}

  emit(event: ExchangeEvent): void {
    this.events.push(event);
  }

  /** Event for one leg, stamped with now. */
  emitLeg(
    type:
      | 'originated'
      | 'delivered'
      | 'established'
      | 'held'
      | 'retrieved'
      | 'muted'
      | 'unmuted'
      | 'messageStarted',
    leg: Leg,
  ): void {
    this.events.push({ type, at: this.now, callId: leg.callId, legId: leg.id });
  }

  addCall(call: Omit<Call, 'id'>): Call {
    const withId: Call = { id: `c${this.nextId++}`, ...call };
    this.calls.set(withId.id, withId);
    return withId;
  }

  addLeg(call: Call, endpoint: Endpoint, role: Leg['role'], state: LegState): Leg {
    const leg: Leg = {
      id: `l${this.nextId++}`,
      callId: call.id,
      endpoint,
      role,
      state,
      stateSince: this.now,
      createdAt: this.now,
      answeredAt: null,
      clearedAt: null,
      muted: false,
      digitsSent: '',
      mailboxPhase: null,
      cause: null,
    };
    call.legs.push(leg);
    this.index(leg);
    return leg;
  }

  /** Adds a leg to the look-ups; for new and for restored ones. */
  index(leg: Leg): void {
    if (leg.state === 'cleared') return;
    this.legs.set(leg.id, leg);
    if (leg.endpoint.kind !== 'device') return;
    const legs = this.deviceLegs.get(leg.endpoint.deviceId);
    if (legs) legs.add(leg);
    else this.deviceLegs.set(leg.endpoint.deviceId, new Set([leg]));
  }

  setState(leg: Leg, state: LegState): void {
    leg.state = state;
    leg.stateSince = this.now;
  }

  clearLeg(leg: Leg, cause: Cause): void {
    if (leg.state === 'cleared') return;
    this.setState(leg, 'cleared');
    leg.clearedAt = this.now;
    leg.cause ??= cause;
    this.legs.delete(leg.id);
    if (leg.endpoint.kind === 'device') this.deviceLegs.get(leg.endpoint.deviceId)?.delete(leg);
    this.emit({
      type: 'connectionCleared',
      at: this.now,
      callId: leg.callId,
      legId: leg.id,
      cause: leg.cause,
    });
  }

  callOf(leg: Leg): Call {
    const call = this.calls.get(leg.callId);
    if (!call) throw new Error(`Leg ${leg.id} has no call`);
    return call;
  }

  isBusy(deviceId: string): boolean {
    const limit = this.office.devices.get(deviceId)?.callLimit ?? 0;
    return (this.deviceLegs.get(deviceId)?.size ?? 0) >= limit;
  }

  /** The leg this device talks on now, if any. */
  activeLeg(deviceId: string): Leg | null {
    for (const leg of this.deviceLegs.get(deviceId) ?? []) if (leg.state === 'connected') return leg;
    return null;
  }

  startTimer(call: Call, at: number, what: Timer['what']): void {
    const timer: Timer = { id: this.nextId++, at, what };
    call.timers.push(timer);
    this.queue.push({ at, id: timer.id, callId: call.id });
  }

  stopTimers(call: Call, matches: (timer: Timer) => boolean): void {
    call.timers = call.timers.filter((timer) => !matches(timer));
  }

  /** Puts a restored call's timers back into the queue. */
  queueTimers(call: Call): void {
    for (const timer of call.timers) this.queue.push({ at: timer.at, id: timer.id, callId: call.id });
  }

  /** Time of the next live timer, or null. */
  nextTimerAt(): number | null {
    this.dropStopped();
    return this.queue.peek()?.at ?? null;
  }

  /** Takes the next live timer due by `to`, or null. */
  takeTimer(to: number): { call: Call; timer: Timer } | null {
    this.dropStopped();
    const next = this.queue.peek();
    if (!next || next.at > to) return null;
    this.queue.pop();
    const call = this.calls.get(next.callId);
    const timer = call?.timers.find(({ id }) => id === next.id);
    if (!call || !timer) throw new Error(`Timer ${next.id} lost its call`);
    this.stopTimers(call, ({ id }) => id === timer.id);
    return { call, timer };
  }

  private dropStopped(): void {
    for (let next = this.queue.peek(); next; next = this.queue.peek()) {
      const { id, callId } = next;
      if (this.calls.get(callId)?.timers.some((timer) => timer.id === id)) return;
      this.queue.pop();
    }
  }
}
