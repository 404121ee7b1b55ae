import { weaknessOf } from './pins';

describe('a PIN', () => {
  it.each(['1234', '4321', '8901', '2222', '121212', '12', '123456789', '12a4', ''])('is not %j', (pin) => {
    expect(weaknessOf(pin)).not.toBeNull();
  });

  it.each(['4711', '80412', '13579135'])('may be %s', (pin) => {
    expect(weaknessOf(pin)).toBeNull();
  });

  it('is not the end of one of the own numbers', () => {
    expect(weaknessOf('0120', ['0131 496 0120'])).toBe(
      'It is the end of 0131 496 0120, which everybody knows.',
    );
    expect(weaknessOf('0121', ['0131 496 0120', '214'])).toBeNull();
  });
});
