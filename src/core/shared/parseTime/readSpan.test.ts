import { readSpan } from '.';

const zone = 'Europe/London';
/** Thursday, 26 November 2026, 10:40. */
const now = Date.UTC(2026, 10, 26, 10, 40);

const read = (text: string, from = now) => {
  const found = readSpan(text, from, zone);
  const short = (at: number) => new Date(at).toISOString().slice(5, 16).replace('T', ' ');
  return found.ok ? `${short(found.from)} – ${short(found.until)}` : found.sentence;
};

describe('a stretch that comes once', () => {
  it.each([
    ['this evening', '11-26 17:00 – 11-27 00:00'],
    ['Tonight', '11-26 17:00 – 11-27 06:00'],
    ['today', '11-26 10:40 – 11-27 00:00'],
    ['today until 15:00', '11-26 10:40 – 11-26 15:00'],
    ['until three', '11-26 10:40 – 11-26 15:00'],
    ['until Fri 8:00', '11-26 10:40 – 11-27 08:00'],
    ['tomorrow', '11-27 00:00 – 11-28 00:00'],
    ['tomorrow until noon', '11-27 00:00 – 11-27 12:00'],
    ['Sat', '11-28 00:00 – 11-29 00:00'],
    ['24 Dec', '12-24 00:00 – 12-25 00:00'],
    ['26 Nov 17:00–23:00', '11-26 17:00 – 11-26 23:00'],
    ['26 Nov 17:00 - 23:00', '11-26 17:00 – 11-26 23:00'],
    ['17:00-23:00', '11-26 17:00 – 11-26 23:00'],
    ['Fri 22:00–6:00', '11-27 22:00 – 11-28 06:00'],
    ['tomorrow 9:00 to Mon 12:00', '11-27 09:00 – 11-30 12:00'],
    ['2026-12-24 12:00 to 2026-12-27 8:00', '12-24 12:00 – 12-27 08:00'],
  ])('%s', (text, wanted) => {
    expect(read(text)).toBe(wanted);
  });

  it('that has begun begins now, and one that is over is refused', () => {
    const evening = Date.UTC(2026, 10, 26, 20);
    expect(read('this evening', evening)).toBe('11-26 20:00 – 11-27 00:00');
    expect(read('2026-11-20')).toBe('That is in the past.');
    expect(read('2026-11-26 12:00 to 2026-11-26 11:00')).toBe('It ends before it begins.');
  });

  it.each(['', 'soon', 'never until three', '17:00', 'Mon–Fri 8:00–17:00', '26 Nov 25:00–26:00'])(
    '“%s” is refused with a reason',
    (text) => {
      expect(readSpan(text, now, zone)).toMatchObject({
        ok: false,
        sentence: expect.stringMatching(/\w/) as string,
      });
    },
  );

  it('ends with the day also where clocks change', () => {
    expect(read('today', Date.UTC(2026, 9, 25, 9))).toBe('10-25 09:00 – 10-26 00:00');
  });
});
