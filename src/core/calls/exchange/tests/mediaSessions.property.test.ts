import fc from 'fast-check';

import { isMachine, isMailbox, whatIsHeard, type Call } from '..';
import { must } from './invariants';
import { MediaSessions } from './mediaSessions';
import { openRandomOffice, steps, take } from './randomOffice';

/** Machines speak by a script of their own, which the RFC leaves to them. */
const isAmongPeople = (call: Call) =>
  !call.failure && !call.legs.some((leg) => leg.state !== 'cleared' && (isMailbox(leg) || isMachine(leg)));

it('whom each hears is with whom they have media by the flows of RFC 5359, in whatever order calls are worked', () => {
  let compared = 0;
  fc.assert(
    fc.property(steps, (taken) => {
      const exchange = openRandomOffice();
      const media = new MediaSessions();
      for (const each of taken) {
        const { due, events, asked } = take(exchange, each);
        media.hear([...due, ...events]);
        for (const call of exchange.calls.values()) {
          if (!media.isCovered(call.id) || !isAmongPeople(call)) continue;
          const heard = whatIsHeard(call);
          for (const { id, state } of call.legs) {
            if (state === 'cleared') continue;
            const what = heard[id];
            const voices = what?.kind === 'voices' ? [...what.legIds].sort() : [];
            const expected = media.heardBy(call.id, id);
            if (expected.length > 0) compared++;
            must(
              voices.join() === expected.join(),
              `after ${asked.type} ${id} hears ${voices.join()}, by the flows ${expected.join()}`,
            );
          }
        }
      }
    }),
    { numRuns: 500 },
  );
  expect(compared).toBeGreaterThan(1_000);
});
