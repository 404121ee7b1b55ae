import fc from 'fast-check';

import { OfficeIndex, type Followed, type OfficeSetup, type RingPlan, type RingTarget } from '@/core/setup';
import { traceCall } from '@/core/plans/routing';
import { Exchange } from '../Exchange';
import type { ExchangeEvent } from '../events';
import { start, testSetup } from './testOffice';

/** What the picture of a call shows is what rings, to the second. */

const deviceIds = ['ada-app', 'ada-desk', 'ada-mobile', 'ben-desk', 'cleo-desk', 'dot-desk', 'gone'];
const length = fc.oneof(
  fc.record({ seconds: fc.integer({ min: 1, max: 40 }) }),
  fc.record({
    rings: fc.integer({ min: 1, max: 8 }),
    cadence: fc.constantFrom('uk' as const, 'us' as const),
  }),
);
const timing = {
  startSeconds: fc.integer({ min: 0, max: 45 }),
  length: fc.option(length, { nil: undefined }),
};
const target: fc.Arbitrary<RingTarget> = fc.oneof(
  { weight: 5, arbitrary: fc.record({ deviceId: fc.constantFrom(...deviceIds), ...timing }) },
  fc.record({ personId: fc.constantFrom('ben', 'dot'), ...timing }),
  fc.record({ teamId: fc.constantFrom('yard', 'none'), ...timing }),
  fc.record({ number: fc.constantFrom('+447700900321', '+4490011'), ...timing }),
);
const rule = fc.record({
  id: fc.string(),
  name: fc.string(),
  lineIds: fc.subarray(['field', 'other']),
  stages: fc.array(fc.record({ targets: fc.array(target, { maxLength: 4 }), length }), { maxLength: 4 }),
  finish: fc.constantFrom(
    { kind: 'busy' as const },
    { kind: 'mailbox' as const, personId: 'ada' },
    { kind: 'textBack' as const, lineId: 'field', text: 'Later' },
  ),
  busyFinish: fc.constantFrom(undefined, { kind: 'mailbox' as const, personId: 'ben' }),
  when: fc.option(
    fc.record({
      situationIds: fc.subarray(['site', 'bench']),
      inMeeting: fc.constantFrom(undefined, true, false),
      workingHours: fc.constantFrom(undefined, true, false),
    }),
    { nil: undefined },
  ),
});
const plan: fc.Arbitrary<RingPlan> = fc.record({
  personId: fc.constant('ada'),
  rules: fc.array(rule, { maxLength: 4 }),
  workingHours: fc.constantFrom([], [{ days: [1, 2, 3, 4, 5], from: '08:00', to: '17:00' }]),
  meetings: fc.constantFrom([], [{ from: start - 1000, until: start + 3_600_000, name: 'Survey' }]),
});

/** Ada is on site by hand or by her hours; Cleo, of the team, perhaps too; the caller may be one who can be texted. */
const people = fc.record({
  situation: fc.constantFrom(undefined, { id: 'site', word: '', until: null }),
  follows: fc.constantFrom<Followed[]>(
    [],
    [{ by: 'workingHours', working: true, situationId: 'site' }],
    [{ by: 'meetings', situationId: 'bench' }],
  ),
  callerNumber: fc.constantFrom('+441914980162', '+447700900333', null),
});

/** From when to when each place rang, in seconds. */
function rangIn(events: readonly ExchangeEvent[]) {
  const places = new Map<string, string>();
  const rang: string[] = [];
  const since = new Map<string, number>();
  for (const event of events) {
    const second = (event.at - start) / 1000;
    if (event.type === 'networkReached') {
      places.set(event.legId, event.number);
      since.set(event.legId, second);
    }
    if (event.type === 'delivered') since.set(event.legId, second);
    if (event.type === 'connectionCleared' && since.has(event.legId) && event.cause === 'noAnswer')
      rang.push(`${places.get(event.legId) ?? event.legId} ${since.get(event.legId) ?? NaN}-${second}`);
  }
  return rang;
}

describe('a planned call', () => {
  it('rings to the second what its trace shows, and ends where that says', () => {
    fc.assert(
      fc.property(
        plan,
        fc.subarray(deviceIds.slice(0, -1), { minLength: 3 }),
        people,
        (ringPlan, signedIn, said) => {
          const setup: OfficeSetup = {
            ...testSetup,
            ringPlans: [ringPlan],
            people: testSetup.people.map((person) => ({
              ...person,
              situations: [{ id: 'site', name: 'On site', shows: 'away', leavesTeams: true }],
              ...(person.id === 'ada'
                ? said
                : { situation: person.id === 'cleo' ? said.situation : undefined }),
            })),
          };
          const customer = { kind: 'outside', number: said.callerNumber, name: null } as const;
          const office = new OfficeIndex(setup);
          const trace = traceCall(
            office,
            { ownerId: 'ada', lineId: 'field', caller: { number: customer.number, personId: null } },
            {
              at: start,
              isSignedIn: (deviceId) => signedIn.includes(deviceId),
              isBusy: () => false,
              isOnCall: () => false,
              triesWithin: () => 0,
            },
          );

          const exchange = new Exchange(setup);
          for (const deviceId of signedIn) exchange.send({ type: 'signIn', deviceId }, start);
          const { result, events } = exchange.send(
            { type: 'make', from: customer, to: '+441314960120' },
            start,
          );
          if (!result.ok) throw new Error('The call was refused');
          const named = new Map<string, string>();
          let finish = '';
          let heard = 0;
          for (let second = 0; second <= trace.finishSeconds + 2; second++) {
            for (const call of exchange.calls.values()) {
              if (finish === '' && call.finish) finish = `${call.finish.kind} at ${Math.max(0, second - 1)}`;
              for (const { id, endpoint } of call.legs)
                if (endpoint.kind === 'device') named.set(id, endpoint.deviceId);
            }
            events.push(...exchange.advance(start + second * 1000));
            for (const event of events.slice(heard))
              if (event.type === 'networkReached')
                exchange.send({ type: 'alert', legId: event.legId }, start + second * 1000);
            heard = events.length;
          }
          const live = rangIn(events)
            .map((line) => line.replace(/^l\d+/, (id) => named.get(id) ?? id))
            .sort();
          expect(live).toEqual(
            trace.legs
              .map((leg) => `${leg.deviceId ?? leg.number} ${leg.fromSeconds}-${leg.toSeconds}`)
              .sort(),
          );
          expect(finish).toBe(`${trace.finish.kind} at ${trace.finishSeconds}`);
        },
      ),
      { numRuns: 2000 },
    );
  });
});
