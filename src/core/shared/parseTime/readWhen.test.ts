import { formatDayAndClock } from '@/core/shared/time';
import { atLocal, readUntil, readWhen } from './readWhen';

const zone = 'Europe/London';
/** Thursday, 26 November 2026, 10:40. */
const now = Date.UTC(2026, 10, 26, 10, 40);

const read = (text: string, from = now) => {
  const found = readWhen(text, from, zone);
  return found.ok
    ? `${formatDayAndClock(found.at, found.at, zone)} ${new Date(found.at).toISOString().slice(0, 10)}`
    : found.sentence;
};

describe('a moment as it is typed', () => {
  it.each([
    ['14:30', 'Thu 14:30 2026-11-26'],
    ['9', 'Fri 09:00 2026-11-27'],
    ['3', 'Thu 15:00 2026-11-26'],
    ['12', 'Thu 12:00 2026-11-26'],
    ['03', 'Fri 03:00 2026-11-27'],
    ['3:00', 'Fri 03:00 2026-11-27'],
    ['3pm', 'Thu 15:00 2026-11-26'],
    ['3.30 pm', 'Thu 15:30 2026-11-26'],
    ['tomorrow 8 AM', 'Fri 08:00 2026-11-27'],
    ['12am', 'Fri 00:00 2026-11-27'],
    ['three', 'Thu 15:00 2026-11-26'],
    ['noon', 'Thu 12:00 2026-11-26'],
    ['tomorrow noon', 'Fri 12:00 2026-11-27'],
    ['14:30 GMT', 'Thu 14:30 2026-11-26'],
    ['tomorrow 8:00', 'Fri 08:00 2026-11-27'],
    ['Tue 12:00', 'Tue 12:00 2026-12-01'],
    ['thursday 8.15', 'Thu 08:15 2026-12-03'],
    ['24 Dec 12:00', 'Thu 12:00 2026-12-24'],
    ['3 Feb 8:00', 'Wed 08:00 2027-02-03'],
    ['1 July 2027 7:05', 'Thu 07:05 2027-07-01'],
    ['2026-12-24 23:59', 'Thu 23:59 2026-12-24'],
    ['Fri', 'Fri 09:00 2026-11-27'],
    ['tomorrow', 'Fri 09:00 2026-11-27'],
    ['24 Dec', 'Thu 09:00 2026-12-24'],
    ['Monday morning', 'Mon 09:00 2026-11-30'],
    ['this evening', 'Thu 18:00 2026-11-26'],
    ['midday', 'Thu 12:00 2026-11-26'],
    ['next Monday 10', 'Mon 10:00 2026-11-30'],
    ['Friday at 9', 'Fri 09:00 2026-11-27'],
    ['8am', 'Fri 08:00 2026-11-27'],
    ['1/12 9:00', 'Tue 09:00 2026-12-01'],
    ['1/12', 'Tue 09:00 2026-12-01'],
    ['3/2/2027 8:00', 'Wed 08:00 2027-02-03'],
    ['in 2 h', 'Thu 12:40 2026-11-26'],
    ['in 20 minutes', 'Thu 11:00 2026-11-26'],
    ['in an hour', 'Thu 11:40 2026-11-26'],
    ['in half an hour', 'Thu 11:10 2026-11-26'],
    ['in 3 days', 'Sun 10:40 2026-11-29'],
    ['in 2 weeks', 'Thu 10:40 2026-12-10'],
  ])('%s', (text, wanted) => {
    expect(read(text)).toBe(wanted);
  });

  it.each([
    '',
    'soon',
    'in',
    'in 2',
    'in 9999 weeks',
    'in 2 moons',
    '32/1 9:00',
    '1/13',
    'next',
    '25:00',
    '12:60',
    '30 Feb 12:00',
    '2026-13-01 8:00',
    'tomorrow never 8:00',
    '15 pm',
    '0am',
    '14:30 BST',
    'noon Tue',
  ])('%s is refused with a reason', (text) => {
    expect(readWhen(text, now, zone)).toMatchObject({
      ok: false,
      sentence: expect.stringMatching(/\w/) as string,
    });
  });

  it('that the night of a change leaves out is refused, and one that comes twice is the first', () => {
    expect(read('2027-03-28 1:30')).toBe(
      'There is no 1:30 on 2027-03-28: the clocks go forward that night. Choose an hour later.',
    );
    expect(atLocal('2026-10-25', 1, 30, zone)).toBe(Date.UTC(2026, 9, 25, 0, 30));
    const eve = Date.UTC(2026, 9, 24, 20);
    expect(['1:30', '1:30 BST', '1:30 GMT'].map((text) => readWhen(text, eve, zone))).toEqual([
      { ok: true, at: Date.UTC(2026, 9, 25, 0, 30) },
      { ok: true, at: Date.UTC(2026, 9, 25, 0, 30) },
      { ok: true, at: Date.UTC(2026, 9, 25, 1, 30) },
    ]);
  });

  it('a time alone is not moved by a day where tonight leaves it out', () => {
    const left = 'There is no 1:30 on 2027-03-28: the clocks go forward that night. Choose an hour later.';
    expect(read('1:30', Date.UTC(2027, 2, 27, 22))).toBe(left);
    expect(read('1:30', Date.UTC(2027, 2, 28, 0, 10))).toBe(left);
    expect(read('1:30', Date.UTC(2027, 2, 28, 9))).toBe('Mon 01:30 2027-03-29');
  });
});

it('words that end with a moment are read apart', () => {
  const until = (text: string) => readUntil(text, now, zone);
  expect(until('In a meeting until three')).toEqual({
    words: 'In a meeting',
    until: Date.UTC(2026, 10, 26, 15),
  });
  expect(until('At the Weir, till tomorrow 8:00')).toEqual({
    words: 'At the Weir',
    until: Date.UTC(2026, 10, 27, 8),
  });
  expect(until('until 3pm')).toEqual({ words: '', until: Date.UTC(2026, 10, 26, 15) });
  expect(['Away until further notice', 'In a meeting', 'untill 3'].map(until)).toEqual([null, null, null]);
});
