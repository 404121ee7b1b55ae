import fc from 'fast-check';

import { callSchema, Exchange, exchangeEventSchema, exchangeStateSchema, type ExchangeEvent } from '.';
import { checkExchange, checkRecords, must } from './invariants';
import { endAll, openRandomOffice, randomSetup, step, take } from './randomOffice';

const steps = fc.array(step, { minLength: 60, maxLength: 60, size: 'max' });
const owners = new Map(randomSetup().devices.map(({ id, personId }) => [id, personId]));

function expectSoundRun(setup: ReturnType<typeof randomSetup>, numRuns: number): void {
  fc.assert(
    fc.property(steps, (taken) => {
      const exchange = openRandomOffice(setup);
      const events: ExchangeEvent[] = [];
      for (const each of taken) {
        const { due, events: caused, wasRefused, asked } = take(exchange, each);
        events.push(...due, ...caused);
        must(!wasRefused || caused.length === 0, `a refused ${asked.type} causes nothing`);
        checkExchange(exchange);
      }
      events.push(...endAll(exchange));
      expect(exchange.nextTimerAt()).toBeNull();
      checkRecords(events, (deviceId) => owners.get(deviceId) ?? null);
    }),
    { numRuns },
  );
}

describe('whatever is done, in whatever order', () => {
  it('nobody hears whom they should not, nothing is left over, and each person gets one record', () => {
    expectSoundRun(randomSetup(), 2500);
  });

  it('the same where the office records every call', () => {
    expectSoundRun(randomSetup('always'), 500);
  });

  it('a refused command changes nothing', () => {
    fc.assert(
      fc.property(steps, (taken) => {
        const exchange = openRandomOffice();
        for (const each of taken) {
          exchange.advance(exchange.now + each.afterMs);
          const before = JSON.stringify(exchange.save());
          const { wasRefused, asked } = take(exchange, { ...each, afterMs: 0 });
          must(
            !wasRefused || JSON.stringify(exchange.save()) === before,
            `a refused ${asked.type} changes nothing`,
          );
        }
      }),
      { numRuns: 300 },
    );
  });

  it('saving and restoring at any point changes nothing that follows', () => {
    fc.assert(
      fc.property(steps, fc.integer({ min: 1, max: 59 }), (taken, at) => {
        const whole = openRandomOffice();
        for (const each of taken.slice(0, at)) take(whole, each);
        const restored = new Exchange(
          randomSetup(),
          exchangeStateSchema.parse(JSON.parse(JSON.stringify(whole.save()))),
        );
        for (const each of taken.slice(at)) {
          const after = JSON.stringify(take(restored, each));
          must(after === JSON.stringify(take(whole, each)), 'restored and whole say the same');
        }
        expect(restored.save()).toEqual(whole.save());
      }),
      { numRuns: 300 },
    );
  });

  it('all it says and keeps is plain data that passes its schema', () => {
    fc.assert(
      fc.property(steps, (taken) => {
        const exchange = openRandomOffice();
        for (const each of taken) {
          const { due, events } = take(exchange, each);
          for (const event of [...due, ...events]) expect(exchangeEventSchema.parse(event)).toEqual(event);
        }
        for (const call of exchange.calls.values()) expect(callSchema.parse(call)).toEqual(call);
      }),
      { numRuns: 100 },
    );
  });
});
