import fc from 'fast-check';

import { costMicros, describeRate, formatMoney, rateFor, type Rate, type RateDeck } from '.';

const rate = (prefix: string, perMinuteMicros = 9_000, rest: Partial<Rate> = {}): Rate => ({
  prefix,
  name: prefix,
  perMinuteMicros,
  connectionFeeMicros: 0,
  incrementSeconds: 1,
  ...rest,
});
const deck: RateDeck = {
  currency: 'GBP',
  rates: [rate('+'), rate('+44'), rate('+447'), rate('+44770'), rate('999')],
};

describe('a rate', () => {
  it('is the one with the longest prefix, wherever it stands in the deck', () => {
    expect(rateFor(deck, '+447700900123')?.prefix).toBe('+44770');
    expect(rateFor(deck, '+447400900123')?.prefix).toBe('+447');
    expect(rateFor(deck, '+12025550147')?.prefix).toBe('+');
    expect(rateFor(deck, '214')).toBeNull();
    const backwards = { ...deck, rates: deck.rates.toReversed() };
    fc.assert(
      fc.property(fc.stringMatching(/^\+\d{3,12}$/), (number) => {
        expect(rateFor(backwards, number)).toEqual(rateFor(deck, number));
      }),
    );
  });

  it('is said in pence or pounds, with its fee', () => {
    expect(describeRate(rate('+44'), 'GBP')).toBe('0.9 p/min');
    expect(describeRate(rate('+449', 1_200_000, { connectionFeeMicros: 50_000 }), 'GBP')).toBe(
      '£1.20/min + 5 p',
    );
    expect(describeRate(rate('+44808', 0), 'GBP')).toBe('free');
    expect(describeRate(null, 'GBP')).toBe('price unknown');
    expect(formatMoney(12_340_000, 'GBP')).toBe('£12.34');
  });
});

describe('a cost', () => {
  it('counts started increments, and the fee once', () => {
    const perMinute = rate('+1', 60_000, { incrementSeconds: 60, connectionFeeMicros: 50_000 });
    expect([0, 1, 60_000, 60_001].map((ms) => costMicros(perMinute, ms))).toEqual([
      0, 110_000, 110_000, 170_000,
    ]);
    expect(costMicros(null, 60_000)).toBe(0);
  });

  it('never falls as the talk goes on, and is at least the talk’s share', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 7_200_000 }),
        fc.nat(600_000),
        fc.constantFrom(1, 6, 30, 60),
        (ms, more, incrementSeconds) => {
          const each = rate('+', 24_000, { incrementSeconds });
          expect(costMicros(each, ms + more)).toBeGreaterThanOrEqual(costMicros(each, ms));
          expect(costMicros(each, ms)).toBeGreaterThanOrEqual(Math.floor((ms / 60_000) * 24_000) - 1);
        },
      ),
    );
  });
});
