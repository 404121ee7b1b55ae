import fc from 'fast-check';
import Papa from 'papaparse';

import { unguarded, writeTable } from '.';

const cellOf = (text: string) => Papa.parse<string[]>(writeTable(['a'], [[text]])).data[1]?.[0];

describe('a table that goes out', () => {
  it('holds nothing that a spreadsheet would run', () => {
    const hostile = [
      '=1+1',
      "+1+cmd|' /C calc'!A0",
      '-2+3',
      '@SUM(A1)',
      ' =1+1',
      '\n=1+1',
      '\t=1',
      "'=1+1",
      '＝1+1',
      '|calc',
      '+44 131 496 0142=1',
      '+1-1',
    ];
    for (const text of hostile) expect(cellOf(text)).toBe(`'${text}`);
  });

  it('leaves telephone numbers, dates and words alone', () => {
    for (const text of [
      '+441314960142',
      '+44 131 496 0142 ext 9',
      '0131 496 0142',
      '2026-11-26',
      'O’Hara',
      "'t Hooft",
    ])
      expect(cellOf(text)).toBe(text);
    expect(writeTable(['n'], [[-3]])).toBe('n\r\n-3');
  });

  it('is read back as it was, whatever it held', () => {
    const text = fc.string({ unit: fc.constantFrom('=', "'", '+', '-', '@', ' ', '\t', 'a', '1', '"', ',') });
    fc.assert(
      fc.property(text, (held) => {
        expect(unguarded(cellOf(held) ?? '')).toBe(held);
      }),
    );
  });
});
