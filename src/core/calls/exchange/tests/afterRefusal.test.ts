import fc from 'fast-check';

import { afterRefusal } from '..';
import { openRandomOffice, steps, take } from './randomOffice';
import { number, openStory, threeTogether } from './story';
import { start, testSetup } from './testOffice';

describe('what a refusal leads to', () => {
  it('is said before it is done: who rings then, for how long, and where it ends', () => {
    const story = openStory();
    const { callId } = story.fromCustomer(0);
    const { rings, finish, goesOn } = afterRefusal(story.call(callId), story.leg('ada-app'), start + 3_000);
    expect(rings.map(({ leg, seconds }) => [leg.deviceId, seconds])).toEqual([['ben-desk', 15]]);
    expect(finish).toEqual({ kind: 'mailbox', personId: 'ada' });
    expect(goesOn).toBe(false);
    expect(story.does({ type: 'refuse', legId: story.at('ada-app') }, 3)).toContain('delivered ben-desk');
  });

  it('several who were sent on and come back stay together when they are refused', () => {
    const story = threeTogether();
    story.does({ type: 'transfer', legId: story.at('ada-app'), target: number('211') }, 25);
    story.lets(25 + testSetup.policies.transferReturnSeconds);
    const returned = story.leg('ada-app');
    const answer = afterRefusal(story.call(returned.callId), returned, start + 44_000);
    expect(answer).toEqual({ rings: [], finish: null, goesOn: true });
    story.does({ type: 'refuse', legId: returned.id }, 44);
    expect(story.hears()).toEqual({ customer: 'ben-desk', 'ben-desk': 'customer' });
  });

  it('agrees with the exchange, whatever was done before', () => {
    let checked = 0;
    fc.assert(
      fc.property(steps, (taken) => {
        const exchange = openRandomOffice();
        for (const step of taken) {
          take(exchange, step);
          for (const call of [...exchange.calls.values()]) {
            const leg = call.legs.find(
              ({ state, role, endpoint }) =>
                state === 'alerting' && role === 'called' && endpoint.kind === 'device',
            );
            if (!leg) continue;
            const { rings, finish, goesOn } = afterRefusal(call, leg, exchange.now);
            // What comes at once: nothing left to ring means the finish, or that they go on together.
            if (rings.length > 0 || finish?.kind !== 'mailbox' || goesOn || call.comesBackTo) continue;
            exchange.send({ type: 'refuse', legId: leg.id }, exchange.now);
            const mailbox = exchange.calls.get(call.id)?.legs.some(({ state, mailboxPhase }) => {
              return state === 'connected' && mailboxPhase === 'greeting';
            });
            expect(mailbox).toBe(true);
            checked++;
          }
        }
      }),
      { numRuns: 200 },
    );
    expect(checked).toBeGreaterThan(50);
  });
});
