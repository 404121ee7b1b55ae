import isEqual from 'fast-deep-equal';
import fc from 'fast-check';

import { must } from '@/core/calls/exchange/tests/invariants';
import type { Fax } from '@/core/inbox/fax';

import type { Faxing } from '../Faxing';
import { allFaxesSeen, faxingSeen, type FaxingRequest } from '..';
import { farm, openFaxing } from './testFaxing';

const people = ['ada', 'ben', 'cleo'] as const;
const id = fc.constantFrom('a', 'b', 'c');
const lineId = fc.constantFrom('own', 'shared');

const request: fc.Arbitrary<FaxingRequest> = fc.oneof(
  fc.record({
    type: fc.constant('sendFax' as const),
    id,
    number: fc.constantFrom(farm, '201'),
    lineId,
    title: fc.constant('Paper'),
    pages: fc.integer({ min: 1, max: 3 }),
  }),
  fc.record({
    type: fc.constantFrom('sendFaxAgain' as const, 'stopFax' as const, 'takeBackFax' as const),
    id,
  }),
  fc.record({ type: fc.constantFrom('markFaxesRead' as const, 'forgetFaxes' as const), ids: fc.array(id) }),
);
const step = fc.oneof(
  { weight: 3, arbitrary: fc.record({ by: fc.constantFrom(...people), request }) },
  fc.record({
    tells: fc.oneof(
      fc.record({ kind: fc.constantFrom('dialling' as const, 'done' as const, 'stopped' as const), id }),
      fc.record({ kind: fc.constant('pagesTaken' as const), id, pages: fc.integer({ min: 0, max: 3 }) }),
      fc.record({
        kind: fc.constant('failed' as const),
        id,
        failure: fc.constantFrom('busy' as const, 'noFax' as const),
      }),
    ),
  }),
  fc.record({ comesIn: fc.constantFrom('c', 'd'), lineId }),
);
const steps = fc.array(step, { minLength: 20, maxLength: 60, size: 'max' });

function take(
  office: ReturnType<typeof openFaxing>,
  each: typeof step extends fc.Arbitrary<infer T> ? T : never,
) {
  if ('by' in each) office.ask(each.by, each.request);
  else if ('tells' in each) office.tell(each.tells);
  else office.comesIn(each.comesIn, each.lineId);
}

const byId = (faxes: Iterable<Fax>) => [...faxes].sort((a, b) => (a.id < b.id ? -1 : 1));

describe('three members who ask for any fax, in any order', () => {
  it('each hear of exactly what they see, and see and change nothing that is not theirs', () => {
    fc.assert(
      fc.property(steps, (taken) => {
        const office = openFaxing();
        const { faxing } = office;
        const mirrors = new Map(people.map((personId) => [personId, new Map<string, Fax>()]));
        for (const each of taken) {
          const before = new Map(faxing.all);
          take(office, each);
          if ('by' in each)
            for (const [faxId, was] of before) {
              const is = faxing.all.get(faxId);
              if (was.fromId === each.by) continue;
              must(
                is && isEqual({ ...is, readBy: {} }, { ...was, readBy: {} }),
                'it is not theirs to change',
              );
            }
          const rows = faxing.takeChanges();
          for (const [personId, mirror] of mirrors) {
            for (const change of faxingSeen(rows, personId, faxing)) {
              if ('put' in change) mirror.set(change.put.id, change.put);
              else must(mirror.delete(change.gone), 'what is told to be gone was there');
            }
            const seen = byId(allFaxesSeen(personId, faxing));
            must(isEqual(byId(mirror.values()), seen), `${personId} has heard of what they see`);
            must(personId !== 'cleo' || seen.length === 0, 'she has no line');
            must(
              personId !== 'ben' || seen.every((fax) => fax.lineId === 'shared'),
              'the other line is hers',
            );
          }
        }
      }),
      { numRuns: 150 },
    );
  });

  it('what is kept is all there is: another run goes on from it', () => {
    fc.assert(
      fc.property(steps, steps, (first, second) => {
        const office = openFaxing();
        for (const each of first) take(office, each);
        const kept = new Map<string, ReturnType<Faxing['takeChanges']>[number]['now']>();
        for (const { id: faxId, now } of office.faxing.takeChanges()) kept.set(faxId, now);
        const again = openFaxing();
        again.faxing.load(
          [...kept.values()].flatMap((fax) => fax ?? []),
          'ada',
        );
        const states = ({ faxing }: typeof office) =>
          [...faxing.all.values()]
            .map(({ id: faxId, state, sentPages, tries }) => [faxId, state, sentPages, tries])
            .sort();
        must(isEqual(states(again), states(office)), 'it is as it was');
        for (const each of second) {
          take(office, each);
          take(again, each);
          must(isEqual(states(again), states(office)), 'it goes on as it would have');
        }
      }),
      { numRuns: 100 },
    );
  });
});
