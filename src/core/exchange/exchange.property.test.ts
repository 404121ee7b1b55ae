import fc from 'fast-check';

import {
  callerOf,
  callSchema,
  Exchange,
  exchangeEventSchema,
  exchangeStateSchema,
  isLive,
  whatIsHeard,
  type Call,
  type Command,
  type ExchangeEvent,
} from '.';
import { customer, start, testSetup } from './testOffice';

const deviceIds = testSetup.devices.map((device) => device.id);
const destinations = [
  '214',
  '201',
  '211',
  '299',
  '*8401',
  '999',
  '0131 496 0142,12',
  '+441314960120',
  'nonsense',
];

/** A step names its leg by position, so that it fits whatever calls there are when it is taken. */
type Step = {
  afterMs: number;
  pick: number;
  command: (pickLeg: (pick: number) => string, pick: number) => Command;
};

const onLeg = fc
  .constantFrom<Command['type']>('alert', 'answer', 'refuse', 'hold', 'retrieve', 'mute', 'unmute', 'clear')
  .map(
    (type): Step['command'] =>
      (pickLeg, pick) =>
        ({ type, legId: pickLeg(pick) }) as Command,
  );
const command: fc.Arbitrary<Step['command']> = fc.oneof(
  { weight: 6, arbitrary: onLeg },
  {
    weight: 3,
    arbitrary: fc
      .record({
        from: fc.constantFrom(
          customer,
          ...deviceIds.map((deviceId) => ({ kind: 'device' as const, deviceId })),
        ),
        to: fc.constantFrom(...destinations),
        activeCall: fc.constantFrom('hold' as const, 'clear' as const, undefined),
      })
      .map((make): Step['command'] => () => ({ type: 'make', ...make })),
  },
  fc.constantFrom<Step['command']>(
    (pickLeg, pick) => ({ type: 'answer', legId: pickLeg(pick), activeCall: 'clear' }),
    (pickLeg, pick) => ({ type: 'fail', legId: pickLeg(pick), cause: 'userBusy' }),
    (pickLeg, pick) => ({ type: 'sendDigits', legId: pickLeg(pick), digits: '5#' }),
    (_, pick) => ({ type: 'signOut', deviceId: deviceIds[pick % deviceIds.length] ?? '' }),
    (_, pick) => ({ type: 'signIn', deviceId: deviceIds[pick % deviceIds.length] ?? '' }),
    () => ({ type: 'clear', legId: 'l0' }),
  ),
);
const step: fc.Arbitrary<Step> = fc.record({
  afterMs: fc.oneof(fc.integer({ min: 0, max: 3000 }), fc.integer({ min: 0, max: 40_000 })),
  pick: fc.nat(1000),
  command,
});
const steps = fc.array(step, { minLength: 60, maxLength: 60, size: 'max' });

/** Like expect, without its cost: these run some million times. */
function must(holds: boolean | undefined, rule: string): void {
  if (!holds) throw new Error(`Broken: ${rule}`);
}

function open(): Exchange {
  const exchange = new Exchange(testSetup);
  for (const deviceId of deviceIds) exchange.send({ type: 'signIn', deviceId }, start);
  return exchange;
}

function take(exchange: Exchange, { afterMs, pick, command }: Step) {
  const at = exchange.now + afterMs;
  const due = exchange.advance(at);
  const legs = [...exchange.calls.values()].flatMap((call) => call.legs.filter(isLive));
  const before = JSON.stringify(exchange.save());
  const { result, events } = exchange.send(
    command((index) => legs[index % Math.max(legs.length, 1)]?.id ?? 'l0', pick),
    at,
  );
  if (!result.ok) {
    must(events.length === 0, 'a refused command causes nothing');
    must(JSON.stringify(exchange.save()) === before, 'a refused command changes nothing');
  }
  return [...due, ...events];
}

function expectSound(exchange: Exchange): void {
  const talkingDevices = new Set<string>();
  let earliest: number | null = null;
  for (const call of exchange.calls.values()) {
    must(call.legs.filter((leg) => leg.role === 'caller').length === 1, 'a call has one caller');
    must(call.legs.some(isLive), 'a call has a leg');
    for (const timer of call.timers) {
      must(timer.at >= exchange.now, 'a timer is still to come');
      earliest = earliest === null ? timer.at : Math.min(earliest, timer.at);
    }
    for (const leg of call.legs) {
      must(leg.callId === call.id, 'a leg belongs to its call');
      if (leg.state !== 'connected' || leg.endpoint.kind !== 'device') continue;
      must(!talkingDevices.has(leg.endpoint.deviceId), 'a device talks on one call');
      talkingDevices.add(leg.endpoint.deviceId);
    }
    expectRightHearing(call);
    const answered = call.legs.some((leg) => leg.role === 'called' && leg.answeredAt !== null);
    must(
      !answered || !call.legs.some((leg) => leg.state === 'alerting'),
      'answering stops all other devices',
    );
  }
  must(exchange.nextTimerAt() === earliest, 'no timer survives its call, and none is lost');
}

function expectRightHearing(call: Call): void {
  const heard = whatIsHeard(call);
  for (const leg of call.legs) {
    const what = heard[leg.id];
    if (what?.kind !== 'voices') continue;
    must(leg.state === 'connected', 'only who is connected hears voices');
    for (const id of what.legIds) {
      const speaker = call.legs.find((other) => other.id === id);
      must(
        speaker !== leg && speaker?.state === 'connected' && !speaker.muted,
        'nobody hears whom they should not',
      );
    }
  }
}

function hangUpAll(exchange: Exchange): ExchangeEvent[] {
  const events: ExchangeEvent[] = [];
  for (const call of [...exchange.calls.values()]) {
    events.push(...exchange.send({ type: 'clear', legId: callerOf(call).id }, exchange.now).events);
  }
  return events;
}

describe('whatever is done, in whatever order', () => {
  it('nobody hears whom they should not, no leg or timer is left over, and each person gets one record', () => {
    fc.assert(
      fc.property(steps, (taken) => {
        const exchange = open();
        const events: ExchangeEvent[] = [];
        for (const each of taken) {
          events.push(...take(exchange, each));
          expectSound(exchange);
        }
        events.push(...hangUpAll(exchange));
        expect(exchange.calls.size).toBe(0);
        expect(exchange.nextTimerAt()).toBeNull();

        const originated = events.filter((event) => event.type === 'originated').length;
        expect(events.filter((event) => event.type === 'callCleared')).toHaveLength(originated);
        const concerned = new Map<string, Set<string>>();
        const ids: string[] = [];
        for (const event of events) {
          if (event.type !== 'recordWritten') continue;
          ids.push(event.record.id);
          concerned.set(event.callId, (concerned.get(event.callId) ?? new Set()).add(event.record.personId));
          for (const leg of event.record.path) {
            const person = testSetup.devices.find((device) => device.id === leg.deviceId)?.personId ?? '';
            concerned.set(event.callId, (concerned.get(event.callId) ?? new Set()).add(person));
          }
        }
        expect(new Set(ids).size).toBe(ids.length);
        expect(ids.length).toBe([...concerned.values()].reduce((sum, people) => sum + people.size, 0));
      }),
      { numRuns: 2000 },
    );
  });

  it('saving and restoring at any point changes nothing that follows', () => {
    fc.assert(
      fc.property(steps, fc.integer({ min: 1, max: 59 }), (taken, at) => {
        const whole = open();
        const before = taken.slice(0, at);
        for (const each of before) take(whole, each);
        const restored = new Exchange(
          testSetup,
          exchangeStateSchema.parse(JSON.parse(JSON.stringify(whole.save()))),
        );
        for (const each of taken.slice(at)) {
          must(
            JSON.stringify(take(restored, each)) === JSON.stringify(take(whole, each)),
            'restored and whole say the same',
          );
        }
        expect(restored.save()).toEqual(whole.save());
      }),
      { numRuns: 300 },
    );
  });

  it('all it says and keeps is plain data that passes its schema', () => {
    fc.assert(
      fc.property(steps, (taken) => {
        const exchange = open();
        for (const each of taken) {
          for (const event of take(exchange, each)) expect(exchangeEventSchema.parse(event)).toEqual(event);
        }
        for (const call of exchange.calls.values()) expect(callSchema.parse(call)).toEqual(call);
      }),
      { numRuns: 100 },
    );
  });
});
