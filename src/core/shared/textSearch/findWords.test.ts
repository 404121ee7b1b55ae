import fc from 'fast-check';

import { findWords, fold } from '.';

const texts = ['The gate code is 4120', 'Code for the lower gate', 'Señora Márquez, +44 7700 900155', 'weir'];
const find = (typed: string, most = 10) =>
  findWords(
    typed,
    texts.map((text) => ({ item: text, text })),
    most,
  );

describe('finding words', () => {
  it('takes all that were typed, in any order, whatever their case and accents', () => {
    expect(find('GATE code')).toEqual([texts[0], texts[1]]);
    expect(find('marquez')).toEqual([texts[2]]);
    expect(find('gate weir')).toEqual([]);
  });

  it('finds digits however the number is written', () => {
    expect(find('07700 900 155')).toEqual([texts[2]]);
    expect(find('0155')).toEqual([texts[2]]);
    expect(find('4120')).toEqual([texts[0]]);
  });

  it('gives nothing for nothing, and no more than was asked for', () => {
    expect(find('  ')).toEqual([]);
    expect(find('e', 2)).toEqual([texts[0], texts[1]]);
  });

  it('whatever is found has every word, and whatever has every word is found', () => {
    const word = fc.constantFrom('gate', 'Weir', 'ünder', 'code', '4120');
    fc.assert(
      fc.property(
        fc.array(fc.array(word, { maxLength: 4 })),
        fc.array(word, { minLength: 1, maxLength: 2 }),
        (all, typed) => {
          const findables = all.map((words, item) => ({ item, text: words.join(' ') }));
          const expected = all.flatMap((words, item) =>
            typed.every((each) => words.some((own) => fold(own).includes(fold(each)))) ? [item] : [],
          );
          expect(findWords(typed.join(' '), findables, 1000)).toEqual(expected);
        },
      ),
    );
  });
});
