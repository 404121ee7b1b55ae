import {
  isMachine,
  isTalking,
  type Call,
  type Command,
  type ExchangeEvent,
  type Leg,
} from '@/core/calls/exchange';
import { meetingLimits, type Meeting, type MeetingAct } from '@/core/calls/meetings';
import type { Network } from '@/core/calls/quality';

import { goodNetwork } from './networks';
import type { Script, StandInCast } from './scripts';
import type { Act, Speech, StandInState } from './state';

const times = {
  /** How long the public network takes to reach the other side. */
  reachMs: 800,
  /** From the answer to the first word. */
  breathMs: 400,
  /** How long a caller bears a failure tone. */
  toneMs: 4_000,
  /** How long a menu waits for a key before it says its choices again. */
  menuWaitMs: 12_000,
  /** How soon somebody answers who was busy before. */
  freeAgainAnswerMs: 4_000,
  /** How long somebody listens to who is calling before they press the key. */
  acceptMs: 1_500,
  /** How soon a colleague has the meeting on the screen beside their phone, and how soon they are seen then. */
  besideMs: 1_500,
  cameraMs: 2_500,
  /** How long somebody outside takes to read a text with a link, and how soon they are seen then. */
  linkMs: 4_000,
  seenMs: 1_500,
  /** How long they look at what is shared before they want to say something. */
  lookMs: 6_000,
} as const;

const menuTurns = 3;

/**
 * The people, companies and phones outside, as a second deterministic machine beside the exchange: it sees what
 * happens, and acts after its scripts. Its state is plain data, so that it lives through a reload too.
 */
export class StandIns {
  private state: StandInState;

  constructor(
    private readonly cast: StandInCast,
    state?: StandInState,
  ) {
    this.state = state ?? {
      nextOrder: 1,
      pending: [],
      menus: {},
      changed: {},
      busyUntil: {},
      network: goodNetwork,
    };
  }

  save(): StandInState {
    return JSON.parse(JSON.stringify(this.state)) as StandInState;
  }

  scriptOf(party: string): Script {
    return this.state.changed[party] ?? this.cast.scripts[party] ?? this.cast.otherwise;
  }

  /** Somebody who was busy and no longer is makes the network say so at once. */
  setScript(party: string, script: Script, at: number): void {
    const wasBusy = this.scriptOf(party).kind === 'busy';
    this.state.changed[party] = script;
    delete this.state.busyUntil[party];
    if (wasBusy && script.kind !== 'busy') this.push(at, '', '', { kind: 'reportFree', number: party });
  }

  get network(): Network {
    return this.state.network;
  }

  setNetwork(network: Network): void {
    this.state.network = network;
  }

  nextAt(): number | null {
    return this.state.pending.reduce<number | null>(
      (next, { at }) => (next === null || at < next ? at : next),
      null,
    );
  }

  /** Takes notice of what happened, and plans what to do about it. */
  observe(events: readonly ExchangeEvent[], calls: ReadonlyMap<string, Call>): void {
    for (const event of events) {
      if (event.type === 'meetingChanged') {
        const call = calls.get(event.callId);
        if (call) this.joinIn(event.at, call);
      }
      if (!('legId' in event)) continue;
      const call = calls.get(event.callId);
      const leg = call?.legs.find(({ id }) => id === event.legId);
      if (call && leg) this.react(event, call, leg);
      else this.forget(event.legId);
    }
  }

  /** Does the first thing due by `to`: a command for the exchange, something said, or nothing left. */
  takeDue(to: number): { at: number; command?: Command; speech?: Speech } | null {
    const due = this.state.pending
      .filter(({ at }) => at <= to)
      .sort((a, b) => a.at - b.at || a.order - b.order)[0];
    if (!due) return null;
    this.state.pending = this.state.pending.filter((other) => other !== due);
    const { at, callId, legId, act } = due;
    switch (act.kind) {
      case 'say':
        return { at, speech: this.speech(at, callId, legId, act.clip) };
      case 'fail':
        return { at, command: { type: 'fail', legId, cause: act.cause } };
      case 'menuTimeout':
        this.menuTimedOut(at, callId, legId, act.turn);
        return { at };
      case 'sendDigits':
        return { at, command: { type: 'sendDigits', legId, digits: act.digits } };
      case 'reportFree':
        return { at, command: { type: 'reportFree', number: act.number } };
      case 'inMeeting':
        return { at, command: { type: 'inMeeting', legId, act: act.act } };
      case 'knock': {
        const { token, name } = act;
        return { at, command: { type: 'knock', token, name, guestId: playedGuest(callId) } };
      }
      default:
        return { at, command: { type: act.kind, legId } };
    }
  }

  private react(event: ExchangeEvent, call: Call, leg: Leg): void {
    switch (event.type) {
      case 'networkReached':
        this.beReached(event.at, call, leg, event.number);
        return;
      case 'delivered':
        this.beRung(event.at, call, leg);
        return;
      case 'acceptAsked':
        if (this.scriptFor(leg).kind === 'answers')
          this.plan(event.at + times.acceptMs, call, leg, { kind: 'sendDigits', digits: '1' });
        return;
      case 'established':
      case 'pickedUp':
        this.startTalking(event.at, call, leg);
        this.joinIn(event.at, call);
        return;
      case 'joined':
        this.joinIn(event.at, call);
        return;
      case 'messageStarted':
        this.leaveMessage(event.at, call);
        return;
      case 'digitsSent':
        for (const digit of event.digits) this.hearDigit(event.at, call, leg, digit);
        return;
      case 'connectionCleared':
        this.forget(leg.id);
        return;
    }
  }

  private beReached(at: number, call: Call, leg: Leg, number: string): void {
    const script = this.scriptOf(number);
    const reachedAt = at + times.reachMs;
    if (script.kind === 'busy' && this.isBusyAt(number, script.freeSeconds, at))
      this.plan(reachedAt, call, leg, { kind: 'fail', cause: 'userBusy' });
    else if (script.kind === 'unknownNumber')
      this.plan(reachedAt, call, leg, { kind: 'fail', cause: 'unallocatedNumber' });
    else this.plan(reachedAt, call, leg, { kind: 'alert' });
  }

  private isBusyAt(number: string, freeSeconds: number | undefined, at: number): boolean {
    if (freeSeconds === undefined) return true;
    const known = this.state.busyUntil[number];
    if (known !== undefined) return at < known;
    const until = at + freeSeconds * 1000;
    this.state.busyUntil[number] = until;
    this.push(until, '', '', { kind: 'reportFree', number });
    return true;
  }

  /** A phone of the office that nobody wrote a script for waits for a hand: it may be the worker's own. */
  private scriptFor(leg: Leg): Script {
    const party = partyOf(leg);
    const isPhone = leg.endpoint.kind === 'device';
    return isPhone && !this.cast.scripts[party] && !this.state.changed[party]
      ? { kind: 'byHand' }
      : this.scriptOf(party);
  }

  private beRung(at: number, call: Call, leg: Leg): void {
    const script = this.scriptFor(leg);
    switch (script.kind) {
      case 'answers':
      case 'menu':
        this.plan(at + script.afterSeconds * 1000, call, leg, { kind: 'answer' });
        return;
      case 'busy':
        this.plan(at + times.freeAgainAnswerMs, call, leg, { kind: 'answer' });
        return;
      case 'refuses':
        this.plan(at + script.afterSeconds * 1000, call, leg, { kind: 'refuse' });
        return;
      default:
        return;
    }
  }

  private startTalking(at: number, call: Call, leg: Leg): void {
    if (isMachine(leg)) return;
    const script = this.scriptFor(leg);
    if (script.kind === 'menu') {
      this.state.menus[leg.id] = { menuId: script.menuId, turn: 1 };
      this.sayMenu(at + times.breathMs, call.id, leg.id);
      return;
    }
    if (script.kind === 'answers') {
      this.plan(at + times.breathMs, call, leg, { kind: 'say', clip: script.clip });
      if (script.talksForSeconds !== null) {
        this.plan(at + script.talksForSeconds * 1000, call, leg, { kind: 'clear' });
      }
    }
    const caller = call.legs.find((other) => other.role === 'caller' && other.endpoint.kind === 'outside');
    if (caller && leg.role === 'called') {
      const clip = this.cast.callerClips[partyOf(caller)] ?? this.cast.callerClips['otherwise'];
      if (clip) this.plan(at + 2 * times.breathMs, call, caller, { kind: 'say', clip });
    }
  }

  /** Colleagues look at a meeting on the screen beside their phone, and are seen; one of them has a question about what is shared. */
  private joinIn(at: number, call: Call): void {
    const { meeting } = call;
    if (!meeting) return;
    const colleagues = call.legs.filter(
      (leg) => leg.endpoint.kind === 'device' && isTalking(leg) && this.scriptFor(leg).kind === 'answers',
    );
    for (const leg of colleagues) {
      if (meeting.besideLegIds.includes(leg.id) || this.isAbout(leg, 'openBeside')) continue;
      this.plan(at + times.besideMs, call, leg, { kind: 'inMeeting', act: { act: 'openBeside' } });
      const act: MeetingAct = { act: 'show', kind: 'camera' };
      this.plan(at + times.cameraMs, call, leg, { kind: 'inMeeting', act });
    }
    this.comeByLinks(at, call, meeting);
    const [asks] = colleagues;
    const screen = meeting.pictures.find(({ kind, at: since }) => kind === 'screen' && since === at);
    if (asks && screen && !this.isAbout(asks, 'raiseHand'))
      this.plan(at + times.lookMs, call, asks, { kind: 'inMeeting', act: { act: 'raiseHand' } });
  }

  /** Whoever was sent a link looks at it beside their phone, and is seen; by one for guests somebody comes who wants to be let in. */
  private comeByLinks(at: number, call: Call, meeting: Meeting): void {
    const camera: MeetingAct = { act: 'show', kind: 'camera' };
    // Just given: whoever was turned away does not come by the same one again.
    const given = meeting.links.filter(({ until }) => until === at + meetingLimits.linkMs);
    for (const { forLegId, openAt, token } of given) {
      const leg = call.legs.find(({ id }) => id === forLegId);
      if (leg) {
        const isOpen = openAt !== null || meeting.besideLegIds.includes(leg.id);
        if (isOpen || this.isAbout(leg, 'openBeside') || noScreen.includes(this.scriptFor(leg).kind))
          continue;
        this.plan(at + times.linkMs, call, leg, { kind: 'inMeeting', act: { act: 'openBeside' } });
        this.plan(at + times.linkMs + times.seenMs, call, leg, { kind: 'inMeeting', act: camera });
      } else if (forLegId === null && this.cast.guest !== undefined && !this.hasCome(call)) {
        const act = { kind: 'knock', token, name: this.cast.guest } as const;
        this.push(at + times.linkMs, call.id, '', act);
      }
    }
    const guest = call.legs.find((leg) => isTalking(leg) && isPlayedGuest(leg));
    const isSeen = meeting.pictures.some(({ legId }) => legId === guest?.id);
    if (guest?.answeredAt === at && !isSeen && !this.isAbout(guest, 'show'))
      this.plan(at + times.seenMs, call, guest, { kind: 'inMeeting', act: camera });
  }

  /** The guest of that call is there, was there, or is on their way. */
  private hasCome({ id, legs, meeting }: Call): boolean {
    return (
      this.state.pending.some(({ callId, act }) => callId === id && act.kind === 'knock') ||
      legs.some(isPlayedGuest) ||
      meeting?.waiting.some(({ guestId }) => guestId === playedGuest(id)) === true
    );
  }

  private isAbout(leg: Leg, what: MeetingAct['act']): boolean {
    return this.state.pending.some(
      ({ legId, act }) => legId === leg.id && act.kind === 'inMeeting' && act.act.act === what,
    );
  }

  private leaveMessage(at: number, call: Call): void {
    const caller = call.legs.find((leg) => leg.role === 'caller');
    if (caller?.endpoint.kind !== 'outside') return;
    const clip = this.cast.messageClip;
    this.plan(at + times.breathMs, call, caller, { kind: 'say', clip });
    this.plan(at + times.breathMs + this.lengthMs(clip), call, caller, { kind: 'clear' });
  }

  private hearDigit(at: number, call: Call, sender: Leg, digit: string): void {
    for (const leg of call.legs) {
      const menu = this.state.menus[leg.id];
      if (!menu || leg === sender || leg.state !== 'connected') continue;
      const definition = this.cast.menus[menu.menuId];
      if (!definition) continue;
      this.forgetPlans(leg.id);
      const choice = definition.choices[digit];
      const clip = choice?.clip ?? definition.wrongKey;
      const endsAt = at + times.breathMs + this.lengthMs(clip);
      this.plan(at + times.breathMs, call, leg, { kind: 'say', clip });
      if (choice?.thenHangUp) this.plan(endsAt + 1000, call, leg, { kind: 'clear' });
      else this.plan(endsAt + times.menuWaitMs, call, leg, { kind: 'menuTimeout', turn: menu.turn });
    }
  }

  private sayMenu(at: number, callId: string, legId: string): void {
    const menu = this.state.menus[legId];
    const greeting = this.cast.menus[menu?.menuId ?? '']?.greeting;
    if (!menu || !greeting) return;
    this.push(at, callId, legId, { kind: 'say', clip: greeting });
    const waitUntil = at + this.lengthMs(greeting) + times.menuWaitMs;
    this.push(waitUntil, callId, legId, { kind: 'menuTimeout', turn: menu.turn });
  }

  private menuTimedOut(at: number, callId: string, legId: string, turn: number): void {
    const menu = this.state.menus[legId];
    if (!menu || menu.turn !== turn) return;
    menu.turn++;
    if (menu.turn > menuTurns) this.push(at, callId, legId, { kind: 'clear' });
    else this.sayMenu(at, callId, legId);
  }

  /** A caller of the stand-ins who hears a failure tone gives up. */
  giveUpOnFailure(at: number, calls: Iterable<Call>): void {
    for (const call of calls) {
      const caller = call.legs.find((leg) => leg.role === 'caller');
      if (!call.failure || caller?.endpoint.kind !== 'outside') continue;
      const isPlanned = this.state.pending.some(
        ({ legId, act }) => legId === caller.id && act.kind === 'clear',
      );
      if (!isPlanned) this.plan(at + times.toneMs, call, caller, { kind: 'clear' });
    }
  }

  private speech(at: number, callId: string, legId: string, clip: string): Speech {
    return { at, callId, legId, clip, text: this.cast.clips[clip]?.text ?? '' };
  }

  private lengthMs(clip: string): number {
    return (this.cast.clips[clip]?.seconds ?? 3) * 1000;
  }

  private plan(at: number, call: Call, leg: Leg, act: Act): void {
    this.push(at, call.id, leg.id, act);
  }

  private push(at: number, callId: string, legId: string, act: Act): void {
    this.state.pending.push({ at, order: this.state.nextOrder++, callId, legId, act });
  }

  private forgetPlans(legId: string): void {
    this.state.pending = this.state.pending.filter((plan) => plan.legId !== legId);
  }

  private forget(legId: string): void {
    this.forgetPlans(legId);
    delete this.state.menus[legId];
  }
}

/** Who is no person has no screen. */
const noScreen: readonly Script['kind'][] = ['menu', 'unknownNumber'];

/** Under which name the office knows whoever comes by a link to a call and is played. */
const playedPrefix = 'played-';
const playedGuest = (callId: string) => `${playedPrefix}${callId}`;
const isPlayedGuest = ({ endpoint }: Pick<Leg, 'endpoint'>) =>
  endpoint.kind === 'outside' && endpoint.guestId?.startsWith(playedPrefix) === true;

/** The key a leg's script is found by: its number or device. */
function partyOf(leg: Leg): string {
  switch (leg.endpoint.kind) {
    case 'device':
      return leg.endpoint.deviceId;
    case 'outside':
      return leg.endpoint.number ?? 'withheld';
    default:
      return leg.endpoint.kind;
  }
}
