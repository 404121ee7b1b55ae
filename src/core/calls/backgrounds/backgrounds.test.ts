import fc from 'fast-check';

import { alphaOf, FramePace } from '.';

const settled = (confidence: number) => {
  const alpha = new Uint8ClampedArray(1);
  for (let picture = 0; picture < 20; picture++) alphaOf(Float32Array.of(confidence), alpha);
  return alpha[0] ?? NaN;
};

describe('what of a picture is somebody', () => {
  it('is whole where that is sure, nothing where it is surely not, and the more the surer it is', () => {
    expect(settled(0.7)).toBeGreaterThan(250);
    expect(settled(1)).toBeGreaterThan(250);
    expect(settled(0.3)).toBe(0);
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (one, other) => {
          if (one <= other) expect(settled(one)).toBeLessThanOrEqual(settled(other));
        },
      ),
    );
  });

  it('of one picture is not believed at once, and is within a few', () => {
    const alpha = new Uint8ClampedArray(1);
    alphaOf(Float32Array.of(1), alpha);
    expect(alpha[0]).toBeLessThan(200);
    for (let picture = 0; picture < 4; picture++) alphaOf(Float32Array.of(1), alpha);
    expect(alpha[0]).toBeGreaterThan(245);
  });
});

describe('whether a device bears it', () => {
  const after = (...took: number[]) => {
    const pace = new FramePace();
    for (const ms of took) pace.note(ms);
    return pace.isTooSlow;
  };
  const times = (count: number, ms: number) => Array.from({ length: count }, () => ms);

  it('is known after some pictures, of which the first do not count', () => {
    expect(after(...times(16, 20))).toBeNull();
    expect(after(...times(5, 900), ...times(12, 20))).toBe(false);
    expect(after(...times(17, 130))).toBe(true);
  });

  it('is said of the last of them', () => {
    expect(after(...times(40, 20), ...times(12, 200))).toBe(true);
    expect(after(...times(40, 200), ...times(12, 20))).toBe(false);
  });
});
