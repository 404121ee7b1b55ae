import { minutesText } from '..';

const at = (minutes: number) => Date.UTC(2026, 10, 26, 10, 40 + minutes);

describe('minutes of a meeting', () => {
  it('say when it was, who was there how long, and what was written', () => {
    const text = minutesText(
      [
        { who: 'maren', name: 'Maren Oyelaran', byPhone: false, from: at(0), to: at(20) },
        { who: 'peg', name: 'Peg Anstey', byPhone: true, from: at(0), to: at(5) },
        { who: 'peg', name: 'Peg Anstey', byPhone: true, from: at(10), to: at(20) },
      ],
      [{ at: at(4), name: 'Maren Oyelaran', text: 'The gauge reads 1.42.' }],
      { from: at(0), to: at(20), zone: 'Europe/London' },
    );
    expect(text.split('\n')).toEqual([
      'Meeting on Thu 26 Nov, 10:40 to 11:00',
      'There: Maren Oyelaran 20:00; Peg Anstey 15:00, by phone',
      '10:44 Maren Oyelaran: The gauge reads 1.42.',
    ]);
  });

  it('count somebody who was at two devices at once once', () => {
    const stay = { who: 'ilse', name: 'Ilse Varga', byPhone: false };
    const text = minutesText(
      [
        { ...stay, from: at(5), to: at(15) },
        { ...stay, byPhone: true, from: at(0), to: at(10) },
      ],
      [],
      { from: at(0), to: at(15), zone: 'Europe/London' },
    );
    expect(text).toContain('There: Ilse Varga 15:00');
    expect(text).not.toContain('by phone');
  });
});
