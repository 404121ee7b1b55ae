import { formatIso } from '@/core/shared/time';

import { spanOf } from './spans';

const zone = 'Europe/London';
const now = Date.UTC(2026, 10, 26, 10, 40);
const written = (span: Parameters<typeof spanOf>[0], at = now) => {
  const { from, until } = spanOf(span, at, zone);
  return [formatIso(from, zone).slice(0, 16), formatIso(until, zone).slice(0, 16)];
};

it('spans are whole local days, also over the night when clocks change', () => {
  expect(written('today')).toEqual(['2026-11-26T00:00', '2026-11-27T00:00']);
  expect(written('week')).toEqual(['2026-11-20T00:00', '2026-11-27T00:00']);
  expect(written('lastMonth')).toEqual(['2026-10-01T00:00', '2026-11-01T00:00']);
  expect(written('lastMonth', Date.UTC(2026, 2, 31, 12))).toEqual(['2026-02-01T00:00', '2026-03-01T00:00']);
  expect(written('month')).toEqual(['2026-10-28T00:00', '2026-11-27T00:00']);
});
