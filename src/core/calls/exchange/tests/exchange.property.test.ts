import { isDeepStrictEqual } from 'node:util';

import fc from 'fast-check';

import { callSchema, exchangeEventSchema, exchangeStateSchema } from '..';
import { Exchange } from '../machine';
import { must } from './invariants';
import { checkRuns, openRandomOffice, randomSetup, steps, take } from './randomOffice';

describe('whatever is done, in whatever order', () => {
  it('nobody hears whom they should not, nothing is left over, and each person gets one record', () => {
    checkRuns(randomSetup(), 2500);
  });

  it('the same where the office records every call', () => {
    checkRuns(randomSetup('always'), 500);
  });

  it('the same where menus let extensions be dialled and names be spelled', () => {
    const setup = randomSetup();
    const menus = setup.menus.map((menu) => ({ ...menu, dialsExtensions: true, nameKey: '6' }));
    checkRuns({ ...setup, menus }, 500);
  });

  it('a refused command changes nothing, whatever an allowed one changes is told, and whatever time does is to be kept', () => {
    fc.assert(
      fc.property(steps, (taken) => {
        const exchange = openRandomOffice();
        const written = () => new Map([...exchange.calls].map(([id, call]) => [id, JSON.stringify(call)]));
        const kept = written();
        exchange.takeChangedIds();
        const keep = () => {
          for (const id of exchange.takeChangedIds()) {
            const call = exchange.calls.get(id);
            if (call) kept.set(id, JSON.stringify(call));
            else kept.delete(id);
          }
          must(isDeepStrictEqual(kept, written()), 'kept call by call, all calls are there as they are');
        };
        for (const each of taken) {
          exchange.advance(exchange.now + each.afterMs);
          keep();
          const before = JSON.stringify(exchange.save());
          const callsBefore = written();
          const { wasRefused, asked, events } = take(exchange, { ...each, afterMs: 0 });
          must(
            !wasRefused || JSON.stringify(exchange.save()) === before,
            `a refused ${asked.type} changes nothing`,
          );
          const told = new Set(events.flatMap((event) => ('callId' in event ? [event.callId] : [])));
          for (const [id, text] of written())
            must(callsBefore.get(id) === text || told.has(id), `${asked.type} tells what it changes`);
          keep();
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
          const [after, ofWhole] = [take(restored, each), take(whole, each)];
          must(isDeepStrictEqual(after, ofWhole), 'restored and whole say the same');
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
