import { readPastDay } from '.';

const zone = 'Europe/London';
const now = Date.UTC(2026, 10, 26, 10, 40);
const iso = (text: string) => {
  const read = readPastDay(text, now, zone);
  return read.ok ? new Date(read.at).toISOString().slice(0, 16) : read.sentence;
};

it.each([
  ['today', '2026-11-26T00:00'],
  ['Yesterday', '2026-11-25T00:00'],
  ['24 Nov', '2026-11-24T00:00'],
  ['24 november', '2026-11-24T00:00'],
  ['27 Nov', '2025-11-27T00:00'],
  ['24 Nov 2024', '2024-11-24T00:00'],
  ['2026-07-01', '2026-06-30T23:00'],
  ['29 Feb', '2024-02-29T00:00'],
  ['31 Nov', 'There is no such day as 31 nov.'],
  ['2026-02-30', 'There is no such day as 2026-02-30.'],
  ['soon', 'Write a day such as 24 Nov, 24 Nov 2025, 2026-11-24, today or yesterday.'],
  ['', 'Write a day such as 24 Nov, 24 Nov 2025, 2026-11-24, today or yesterday.'],
])('"%s" is %s', (text, wanted) => {
  expect(iso(text)).toBe(wanted);
});
