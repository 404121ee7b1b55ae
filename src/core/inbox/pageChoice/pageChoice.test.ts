import fc from 'fast-check';

import { readPageChoice, writePageChoice } from '.';

describe('which pages go', () => {
  it.each([
    ['', 3, [1, 2, 3]],
    [' , ', 2, [1, 2]],
    ['2', 3, [2]],
    ['1-3, 7', 9, [1, 2, 3, 7]],
    ['1 \u2013 3;7', 9, [1, 2, 3, 7]],
    ['7 1 3', 9, [1, 3, 7]],
    ['4-', 6, [4, 5, 6]],
    ['-2', 6, [1, 2]],
    ['1-3, 2-4', 6, [1, 2, 3, 4]],
  ])('“%s” of %i', (text, count, pages) => expect(readPageChoice(text, count)).toEqual({ ok: true, pages }));

  it.each([
    ['two', '“two” is not a page. Write pages as 1-3, 7.'],
    ['-', '“-” is not a page. Write pages as 1-3, 7.'],
    ['1-2-3', '“1-2-3” is not a page. Write pages as 1-3, 7.'],
    ['9', 'There is no page 9, the last is 6.'],
    ['0', 'There is no page 0, the last is 6.'],
    ['3-1', '3-1 goes backwards.'],
    ['1-99999999999999999999', '“1-99999999999999999999” is not a page. Write pages as 1-3, 7.'],
  ])('“%s”: %s', (text, sentence) => expect(readPageChoice(text, 6)).toEqual({ ok: false, sentence }));

  it('reads what it writes', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: 1, max: 60 }), { minLength: 1 }), (some) => {
        const pages = some.sort((a, b) => a - b);
        expect(readPageChoice(writePageChoice(pages), 60)).toEqual({ ok: true, pages });
      }),
    );
  });
});
