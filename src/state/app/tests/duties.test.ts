import { Duties } from '../duties';

describe('what one tab does for all', () => {
  function open() {
    const duties = new Duties();
    const told: string[] = [];
    const duty = (name: string) => () => {
      told.push(`${name} begins`);
      return () => void told.push(`${name} ends`);
    };
    return { duties, told, duty };
  }

  it('begins once this tab hosts the office, and ends when another does', () => {
    const { duties, told, duty } = open();
    duties.add(duty('mail'));
    expect(told).toEqual([]);
    duties.begin();
    duties.begin();
    duties.end();
    duties.begin();
    expect(told).toEqual(['mail begins', 'mail ends', 'mail begins']);
  });

  it('begins at once where this tab hosts it already, and is over when it is taken away', () => {
    const { duties, told, duty } = open();
    duties.begin();
    const takeAway = duties.add(duty('mail'));
    takeAway();
    duties.end();
    expect(told).toEqual(['mail begins', 'mail ends']);
  });
});
