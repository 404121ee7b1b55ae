import { seeded } from '../random';
import { levelDb, speechOverNoise } from '.';

const rate = 16_000;

/** A second in which half is a tone and half is only noise. */
function half(toneLevel: number, noiseLevel: number): Float32Array {
  const random = seeded(1);
  return Float32Array.from({ length: rate }, (_, at) => {
    const noise = (random() * 2 - 1) * noiseLevel;
    return at < rate / 2 ? noise + toneLevel * Math.sin((2 * Math.PI * 440 * at) / rate) : noise;
  });
}

it('the level of a full sine is 3 dB under full scale, and of nothing the lowest', () => {
  const sine = Float32Array.from({ length: rate }, (_, at) => Math.sin((2 * Math.PI * 440 * at) / rate));
  expect(levelDb(sine)).toBeCloseTo(-3.01, 1);
  expect(levelDb(new Float32Array(10))).toBe(-120);
});

it('speech stands over noise by as much as it is louder', () => {
  const quiet = speechOverNoise(half(0.5, 0.01), rate);
  const loud = speechOverNoise(half(0.5, 0.1), rate);
  expect(quiet - loud).toBeCloseTo(20, 0);
  // A sine of 0.5 has -9 dB, even noise of 0.01 -44.8 dB.
  expect(quiet).toBeCloseTo(35.7, 0);
});

it('of noise alone nothing stands out', () => {
  expect(speechOverNoise(half(0, 0.1), rate)).toBeLessThan(3);
});
