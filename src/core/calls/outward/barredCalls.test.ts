import { ukNumbering } from '@/core/numbers/numbering';
import { testRecord } from '@/core/calls/exchange/tests/testRecord';
import { outCalls } from '@/core/calls/figures';
import { emptyOffice } from '@/core/setup';
import { barredCalls } from '.';

const start = Date.UTC(2026, 10, 26, 10, 40);
const span = { from: start, until: start + 60_000 };
const rules = {
  numbering: ukNumbering,
  ...{ zone: 'Europe/London', rates: { currency: 'GBP', rates: [] } },
  policies: { ...emptyOffice.policies, barred: [], outward: { countries: ['+353'], exceptIds: ['kofi'] } },
};
const out = (number: string | null, more: object = {}) =>
  testRecord({
    ...{
      direction: 'out',
      startedAt: start,
      costMicros: 50_000,
      other: { number, name: null, personId: null },
    },
    ...more,
  });

it('calls that the rules would have barred are counted by why, with what they cost', () => {
  const records = [
    out('+12025550147'),
    out('+12025550148', { costMicros: 70_000 }),
    out('+35312345678'),
    out('+441314960142'),
    out('+12025550147', { personId: 'kofi' }),
  ];
  expect(barredCalls(outCalls(records, span), rules)).toEqual({
    ...{ placed: 5, barred: 2, costMicros: 120_000 },
    whys: [{ why: 'numbers of that country', calls: 2, costMicros: 120_000 }],
  });
});

it('what came in, stayed inside, or was at another time is not looked at', () => {
  const records = [
    testRecord({ startedAt: start }),
    out('214'),
    out(null),
    out('+12025550147', { startedAt: start - 1 }),
    out('+12025550147', { startedAt: span.until }),
  ];
  expect(barredCalls(outCalls(records, span), rules)).toMatchObject({ placed: 0, barred: 0, whys: [] });
});
