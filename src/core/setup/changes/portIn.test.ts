import fc from 'fast-check';

import { testSetup } from '@/core/calls/exchange/tests/testOffice';

import { changeSetup, officeProblems, portInEdits, readPortIn } from '.';

const numbersOf = (text: string) => readPortIn(text, testSetup).numbers.map(({ number }) => number);
const problemOf = (text: string) => readPortIn(text, testSetup).problems;

describe('numbers that are brought along', () => {
  it('stand one in a line, with what they are for', () => {
    expect(readPortIn('0131 496 0300, Depot\n\n+44 131 496 0301', testSetup)).toEqual({
      numbers: [
        { line: 1, number: '+441314960300', name: 'Depot' },
        { line: 3, number: '+441314960301', name: '0131 496 0301' },
      ],
      problems: [],
    });
  });

  it.each(['0131 496 0300 - 0303', '0131 496 0300–03', '0131 496 0300 to 0131 496 0303', '01314960300 - 3'])(
    'may be a range: %s',
    (text) => {
      expect(numbersOf(text)).toEqual([0, 1, 2, 3].map((end) => `+44131496030${end}`));
    },
  );

  it.each([
    ['+353 1 496 0300', /is a number of another country/],
    ['214', /is an extension: a whole number is wanted/],
    ['999', /is an emergency number/],
    ['the depot', /can’t be read as a number/],
    ['0131 496 0120', /is a line of the office already: Field service/],
    ['0131 496 0305 - 0300', /ends before it begins/],
    ['0131 496 0000 - 0999', /holds 1000 numbers: at most 200/],
    ['0131 496 0300 - depot', /A range ends in a number/],
  ])('are told by line what is wrong with %s, and the others come', (text, sentence) => {
    const { numbers, problems } = readPortIn(`0131 496 0400\n${text}\n0131 496 0401`, testSetup);
    expect(problems).toEqual([{ line: 2, sentence: expect.stringMatching(sentence) as string }]);
    expect(numbers.map(({ number }) => number)).toEqual(['+441314960400', '+441314960401']);
  });

  it('come once, also where two lines hold the same', () => {
    expect(numbersOf('0131 496 0300 - 0302\n0131 496 0301')).toHaveLength(3);
    expect(problemOf('0131 496 0300 - 0302\n0131 496 0301')).toEqual([
      { line: 2, sentence: '0131 496 0301 stands here twice.' },
    ]);
  });

  it('become lines of an office in which nothing is wrong then, whatever was typed', () => {
    const piece = fc.constantFrom(
      '0131 496 0300',
      '0131 496 04',
      ' - ',
      '0309',
      ', Yard',
      '\n',
      'x',
      '12',
      '+1',
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 20 }), (pieces) => {
        const { numbers } = readPortIn(pieces.join(''), testSetup);
        const outcome = changeSetup(testSetup, portInEdits(testSetup, numbers, 'ben'), {
          ...{ id: '1', byId: 'ada', at: 1 },
        });
        const setup = outcome.ok ? outcome.setup : testSetup;
        expect(officeProblems(setup)).toEqual([]);
        expect(setup.lines).toHaveLength(testSetup.lines.length + numbers.length);
      }),
    );
  });
});
