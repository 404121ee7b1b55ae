import TinyQueue from 'tinyqueue';

import { type CallRecord, type ExchangeEvent, type ExchangeState } from '@/core/calls/exchange';
import { Exchange } from '@/core/calls/exchange/machine';
import { greetingSeconds } from '@/core/setup';
import { atLocalTime, localDayKey, localWeekday, shiftLocalDays, startOfLocalDay } from '@/core/shared/time';

import { sampleContacts, unknownMobile } from './contacts';
import { sampleOffice } from './office';
import { seededRandom, type Random } from './random';

export interface SampleHistory {
  /** Everybody's records, oldest first. */
  records: CallRecord[];
  /** The exchange that wrote them, with all devices signed in and no call left. */
  exchange: ExchangeState;
}

interface Act {
  at: number;
  order: number;
  run: () => void;
}

const { zone } = sampleOffice;
const secondMs = 1000;
const minuteMs = 60 * secondMs;

/** Calls a day of a small firm, by local hour: quiet mornings, a dip at lunch, few in the evening. */
const callsByHour: Record<number, number> = {
  7: 1, 8: 3, 9: 5, 10: 4, 11: 3, 12: 1.2, 13: 2, 14: 3, 15: 2.5, 16: 1.8, 17: 0.8, 18: 0.4,
}; // prettier-ignore
/** Which of Maren's situations begins at which local hour of a working day. */
const dayOfSituations: Record<number, string> = { 7: 'van', 9: 'site', 15: 'van', 16: 'bench', 19: 'off' };
const weekendShare = 0.12;
/** How long the worker listens to who is calling before they press the key. */
const acceptAfterS = 2;

/** How likely each party calls in, and on which line. */
const callers: readonly {
  number: string | null;
  name: string | null;
  weight: number;
  lines: readonly string[];
}[] = [
  { number: '+441314960142', name: 'BEXHOLLOW GATE', weight: 3, lines: ['+441314960120', '+441314960214'] },
  { number: '+441914980117', name: 'SKERROW HARBOUR', weight: 3, lines: ['+441314960120'] },
  { number: '+441174960155', name: null, weight: 2, lines: ['+441314960214'] },
  { number: '+447700900155', name: null, weight: 1, lines: ['+441314960214', '+447700900120'] },
  { number: '+447700900333', name: null, weight: 2, lines: ['+441314960100', '+441314960120'] },
  { number: '+441914980162', name: 'CAWDER FW', weight: 2, lines: ['+441314960199', '+441314960120'] },
  { number: '+447700900482', name: null, weight: 1, lines: ['+441314960100'] },
  { number: '+441174960171', name: 'MARL FINCH', weight: 3, lines: ['+441314960100'] },
  { number: '+441314960188', name: 'GLENBRAE WX', weight: 4, lines: ['+441314960100', '+441314960120'] },
  { number: '+12025550147', name: 'CORVANE CELLS', weight: 1, lines: ['+441314960100'] },
  { number: unknownMobile, name: null, weight: 1, lines: ['+441314960100', '+441314960120'] },
  { number: null, name: null, weight: 1, lines: ['+441314960100'] },
];
const callerDeck = callers.flatMap((caller) => Array.from({ length: caller.weight }, () => caller));

/** Devices of the office that place calls, and how readily each is answered when it rings. */
const answerChance: Record<string, number> = {
  'maren-app': 0.4,
  'maren-desk': 0.05,
  'maren-mobile': 0.2,
  'ilse-desk': 0.75,
  'sunniva-desk': 0.3,
};
const ordinaryChance = 0.55;
const callingDevices = [
  'maren-app',
  'maren-app',
  'maren-app',
  'ilse-desk',
  'ilse-desk',
  'sunniva-desk',
  'nadia-desk',
  'odile-desk',
  'hugh-desk',
];

/**
 * Ninety days (or more) of a small firm's traffic up to `now` (epoch ms), made by driving the real exchange, so
 * that each record holds the route it really took. Each day has its own seed: the same day is always the same.
 */
export function generateHistory(now: number, days = 90, busyness = 1): SampleHistory {
  const firstDay = shiftLocalDays(now, -days, zone);
  const exchange = new Exchange(sampleOffice);
  for (const device of sampleOffice.devices) exchange.send({ type: 'signIn', deviceId: device.id }, firstDay);
  const traffic = new Traffic(exchange, now - 40 * minuteMs);
  for (let day = firstDay; day <= now; day = shiftLocalDays(day, 1, zone)) traffic.planDay(day, busyness);
  planStory(traffic, now);
  traffic.run(now);
  return { records: traffic.records, exchange: exchange.save() };
}

/** What this morning is about: Cawder's logger is under water, and two callers have tried three times. */
function planStory(traffic: Traffic, now: number): void {
  const cawder = { number: '+441914980162', name: 'CAWDER FW' };
  const skerrow = { number: '+441914980117', name: 'SKERROW HARBOUR' };
  const flood = '+441314960199';
  traffic.callInUntaken(now - 38 * minuteMs, cawder, flood, { givesUpAfterS: 14 });
  traffic.callInUntaken(now - 31 * minuteMs, skerrow, '+441314960120', { givesUpAfterS: 22 });
  traffic.callInUntaken(now - 27 * minuteMs, cawder, flood, { givesUpAfterS: 38 });
  traffic.callInUntaken(now - 23 * minuteMs, skerrow, '+441314960120', { givesUpAfterS: 9 });
  const peg = { number: '+441174960155', name: null };
  const marl = { number: '+441174960171', name: 'MARL FINCH' };
  traffic.callInUntaken(now - 36 * minuteMs, peg, '+441314960214', { speaksForS: 14 });
  traffic.callInUntaken(now - 34 * minuteMs, marl, '+441314960120', { speaksForS: 12 });
  traffic.callInUntaken(now - 12 * minuteMs, cawder, flood, { speaksForS: 25 });
  traffic.callInUntaken(now - 6 * minuteMs, skerrow, '+441314960120', { givesUpAfterS: 31 });
  // What was dictated, and so recorded, around noon of the two days before.
  traffic.callInRecorded(now - (22 * 60 + 15) * minuteMs, marl, '+441314960120');
  traffic.callInRecorded(
    now - (46 * 60 + 15) * minuteMs,
    { number: '+441314960142', name: 'BEXHOLLOW GATE' },
    '+441314960120',
  );
}

type Party = { number: string | null; name: string | null };

class Traffic {
  readonly records: CallRecord[] = [];
  private readonly queue = new TinyQueue<Act>([], (a, b) => a.at - b.at || a.order - b.order);
  private order = 0;

  constructor(
    private readonly exchange: Exchange,
    /** Ordinary traffic has to be over by then, so that the sample starts with nobody on the line. */
    private readonly quietFrom: number,
  ) {}

  planDay(day: number, busyness: number): void {
    this.planSituations(day);
    const random = seededRandom(hash(localDayKey(day, zone)));
    const weekday = localWeekday(day, zone);
    const share = (weekday === 0 || weekday === 6 ? weekendShare : 1) * busyness;
    for (const [hour, mean] of Object.entries(callsByHour)) {
      const base = startOfLocalDay(day, zone) + Number(hour) * 60 * minuteMs;
      for (let expected = mean * share; expected > 0; expected--) {
        if (expected < 1 && !random.chance(expected)) break;
        const at = Math.round((base + random.between(0, 60) * minuteMs) / secondMs) * secondMs;
        if (random.chance(0.62)) this.planCallIn(at, random.pick(callerDeck), random, 0);
        else this.planCallOut(at, random);
      }
    }
  }

  /** Where the worker is, on a day like most. */
  private planSituations(day: number): void {
    const weekday = localWeekday(day, zone);
    if (weekday === 0 || weekday === 6) return;
    for (const [hour, id] of Object.entries(dayOfSituations))
      this.schedule(atLocalTime(day, Number(hour), 0, zone), () => this.beIn(id));
  }

  private beIn(id: string): void {
    const people = this.exchange.setup.people
      .filter((person) => person.id === 'maren')
      .map((person) => ({ ...person, situation: { id, word: '', until: null } }));
    this.note(this.exchange.send({ type: 'configure', ringPlans: [], people }, this.exchange.now).events);
  }

  callInUntaken(
    at: number,
    party: Party,
    line: string,
    end: { givesUpAfterS: number } | { speaksForS: number },
  ): void {
    this.schedule(at, () => {
      const legId = this.make({ kind: 'outside', ...party }, line, at);
      if (!legId) return;
      const untilS = 'givesUpAfterS' in end ? end.givesUpAfterS : this.greetingOverS(legId) + end.speaksForS;
      this.schedule(at + untilS * secondMs, () => this.clear(legId, at + untilS * secondMs));
    });
  }

  /** Answered on the app, and half a minute of it recorded. */
  callInRecorded(at: number, party: Party, line: string): void {
    this.schedule(at, () => {
      const legId = this.make({ kind: 'outside', ...party }, line, at);
      if (!legId) return;
      const own = () =>
        this.legsOfCall(legId).find(
          ({ endpoint }) => endpoint.kind === 'device' && endpoint.deviceId === 'maren-app',
        )?.id ?? '';
      const after = (seconds: number, act: (at: number) => void) =>
        this.schedule(at + seconds * secondMs, () => act(at + seconds * secondMs));
      after(6, (then) => this.send({ type: 'answer', legId: own() }, then));
      after(10, (then) => this.send({ type: 'record', legId: own(), act: 'start' }, then));
      after(40, (then) => this.send({ type: 'record', legId: own(), act: 'stop' }, then));
      after(52, (then) => this.clear(legId, then));
    });
  }

  run(until: number): void {
    for (let act = this.queue.peek(); act && act.at <= until; act = this.queue.peek()) {
      this.queue.pop();
      this.note(this.exchange.advance(act.at));
      act.run();
    }
    this.note(this.exchange.advance(until));
  }

  private planCallIn(at: number, caller: (typeof callers)[number], random: Random, tries: number): void {
    const line = random.pick(caller.lines);
    const patienceS = Math.round(random.between(12, 60));
    const speaksForS = random.chance(0.4) ? Math.round(random.between(5, 55)) : 0;
    const talkS = talkSeconds(random);
    const rolls = Array.from({ length: 12 }, () => random.next());
    const retryAfterMin = random.chance(0.55) && tries < 2 ? random.between(4, 35) : null;
    if (at + (patienceS + speaksForS + talkS + 70) * secondMs > this.quietFrom) return;

    this.schedule(at, () => {
      const legId = this.make({ kind: 'outside', number: caller.number, name: caller.name }, line, at);
      if (!legId) return;
      const answer = this.firstAnswer(legId, rolls);
      const messageEndS = this.greetingOverS(legId) + speaksForS;
      const leavesMessage = speaksForS > 0 && patienceS > 30;
      const givesUpAfterS = leavesMessage ? messageEndS : patienceS;
      if (answer && answer.afterS < givesUpAfterS) {
        this.answerAndTalk(answer.deviceId, legId, at + answer.afterS * secondMs, talkS);
        return;
      }
      this.schedule(at + givesUpAfterS * secondMs, () => this.clear(legId, at + givesUpAfterS * secondMs));
      if (retryAfterMin !== null) {
        const again = Math.round((at + retryAfterMin * minuteMs) / secondMs) * secondMs;
        this.planCallIn(again, caller, random, tries + 1);
      }
    });
  }

  private planCallOut(at: number, random: Random): void {
    const deviceId = random.pick(callingDevices);
    const toColleague = random.chance(0.4);
    const to = toColleague
      ? random.pick(sampleOffice.people.filter((person) => !deviceId.startsWith(person.id))).extension
      : random.pick(random.pick(sampleContacts).numbers).number;
    const talkS = talkSeconds(random);
    const answersAfterS = Math.round(random.between(3, 18));
    const patienceS = Math.round(random.between(20, 34));
    const fate = random.next();
    const rolls = Array.from({ length: 12 }, () => random.next());
    if (at + (patienceS + talkS + 40) * secondMs > this.quietFrom) return;

    this.schedule(at, () => {
      const legId = this.make({ kind: 'device', deviceId }, to, at);
      if (!legId) return;
      if (toColleague) {
        const answer = this.firstAnswer(legId, rolls);
        if (answer) this.answerAndTalk(answer.deviceId, legId, at + answer.afterS * secondMs, talkS);
        else this.schedule(at + patienceS * secondMs, () => this.clear(legId, at + patienceS * secondMs));
        return;
      }
      const far = this.legsOfCall(legId).find((leg) => leg.role === 'called')?.id;
      if (!far) return;
      if (fate < 0.08) {
        this.schedule(at + secondMs, () =>
          this.send({ type: 'fail', legId: far, cause: 'userBusy' }, at + secondMs),
        );
        this.schedule(at + 6 * secondMs, () => this.clear(legId, at + 6 * secondMs));
        return;
      }
      this.schedule(at + secondMs, () => this.send({ type: 'alert', legId: far }, at + secondMs));
      const endsAt = at + (fate < 0.25 ? patienceS : answersAfterS + talkS) * secondMs;
      if (fate >= 0.25) {
        const answeredAt = at + answersAfterS * secondMs;
        this.schedule(answeredAt, () => this.send({ type: 'answer', legId: far }, answeredAt));
      }
      this.schedule(endsAt, () => this.clear(legId, endsAt));
    });
  }

  /** The device that would be the first to answer, given each person's readiness; null where nobody is. */
  private firstAnswer(
    callerLegId: string,
    rolls: readonly number[],
  ): { deviceId: string; afterS: number } | null {
    const trace = this.callOfLeg(callerLegId)?.ringing?.trace;
    const answers = (trace?.legs ?? []).flatMap((leg, index) => {
      const roll = rolls[index % rolls.length] ?? 1;
      const { deviceId } = leg;
      if (deviceId === null) return [];
      const chance = answerChance[deviceId] ?? ordinaryChance;
      if (roll >= chance) return [];
      const length = leg.toSeconds - leg.fromSeconds;
      return [{ deviceId, afterS: Math.floor(leg.fromSeconds + 2 + (roll / chance) * (length - 4)) }];
    });
    return answers.sort((a, b) => a.afterS - b.afterS)[0] ?? null;
  }

  private answerAndTalk(deviceId: string, callerLegId: string, at: number, talkS: number): void {
    this.schedule(at, () => {
      const leg = this.legsOfCall(callerLegId).find(
        ({ state, endpoint }) =>
          state === 'alerting' && endpoint.kind === 'device' && endpoint.deviceId === deviceId,
      );
      if (!leg) return;
      this.send({ type: 'answer', legId: leg.id }, at);
      const keyAt = at + acceptAfterS * secondMs;
      if (this.legsOfCall(callerLegId).some(({ id, accept }) => id === leg.id && accept === 'waiting'))
        this.schedule(keyAt, () => this.send({ type: 'sendDigits', legId: leg.id, digits: '1' }, keyAt));
    });
    const endsAt = at + talkS * secondMs;
    this.schedule(endsAt, () => this.clear(callerLegId, endsAt));
  }

  private greetingOverS(callerLegId: string): number {
    const { finishSeconds = 0, ownerId, greetingId } = this.callOfLeg(callerLegId)?.ringing?.trace ?? {};
    const greetings = sampleOffice.ringPlans.find(({ personId }) => personId === ownerId)?.greetings;
    return finishSeconds + greetingSeconds(greetings?.find(({ id }) => id === greetingId) ?? null);
  }

  private make(
    from: ({ kind: 'outside' } & Party) | { kind: 'device'; deviceId: string },
    to: string,
    at: number,
  ): string | null {
    const { result, events } = this.exchange.send({ type: 'make', from, to }, at);
    this.note(events);
    return (result.ok && result.legId) || null;
  }

  private send(command: Parameters<Exchange['send']>[0], at: number): void {
    this.note(this.exchange.send(command, at).events);
  }

  private clear(legId: string, at: number): void {
    this.send({ type: 'clear', legId }, at);
  }

  private callOfLeg(legId: string) {
    for (const call of this.exchange.calls.values())
      if (call.legs.some((leg) => leg.id === legId)) return call;
    return null;
  }

  private legsOfCall(legId: string) {
    return this.callOfLeg(legId)?.legs ?? [];
  }

  private note(events: readonly ExchangeEvent[]): void {
    for (const event of events) if (event.type === 'recordWritten') this.records.push(event.record);
  }

  private schedule(at: number, run: () => void): void {
    this.queue.push({ at, order: this.order++, run });
  }
}

/** Most calls are short, some are long. */
function talkSeconds(random: Random): number {
  return Math.round(20 + 240 * -Math.log(1 - random.next() * 0.98) * 0.8);
}

/** FNV-1a: a seed from a day's name. */
function hash(text: string): number {
  let value = 0x811c9dc5;
  for (const character of text) value = Math.imul(value ^ character.charCodeAt(0), 0x01000193);
  return value;
}
