import TinyQueue from 'tinyqueue';

import type { OfficeIndex } from '@/core/setup';
import { leaveMeeting } from './attending';
import {
  isTalking,
  type Call,
  type CallAct,
  type Endpoint,
  type Leg,
  type LegState,
  type ReasonToBring,
  type Timer,
} from './call';
import type { Cause } from './causes';
import type { ExchangeEvent, plainLegEvents } from './events';
import type { Agent, QueueMemory } from './state';

interface Wake {
  at: number;
  personId?: string;
  teamId?: string;
}

interface QueuedTimer {
  at: number;
  id: number;
  callId: string;
}

/** A call that came from an outside number. */
export interface RecentCaller {
  number: string;
  at: number;
}

const triesKeptMs = 24 * 60 * 60_000;

const inTimeOrder = (a: QueuedTimer, b: QueuedTimer) => a.at - b.at || a.id - b.id;

export interface NewLeg {
  endpoint: Endpoint;
  role: Leg['role'];
  state: LegState;
  broughtFor: ReasonToBring;
  broughtById: string | null;
  /** Who speaks there, where it isn't the device's owner. */
  personId?: string | null;
}

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
  /** Devices that let no second call ring. */
  readonly withoutWaiting = new Set<string>();
  wrongPins: { conferenceId: string; at: number }[] = [];
  readonly deviceLegs = new Map<string, Set<Leg>>();
  /** Calls by their park slot, by their invitation's code, and those that wait for somebody to be free. */
  readonly bySlot = new Map<string, Call>();
  readonly byCode = new Map<string, Call>();
  readonly waiting = new Set<Call>();
  /** Who has called from outside in the last day, oldest first. */
  recentCallers: RecentCaller[] = [];
  /** Calls that wait in a team's queue, by the team, the first to come first. */
  readonly queues = new Map<string, Call[]>();
  /** What members have said of themselves, by the team and the person. */
  readonly agents = new Map<string, Map<string, Agent>>();
  /** Who could take a call of a team, as far as that does not change with time alone; follows from all the rest. */
  readonly free = new Map<string, Set<string>>();
  /** Of whom it may have changed whether they are free; teams whose calls may be handed out; calls that somebody was rung for. */
  readonly touchedPeople = new Set<string>();
  readonly unservedTeams = new Set<string>();
  readonly endedOffers = new Set<Call>();
  readonly queueMemory = new Map<string, QueueMemory>();
  /** Calls that whoever served them may have left. */
  readonly leftByServer = new Set<Call>();
  /** When the last talk of each person ended who is in a queue’s team. */
  readonly talksEnded = new Map<string, number>();
  /** Calls whose ringing is over without an answer; the exchange sends them on before it does anything else. */
  unanswered: Call[] = [];
  events: ExchangeEvent[] = [];
  /** Calls to which something happened, or a time of which has come, since they were last taken. */
  changedIds = new Set<string>();
  private queue = new TinyQueue<QueuedTimer>([], inTimeOrder);

  private readonly wakes = new TinyQueue<Wake>([], (a, b) => a.at - b.at);

  /** Replaced as a whole when the office is configured anew. */
  constructor(public office: OfficeIndex) {}

  /** Something at a device has changed: its owner may be free now for the calls of their teams, or no longer. */
  touch(deviceId: string): void {
    const ownerId = this.office.devices.get(deviceId)?.personId ?? null;
    if (ownerId !== null && this.office.queueTeams.has(ownerId)) this.touchedPeople.add(ownerId);
  }

  /** All of that is to be found out anew. */
  touchAll(): void {
    for (const personId of this.office.queueTeams.keys()) this.touchedPeople.add(personId);
    for (const teamId of this.queues.keys()) this.unservedTeams.add(teamId);
  }

  /** At that moment somebody may be free by themselves, or a team's calls may be handed out again. */
  wakeAt(at: number, whom: Omit<Wake, 'at'>): void {
    this.wakes.push({ at, ...whom });
  }

  takeWakes(): void {
    for (let next = this.wakes.peek(); next && next.at <= this.now; next = this.wakes.peek()) {
      this.wakes.pop();
      if (next.personId !== undefined) this.touchedPeople.add(next.personId);
      if (next.teamId !== undefined) this.unservedTeams.add(next.teamId);
    }
  }

  emit(event: ExchangeEvent): void {
    this.events.push(event);
    if ('callId' in event) this.changedIds.add(event.callId);
  }

  /** Event for one leg, stamped with now. */
  emitLeg(type: (typeof plainLegEvents)[number], leg: Leg): void {
    this.emit({ type, at: this.now, callId: leg.callId, legId: leg.id });
  }

  addCall(call: Omit<Call, 'id'>): Call {
    const withId: Call = { id: `c${this.nextId++}`, ...call };
    this.calls.set(withId.id, withId);
    return withId;
  }

  addLeg(call: Call, { endpoint, role, state, broughtFor, broughtById, personId }: NewLeg): Leg {
    const owner = endpoint.kind === 'device' ? (this.office.ownerOf(endpoint.deviceId)?.id ?? null) : null;
    const leg: Leg = {
      id: `l${this.nextId++}`,
      callId: call.id,
      endpoint,
      personId: personId ?? owner,
      role,
      broughtFor,
      broughtById,
      state,
      stateSince: this.now,
      createdAt: this.now,
      answeredAt: null,
      clearedAt: null,
      muted: false,
      silencedBy: null,
      room: 'floor',
      roomBy: null,
      digitsSent: '',
      accept: 'no',
      replaces: null,
      leaves: false,
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
    this.touch(leg.endpoint.deviceId);
    const legs = this.deviceLegs.get(leg.endpoint.deviceId);
    if (legs) legs.add(leg);
    else this.deviceLegs.set(leg.endpoint.deviceId, new Set([leg]));
  }

  /** Adds a restored call to the look-ups, with its legs and timers. */
  indexCall(call: Call): void {
    this.calls.set(call.id, call);
    for (const leg of call.legs) this.index(leg);
    for (const timer of call.timers) this.queue.push({ at: timer.at, id: timer.id, callId: call.id });
    if (call.parked) this.bySlot.set(call.parked.slot, call);
    if (call.invitation) this.byCode.set(call.invitation.code, call);
    if (call.waitsFor !== null) this.waiting.add(call);
    if (call.queued) this.enqueue(call);
  }

  /** Takes an ended call out of all look-ups. Its legs are cleared already. */
  removeCall(call: Call): void {
    call.timers = [];
    this.calls.delete(call.id);
    if (call.parked) this.bySlot.delete(call.parked.slot);
    if (call.invitation) this.byCode.delete(call.invitation.code);
    this.waiting.delete(call);
    this.dequeue(call);
  }

  /** Puts a call into its queue, behind all that came before. */
  enqueue(call: Call): void {
    const { queued } = call;
    if (!queued) return;
    this.unservedTeams.add(queued.teamId);
    const calls = this.queues.get(queued.teamId) ?? [];
    this.queues.set(queued.teamId, calls);
    // Most come last; only those that are restored come in another order.
    const isLast = (calls.at(-1)?.queued?.ticket ?? 0) < queued.ticket;
    const later = isLast ? -1 : calls.findIndex((other) => (other.queued?.ticket ?? 0) > queued.ticket);
    calls.splice(later < 0 ? calls.length : later, 0, call);
  }

  dequeue({ id, queued }: Call): void {
    const calls = queued && this.queues.get(queued.teamId);
    if (!calls) return;
    const at = calls.findIndex((call) => call.id === id);
    if (at >= 0) calls.splice(at, 1);
    if (calls.length === 0) this.queues.delete(queued.teamId);
  }

  setState(leg: Leg, state: LegState): void {
    if (leg.endpoint.kind === 'device') this.touch(leg.endpoint.deviceId);
    leg.state = state;
    leg.stateSince = this.now;
  }

  clearLeg(leg: Leg, cause: Cause): void {
    if (leg.state === 'cleared') return;
    if (leg.personId !== null && isTalking(leg) && this.office.queueTeams.has(leg.personId))
      this.talksEnded.set(leg.personId, this.now);
    this.setState(leg, 'cleared');
    leg.clearedAt = this.now;
    leg.cause ??= cause;
    this.legs.delete(leg.id);
    if (leg.endpoint.kind === 'device') this.deviceLegs.get(leg.endpoint.deviceId)?.delete(leg);
    const call = this.callOf(leg);
    if (call.servedBy && call.servedBy.personId === leg.personId) this.leftByServer.add(call);
    if (call.queued) this.endedOffers.add(call);
    this.stopTimers(call, ({ what }) => 'legId' in what && what.legId === leg.id);
    this.emit({
      type: 'connectionCleared',
      at: this.now,
      callId: leg.callId,
      legId: leg.id,
      cause: leg.cause,
    });
    releaseOthers(call, leg);
    leaveMeeting(call, leg);
    const replacing = call.legs.find((other) => other.replaces === leg.id && other.state === 'alerting');
    if (replacing) this.clearLeg(replacing, cause);
    if (call.invitation?.legId === leg.id) this.endInvitation(call);
  }

  endInvitation(call: Call): void {
    if (!call.invitation) return;
    this.byCode.delete(call.invitation.code);
    call.invitation = null;
    this.emit({ type: 'invitationEnded', at: this.now, callId: call.id });
  }

  endParking(call: Call): void {
    if (!call.parked) return;
    this.bySlot.delete(call.parked.slot);
    call.parked = null;
    this.stopTimers(call, ({ what }) => what.kind === 'park');
  }

  note(call: Call, act: CallAct['act'], byId: string | null, to: string | null = null): void {
    call.acts.push({ at: this.now, act, byId, to });
  }

  callOf(leg: Leg): Call {
    const call = this.calls.get(leg.callId);
    if (!call) throw new Error(`Leg ${leg.id} has no call`);
    return call;
  }

  /** Calls at the device; one that only waits for somebody else to be free is none yet. */
  callsAt(deviceId: string): number {
    let count = 0;
    for (const leg of this.deviceLegs.get(deviceId) ?? []) if (leg.state !== 'queued') count++;
    return count;
  }

  /** Whether another call can't ring there: it holds as many as it can, lets none wait, or is on an emergency call. */
  isBusy(deviceId: string): boolean {
    const count = this.callsAt(deviceId);
    if (count === 0) return false;
    const limit = this.office.devices.get(deviceId)?.callLimit ?? 0;
    return count >= limit || this.withoutWaiting.has(deviceId) || this.isInEmergency(deviceId);
  }

  /** Whether somebody talks, or holds somebody, at any device of theirs. */
  isOnCall(personId: string): boolean {
    return this.office
      .devicesOf(personId)
      .some(({ id }) => [...(this.deviceLegs.get(id) ?? [])].some(isTalking));
  }

  noteCaller(number: string): void {
    const kept = this.recentCallers.findIndex(({ at }) => at > this.now - triesKeptMs);
    if (kept !== 0) this.recentCallers.splice(0, kept < 0 ? Infinity : kept);
    this.recentCallers.push({ number, at: this.now });
  }

  triesWithin(number: string, minutes: number): number {
    const since = this.now - minutes * 60_000;
    return this.recentCallers.filter((caller) => caller.number === number && caller.at >= since).length;
  }

  isInEmergency(deviceId: string): boolean {
    for (const leg of this.deviceLegs.get(deviceId) ?? []) if (this.callOf(leg).emergency) return true;
    return false;
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
    if (call.timers.length > 0) call.timers = call.timers.filter((timer) => !matches(timer));
  }

  /** Takes a leg with its timers into another call. */
  moveLeg(leg: Leg, from: Call, into: Call): void {
    from.legs = from.legs.filter((other) => other !== leg);
    leaveMeeting(from, leg);
    leg.callId = into.id;
    leg.role = 'called';
    if (leg.answeredAt !== null) leg.chargedUntil = this.now;
    into.legs.push(leg);
    const isOfLeg = ({ what }: Timer) => 'legId' in what && what.legId === leg.id;
    this.moveTimers(from, into, isOfLeg);
  }

  moveTimers(from: Call, into: Call, matches: (timer: Timer) => boolean): void {
    for (const timer of from.timers.filter(matches)) {
      into.timers.push(timer);
      this.queue.push({ at: timer.at, id: timer.id, callId: into.id });
    }
    this.stopTimers(from, matches);
  }

  /** When something happens by itself next, or null. */
  nextTimerAt(): number | null {
    this.dropStopped();
    // While nobody waits it does not matter who is free.
    const wake = this.queues.size > 0 ? (this.wakes.peek()?.at ?? Infinity) : Infinity;
    const next = Math.min(this.queue.peek()?.at ?? Infinity, wake);
    return next === Infinity ? null : next;
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
    this.changedIds.add(call.id);
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

/** Nobody stays silenced, aside or in a private word by somebody who has gone. */
function releaseOthers(call: Call, gone: Leg): void {
  const others = call.legs.filter((leg) => leg !== gone);
  for (const leg of others) {
    if (leg.silencedBy === gone.id) leg.silencedBy = null;
    const hasLostPartner = gone.room === 'private' && leg.room === 'private';
    if (leg.roomBy === gone.id || hasLostPartner) {
      leg.room = 'floor';
      leg.roomBy = null;
    }
  }
}
