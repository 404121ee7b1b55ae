import type { OfficeSetup, RingPlan } from '@/core/setup';
import { Exchange } from '../Exchange';
import { describeOutcome } from '@/core/calls/history';
import type { ExchangeEvent } from '../events';
import type { CallRecord } from '../record';
import { roomOf } from '../rooms';
import { checkExchange } from './invariants';
import { openStory } from './story';
import { customer, testSetup } from './testOffice';

const conference = {
  ...{ id: 'site', name: 'Site meeting', extension: '280' },
  ...{ pin: '4711', hostPin: '80412', waitsForHost: false, opensForOffice: false },
};
const officeOf = (more: object = {}, office: Partial<OfficeSetup> = {}): OfficeSetup => ({
  ...testSetup,
  ...office,
  conferences: [{ ...conference, ...more }],
});
const recordsOf = (events: readonly ExchangeEvent[]): CallRecord[] =>
  events.flatMap((event) => (event.type === 'recordWritten' ? [event.record] : []));

function open(more: object = {}, office: Partial<OfficeSetup> = {}) {
  const story = openStory(officeOf(more, office));
  const dial = (deviceId: string, at: number) =>
    story.does({ type: 'make', from: { kind: 'device', deviceId }, to: '280' }, at);
  const types = (where: string, digits: string, at: number) =>
    story.does({ type: 'sendDigits', legId: story.at(where), digits }, at);
  const comesIn = (deviceId: string, at: number, pin = '4711') => {
    dial(deviceId, at);
    types(deviceId, `${pin}#`, at + 1);
  };
  const calls = () => [...story.exchange.calls.values()];
  return { ...story, dial, types, comesIn, calls, room: () => roomOf(story.exchange.calls.values(), 'site') };
}

describe('a conference number', () => {
  it('asks for its PIN, and lets whoever has it hear those who are there', () => {
    const story = open();
    expect(story.dial('ada-desk', 0)).toContain('pinAsked conference');
    expect(story.hears()).toMatchObject({ 'ada-desk': 'entrance' });
    story.types('ada-desk', '4711#', 2);
    expect(story.hears()).toMatchObject({ 'ada-desk': 'music' });
    story.comesIn('ben-desk', 5);
    story.does({ type: 'make', from: customer, to: '280' }, 8);
    expect(story.hears()).toMatchObject({ customer: 'entrance', 'ada-desk': 'ben-desk' });
    story.types('customer', '4711#', 9);
    expect(story.hears()).toMatchObject({
      'ada-desk': 'ben-desk, customer',
      'ben-desk': 'ada-desk, customer',
      customer: 'ada-desk, ben-desk',
    });
    // Three calls have become one.
    expect(story.calls()).toHaveLength(1);
  });

  it('that opens for the office lets an app of it in without a PIN, as a meeting; everybody else is asked', () => {
    const story = open({ opensForOffice: true, waitsForHost: true });
    expect(story.dial('ada-app', 0)).not.toContain('pinAsked conference');
    const [room] = story.calls();
    expect(room?.meeting).not.toBeNull();
    expect(room?.answeredAt).not.toBeNull();
    expect(story.hears()).toMatchObject({ 'ada-app': 'music' });
    // A desk phone may be anybody's.
    expect(story.dial('ben-desk', 5)).toContain('pinAsked conference');
    story.types('ben-desk', '4711#', 6);
    story.does({ type: 'make', from: customer, to: '280' }, 8);
    expect(story.hears()).toMatchObject({ customer: 'entrance', 'ada-app': 'ben-desk' });
    story.does({ type: 'clear', legId: story.at('customer') }, 9);
    const guest = 'a-link-into-the-room-for-one';
    story.does(
      {
        type: 'inMeeting',
        legId: story.at('ada-app'),
        act: { act: 'giveLink', token: guest, forLegId: null },
      },
      10,
    );
    story.does({ type: 'knock', token: guest, guestId: 'g1', name: 'Zofia' }, 11);
    expect(story.room()?.meeting?.waiting).toHaveLength(1);
    checkExchange(story.exchange);
  });

  it('that opens for the office takes in whoever comes later, and says why no PIN was asked', () => {
    const benApp = { id: 'ben-app', personId: 'ben', kind: 'app' as const, name: 'App', callLimit: 4 };
    const story = open({ opensForOffice: true }, { devices: [...testSetup.devices, benApp] });
    story.dial('ada-app', 0);
    story.dial('ben-app', 5);
    expect(story.hears()).toMatchObject({ 'ada-app': 'ben-app', 'ben-app': 'ada-app' });
    expect(story.calls()).toHaveLength(1);
    const traced = story.calls()[0]?.ringing ?? story.calls()[0]?.earlierTraces[0];
    expect(JSON.stringify(traced)).toContain('"opens":true');
    // Who is sent there by somebody else is asked.
    story.does({ type: 'make', from: customer, to: '280' }, 8);
    expect(story.hears()).toMatchObject({ customer: 'entrance' });
  });

  it('is a meeting once its host has it so: a phone outside comes in by the PIN, as sound, and a guest by a link', () => {
    const story = open();
    story.comesIn('ada-desk', 0, '80412');
    story.comesIn('ben-desk', 5);
    expect(story.refuses({ type: 'meet', legId: story.at('ben-desk') }, 7)).toBe('hostOnly');
    story.does({ type: 'meet', legId: story.at('ada-desk') }, 8);
    story.does({ type: 'make', from: customer, to: '280' }, 9);
    story.types('customer', '4711#', 10);
    const meeting = story.room()?.meeting;
    expect(meeting).toMatchObject({ hostLegIds: [story.at('ada-desk')], pictures: [] });
    expect(
      story.refuses(
        { type: 'inMeeting', legId: story.at('customer'), act: { act: 'show', kind: 'camera' } },
        11,
      ),
    ).toBe('soundOnly');
    const token = 'the-link-of-the-site-meeting';
    const asAda = { type: 'inMeeting', legId: story.at('ada-desk') } as const;
    story.does({ ...asAda, act: { act: 'giveLink', token, forLegId: null } }, 12);
    story.does({ type: 'knock', token, guestId: 'g1', name: 'Zofia Kern' }, 13);
    story.does({ ...asAda, act: { act: 'letIn', guestId: 'g1' } }, 14);
    expect(story.hears()['withheld']).toBe('ada-desk, ben-desk, customer');
    // Locked, the PIN lets nobody in either.
    story.does({ ...asAda, act: { act: 'setLock', isLocked: true } }, 15);
    story.dial('cleo-desk', 16);
    story.types('cleo-desk', '4711#', 17);
    expect(story.hears()['ada-desk']).not.toContain('cleo');
  });

  it('takes what was typed without hash after a pause, and as soon as it can be no longer', () => {
    const story = open({ hostPin: '80412668' });
    story.dial('ada-desk', 0);
    story.types('ada-desk', '4711', 1);
    expect(story.room()).toBeNull();
    story.lets(4.1);
    expect(story.room()).not.toBeNull();
    story.dial('ben-desk', 10);
    story.types('ben-desk', '80412668', 11);
    expect(story.room()?.legs.some(({ isHost }) => isHost)).toBe(true);
  });

  it.each(['4711#12', '1111#22#33#44#'])('hears nothing that is typed on after %s', (digits) => {
    const story = open();
    story.comesIn('ada-desk', 0);
    story.does({ type: 'make', from: customer, to: '280' }, 5);
    story.types('customer', digits, 6);
    for (let at = 7; at < 60; at++) story.lets(at);
    const isIn = story
      .room()
      ?.legs.some(({ endpoint, state }) => endpoint.kind === 'outside' && state === 'connected');
    expect(isIn).toBe(digits.startsWith('4711'));
    checkExchange(story.exchange);
  });

  it('turns away for good, whatever is typed on after the third wrong one', () => {
    const story = open();
    story.does({ type: 'make', from: customer, to: '280' }, 0);
    story.types('customer', '1111#', 1);
    story.lets(2.1);
    story.types('customer', '1111#', 3);
    story.lets(5.1);
    story.types('customer', '1111#2222#3333#', 6);
    expect(story.calls()[0]?.timers).toHaveLength(1);
    checkExchange(story.exchange);
  });

  it('goes on when whoever came first has gone, and ends with the last', () => {
    const story = open();
    for (const [at, deviceId] of ['ada-desk', 'ben-desk', 'cleo-desk'].entries())
      story.comesIn(deviceId, at * 5);
    story.does({ type: 'clear', legId: story.at('ada-desk') }, 30);
    expect(story.hears()).toMatchObject({ 'ben-desk': 'cleo-desk' });
    story.does({ type: 'clear', legId: story.at('ben-desk') }, 40);
    expect(story.hears()).toMatchObject({ 'cleo-desk': 'music' });
    story.does({ type: 'clear', legId: story.at('cleo-desk') }, 50);
    expect(story.calls()).toEqual([]);
  });

  it('is held in music until a host is there, where it is so', () => {
    const story = open({ waitsForHost: true });
    story.comesIn('ada-desk', 0);
    story.comesIn('ben-desk', 5);
    expect(story.hears()).toMatchObject({ 'ada-desk': 'music', 'ben-desk': 'music' });
    story.comesIn('cleo-desk', 10, '80412');
    expect(story.hears()).toMatchObject({ 'ada-desk': 'ben-desk, cleo-desk' });
    story.does({ type: 'clear', legId: story.at('cleo-desk') }, 20);
    expect(story.hears()).toMatchObject({ 'ada-desk': 'music' });
  });

  it('lets a host mute and drop the others, and nobody else', () => {
    const story = open();
    story.comesIn('ada-desk', 0);
    story.comesIn('ben-desk', 5);
    story.comesIn('cleo-desk', 10, '80412');
    const act = (type: 'silence' | 'drop', by: string, other: string) =>
      ({ type, legId: story.at(by), otherLegId: story.at(other) }) as const;
    expect(story.refuses(act('silence', 'ada-desk', 'ben-desk'), 20)).toBe('hostOnly');
    expect(story.refuses(act('drop', 'ada-desk', 'cleo-desk'), 20)).toBe('hostOnly');
    expect(story.refuses({ type: 'add', legId: story.at('ada-desk'), to: '209' }, 20)).toBe('hostOnly');
    expect(story.refuses(act('silence', 'cleo-desk', 'ben-desk'), 21)).toBe('allowed');
    expect(story.hears()).toMatchObject({ 'ada-desk': 'cleo-desk' });
    // The room itself is nobody.
    expect(story.refuses(act('drop', 'cleo-desk', 'conference'), 22)).toBe('notInCall');
    story.does(act('drop', 'cleo-desk', 'ben-desk'), 23);
    expect(story.hears()).toMatchObject({ 'ada-desk': 'cleo-desk', 'cleo-desk': 'ada-desk' });
  });

  it('lets a host go to another phone of theirs and be host there', () => {
    const story = open();
    story.comesIn('ada-desk', 0, '80412');
    story.comesIn('ben-desk', 5);
    story.does({ type: 'move', legId: story.at('ada-desk'), to: { deviceId: 'ada-app' }, atOnce: false }, 10);
    story.does({ type: 'answer', legId: story.at('ada-app') }, 12);
    story.lets(15);
    const drop = { type: 'drop', legId: story.at('ada-app'), otherLegId: story.at('ben-desk') } as const;
    expect(story.refuses(drop, 16)).toBe('allowed');
  });

  it('is one line in the history of each who was in it: when they came, with the conference', () => {
    const story = open();
    story.comesIn('ada-desk', 0);
    story.comesIn('ben-desk', 100);
    const ended = ['ben-desk', 'ada-desk'].flatMap((where, index) => {
      const { events } = story.send({ type: 'clear', legId: story.at(where) }, 200 + index * 10);
      return recordsOf(events);
    });
    expect(ended.map(({ personId }) => personId).sort()).toEqual(['ada', 'ben']);
    const bens = ended.find(({ personId }) => personId === 'ben');
    expect(bens).toMatchObject({
      ...{ direction: 'out', outcome: 'answered', other: { number: '280', name: 'Site meeting' } },
    });
    expect((bens?.answeredAt ?? 0) - (ended[0]?.startedAt ?? 0)).toBeGreaterThan(0);
    expect((bens?.endedAt ?? 0) - (bens?.startedAt ?? 0)).toBe(100_000);
  });
});

describe('whoever is handed over to a conference', () => {
  it('keeps the line of the talk before, and what they recorded goes on', () => {
    const story = open();
    story.comesIn('cleo-desk', 0);
    const { callId } = story.fromAda('201', 5);
    story.does({ type: 'answer', legId: story.at('ben-desk') }, 8);
    story.does({ type: 'record', legId: story.at('ada-app'), act: 'start' }, 9);
    story.does({ type: 'transfer', legId: story.at('ben-desk'), target: { kind: 'number', to: '280' } }, 20);
    const { events } = story.send({ type: 'sendDigits', legId: story.at('ada-app'), digits: '4711#' }, 22);
    expect(recordsOf(events).map(({ callId: of, personId }) => [of, personId])).toEqual([
      [callId, 'ada'],
      [callId, 'ben'],
    ]);
    expect(story.hears()).toMatchObject({ 'ada-app': 'cleo-desk' });
    expect(story.room()?.recordings).toMatchObject([{ personId: 'ada', state: 'on' }]);
    checkExchange(story.exchange);
  });
});

describe('a plan that forwards to a conference', () => {
  const plan: RingPlan = {
    ...{ personId: 'ben', findMe: [] },
    rules: [
      {
        ...{ id: 'on', name: 'Meet there', lineIds: [], stages: [] },
        finish: { kind: 'forward', to: '280' },
      },
    ],
  };
  const ringPlans = [...testSetup.ringPlans.filter(({ personId }) => personId !== 'ben'), plan];

  it.each([
    ['opened by them', false],
    ['that goes on already', true],
  ])('has nobody waiting once the caller is in one %s', (_words, isOn) => {
    const story = open({}, { ringPlans });
    if (isOn) story.comesIn('cleo-desk', 0);
    story.fromAda('201', 10);
    const { events } = story.send({ type: 'sendDigits', legId: story.at('ada-app'), digits: '4711#' }, 20);
    const atEnd = story.send({ type: 'clear', legId: story.at('ada-app') }, 60);
    const bens = recordsOf([...events, ...atEnd.events]).filter(({ personId }) => personId === 'ben');
    expect(bens).toMatchObject([{ outcome: 'answeredByOther', answeredById: null }]);
    expect(describeOutcome(bens[0]!, story.exchange.office)).toBe('Sent on to Site meeting');
  });

  it('has somebody waiting where the caller had no PIN', () => {
    const story = open({}, { ringPlans });
    const { legId } = story.fromAda('201', 10);
    const { events } = story.send({ type: 'clear', legId }, 20);
    expect(recordsOf(events).find(({ personId }) => personId === 'ben')).toMatchObject({ outcome: 'missed' });
  });
});

describe('a call out that is handed over to a conference', () => {
  it('is paid to its end by who placed it, each minute once', () => {
    const story = open();
    story.comesIn('cleo-desk', 0);
    story.fromAda('+1 202 555 0147', 5);
    story.does({ type: 'answer', legId: story.at('+12025550147') }, 10);
    story.does({ type: 'transfer', legId: story.at('ada-app'), target: { kind: 'number', to: '280' } }, 60);
    const joined = story.send(
      { type: 'sendDigits', legId: story.at('+12025550147'), digits: '4711#' },
      10 + 61,
    );
    const left = story.send({ type: 'clear', legId: story.at('+12025550147') }, 10 + 130);
    expect(recordsOf(left.events)).toEqual([]);
    const ended = story.send({ type: 'clear', legId: story.at('cleo-desk') }, 300);
    const adas = recordsOf([...joined.events, ...ended.events]).filter(({ personId }) => personId === 'ada');
    // The fee and two minutes, then the third.
    expect(adas.map(({ costMicros }) => costMicros)).toEqual([50_000 + 2 * 60_000, 60_000]);
    expect(adas[1]).toMatchObject({
      ...{ direction: 'out', outcome: 'answered', other: { number: '+12025550147' } },
      parties: [{ number: '+12025550147' }],
    });
    expect((adas[1]?.endedAt ?? 0) - (adas[1]?.startedAt ?? 0)).toBe(69_000);
  });
});

describe('wrong PINs', () => {
  it('wait longer each time, whoever types them, and are forgotten after an hour', () => {
    const story = open();
    const waitAfterWrong = (deviceId: string, at: number) => {
      story.dial(deviceId, at);
      story.types(deviceId, '9999#', at);
      const next = story.exchange.nextTimerAt() ?? 0;
      story.does({ type: 'clear', legId: story.at(deviceId) }, at);
      return next - story.exchange.now;
    };
    const waits = ['ada-desk', 'ben-desk', 'cleo-desk', 'ada-desk'].map(waitAfterWrong);
    expect(waits).toEqual([1_000, 2_000, 4_000, 8_000]);
    for (let at = 4; at < 10; at++) waitAfterWrong('ben-desk', at);
    expect(waitAfterWrong('ben-desk', 10)).toBe(60_000);
    expect(waitAfterWrong('ben-desk', 3_700)).toBe(1_000);
  });

  it('are asked for again, and the third ends the call', () => {
    const story = open();
    story.does({ type: 'make', from: customer, to: '280' }, 0);
    expect(story.types('customer', '1111#', 1)).toContain('pinRefused conference');
    // What is typed meanwhile is heard by nobody.
    story.types('customer', '4711#', 1.5);
    expect(story.room()).toBeNull();
    expect(story.lets(2)).toContain('pinAsked conference');
    story.types('customer', '1111#', 3);
    story.lets(5.1);
    story.types('customer', '1111#', 6);
    expect(story.calls()[0]?.failure).toBe('callRejected');
  });

  it('are still counted by an exchange that was restored', () => {
    const story = open();
    story.dial('ada-desk', 0);
    story.types('ada-desk', '9999#', 1);
    const again = new Exchange(officeOf(), story.exchange.save());
    again.send({ type: 'make', from: customer, to: '280' }, again.now);
    const entrance = [...again.calls.values()].at(-1);
    const caller = entrance?.legs.find(({ role }) => role === 'caller')?.id ?? '';
    again.send({ type: 'sendDigits', legId: caller, digits: '9999#' }, again.now);
    const timers = entrance && again.calls.get(entrance.id)?.timers;
    expect(timers?.[0]?.at).toBe(again.now + 2_000);
  });

  it('nobody types one: it asks three times, then the call ends in busy tone', () => {
    const story = open();
    story.dial('ada-desk', 0);
    expect(story.lets(29.9).filter((line) => line.startsWith('pinAsked'))).toHaveLength(2);
    story.lets(30.1);
    expect(story.calls()[0]?.failure).toBe('callRejected');
  });
});
