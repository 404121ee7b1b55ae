import fc from 'fast-check';

import { handOutOrders, plainQueue } from '@/core/setup';
import { expectedWaitSeconds, handOutTo, spokenInQueue, withHandled, type FreeMember } from '.';

const members = ['ann', 'bo', 'cy', 'di'];
const free = (...given: [personId: string, freeSince: number, level?: number][]): FreeMember[] =>
  given.map(([personId, freeSince, level = 9]) => ({ personId, freeSince, level }));
const ids = (chosen: readonly FreeMember[]) => chosen.map(({ personId }) => personId);

describe('handOutTo', () => {
  const three = free(['ann', 30, 2], ['bo', 10, 2], ['di', 20, 1]);

  it.each([
    ['allAtOnce', ['ann', 'bo', 'di']],
    ['fixedOrder', ['ann']],
    ['longestFree', ['bo']],
    ['byLevel', ['di']],
  ] as const)('%s', (order, expected) => {
    expect(ids(handOutTo(order, three, members, null))).toEqual(expected);
  });

  it('goes round in turn, past whoever is not free', () => {
    expect(ids(handOutTo('inTurn', three, members, 'bo'))).toEqual(['di']);
    expect(ids(handOutTo('inTurn', three, members, 'di'))).toEqual(['ann']);
    expect(ids(handOutTo('inTurn', three, members, 'somebody who has left'))).toEqual(['ann']);
  });

  it('among those of one level asks who has been free longest', () => {
    expect(ids(handOutTo('byLevel', three.slice(0, 2), members, null))).toEqual(['bo']);
  });

  it('takes only who is free, and somebody whenever anybody is', () => {
    const anybody = fc
      .subarray(members)
      .chain((chosen) =>
        fc.tuple(
          ...chosen.map((personId) =>
            fc.record({ personId: fc.constant(personId), freeSince: fc.nat(9), level: fc.nat(9) }),
          ),
        ),
      );
    fc.assert(
      fc.property(
        fc.constantFrom(...handOutOrders),
        anybody,
        fc.constantFrom(null, ...members),
        (order, there, last) => {
          const chosen = handOutTo(order, there, members, last);
          expect(there).toEqual(expect.arrayContaining(chosen));
          expect(chosen.length > 0).toBe(there.length > 0);
          expect(chosen).toHaveLength(order === 'allAtOnce' ? there.length : Math.min(1, there.length));
        },
      ),
    );
  });
});

describe('the expected wait', () => {
  it('is the mean over the members, times the place', () => {
    expect(expectedWaitSeconds(1, 2, { count: 5, meanMs: 120_000 })).toBe(60);
    expect(expectedWaitSeconds(3, 2, { count: 5, meanMs: 120_000 })).toBe(180);
  });

  it('is not guessed', () => {
    expect(expectedWaitSeconds(1, 2, { count: 0, meanMs: 0 })).toBeNull();
    expect(expectedWaitSeconds(1, 0, { count: 5, meanMs: 120_000 })).toBeNull();
  });

  it('is learnt from the queue’s own calls, the latest twenty of them foremost', () => {
    const few = [60_000, 120_000].reduce(withHandled, { count: 0, meanMs: 0 });
    expect(few).toEqual({ count: 2, meanMs: 90_000 });
    const changed = Array.from({ length: 100 }, () => 30_000).reduce(withHandled, few);
    expect(changed.meanMs).toBeGreaterThan(30_000);
    expect(changed.meanMs).toBeLessThan(31_000);
  });
});

describe('what is said to who waits', () => {
  const told = { place: 3, waitSeconds: 100 };

  it('is what the queue is to say, in words', () => {
    const queue = { ...plainQueue, welcome: 'The yard desk. ' };
    expect(spokenInQueue(queue, told, true)).toBe(
      'The yard desk. You are number 3. It takes about 2 minutes. Press 1, and we call you when it is your turn.',
    );
    expect(spokenInQueue(queue, { place: 1, waitSeconds: 10 }, false)).toBe(
      'The yard desk. You are next. It takes about 1 minute.',
    );
  });

  it('is no guess, and nothing that the queue keeps to itself', () => {
    const queue = { ...plainQueue, tellsPlace: false, offersCallBack: false };
    expect(spokenInQueue(queue, { place: 3, waitSeconds: null }, true)).toBe('');
  });
});
