import { leadAfterPaint, whetherHere } from './afterPaint';

describe('what takes its time', () => {
  it('leads nobody away from where they have gone meanwhile', () => {
    const [first, second] = [whetherHere(), whetherHere()];
    expect(first()).toBe(true);
    leadAfterPaint(() => undefined);
    expect([first(), second()]).toEqual([false, false]);
    // Whoever comes after that is where they are.
    expect(whetherHere()()).toBe(true);
  });
});
