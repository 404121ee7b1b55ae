/** For the tests: samples a second. */
export const rate = 8000;

/** Share of a signal's power at one frequency (Goertzel), 0 to about 1. */
export function powerAt(samples: Float32Array, frequency: number): number {
  let [cosine, sine, total] = [0, 0, 0];
  samples.forEach((value, index) => {
    const angle = (2 * Math.PI * frequency * index) / rate;
    cosine += value * Math.cos(angle);
    sine += value * Math.sin(angle);
    total += value * value;
  });
  return (2 * (cosine ** 2 + sine ** 2)) / (samples.length * total || 1);
}

export const peak = (samples: Float32Array) =>
  samples.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
export const loud = (samples: Float32Array) => peak(samples) > 0.05;
export const between = (samples: Float32Array, from: number, to: number) =>
  samples.slice(from * rate + 1, to * rate - 1);
