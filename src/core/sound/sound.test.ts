import {
  decodeWav,
  dtmfFrequencies,
  encodeWav,
  holdMusicSeconds,
  mixHeard,
  progressTones,
  ringTones,
  synthesiseDigit,
  synthesiseHoldMusic,
  synthesiseTone,
  type HeardEntry,
} from '.';

const rate = 8000;

/** Share of a signal's power at one frequency (Goertzel), 0 to about 1. */
function powerAt(samples: Float32Array, frequency: number): number {
  let [cosine, sine, total] = [0, 0, 0];
  samples.forEach((value, index) => {
    const angle = (2 * Math.PI * frequency * index) / rate;
    cosine += value * Math.cos(angle);
    sine += value * Math.sin(angle);
    total += value * value;
  });
  return (2 * (cosine ** 2 + sine ** 2)) / (samples.length * total || 1);
}

const peak = (samples: Float32Array) => samples.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
const loud = (samples: Float32Array) => peak(samples) > 0.05;
const between = (samples: Float32Array, from: number, to: number) =>
  samples.slice(from * rate + 1, to * rate - 1);

describe('call-progress tones', () => {
  it('ringback sounds 400 and 450 Hz twice, then pauses', () => {
    const samples = synthesiseTone(progressTones.ringback, rate);
    expect(samples.length).toBe(3 * rate);
    const burst = between(samples, 0, 0.4);
    expect(powerAt(burst, 400) + powerAt(burst, 450)).toBeGreaterThan(0.9);
    expect(loud(between(samples, 0.4, 0.6))).toBe(false);
    expect(loud(between(samples, 0.6, 1))).toBe(true);
    expect(loud(between(samples, 1, 3))).toBe(false);
  });

  it('number unobtainable has no gap where its loop begins again', () => {
    const samples = synthesiseTone(progressTones.unobtainable, rate);
    const step = Math.abs((samples[0] ?? 0) - (samples.at(-1) ?? 0));
    expect(step).toBeLessThan(0.25 * 2 * Math.PI * (400 / rate));
    expect(powerAt(samples, 400)).toBeGreaterThan(0.95);
  });

  it.each(Object.entries({ ...progressTones, ...ringTones }))('%s never clips', (_, tone) => {
    expect(peak(synthesiseTone(tone, rate))).toBeLessThan(0.9);
  });
});

describe('digits', () => {
  it.each(['1', '5', '9', '*', '0', '#', 'D'])('%s sounds its two frequencies and no other', (digit) => {
    const samples = synthesiseDigit(digit, rate);
    const own = dtmfFrequencies(digit) ?? [0, 0];
    for (const frequency of [697, 770, 852, 941, 1209, 1336, 1477, 1633]) {
      const power = powerAt(samples, frequency);
      if (own.includes(frequency)) expect(power).toBeGreaterThan(0.4);
      else expect(power).toBeLessThan(0.05);
    }
  });

  it('all sixteen differ', () => {
    expect(new Set([...'0123456789ABCD*#'].map((digit) => dtmfFrequencies(digit)?.join())).size).toBe(16);
    expect(dtmfFrequencies('12')).toBeNull();
  });
});

describe('hold music', () => {
  it('is a tune of steady loudness that is always the same', () => {
    const samples = synthesiseHoldMusic(rate);
    expect(samples.length).toBe(holdMusicSeconds * rate);
    expect(peak(samples)).toBeLessThan(0.9);
    expect(synthesiseHoldMusic(rate)).toEqual(samples);
    for (let second = 0; second < 3; second++) expect(loud(between(samples, second, second + 1))).toBe(true);
  });

  it('begins on D', () => {
    const first = synthesiseHoldMusic(rate).slice(0, rate / 2);
    expect(powerAt(first, 293.66)).toBeGreaterThan(powerAt(first, 277.18) * 5);
  });
});

describe('a WAV file', () => {
  it('is read back as it was written, with its marks', () => {
    const samples = synthesiseDigit('5', rate);
    const marks = [
      { atSeconds: 0.02, text: 'Paused for 12 s' },
      { atSeconds: 0.05, text: 'odd' },
    ];
    const decoded = decodeWav(encodeWav(samples, rate, marks));
    expect(decoded).toMatchObject({ sampleRate: rate, marks });
    decoded?.samples.forEach((sample, index) => expect(sample).toBeCloseTo(samples[index] ?? NaN, 3));
  });

  it('that is none gives null instead of an error', () => {
    const whole = encodeWav(new Float32Array(20), rate);
    expect(decodeWav(new Uint8Array(0))).toBeNull();
    expect(decodeWav(whole.subarray(4))).toBeNull();
    for (let length = 0; length < whole.length; length++)
      expect(() => decodeWav(whole.subarray(0, length))).not.toThrow();
  });
});

describe('a recording', () => {
  const clip = new Float32Array(rate).fill(0.5);
  const pieces = [
    { from: 10_000, to: 12_000 },
    { from: 20_000, to: 21_000 },
  ];

  it('holds the pieces one after the other, the pause between them marked', () => {
    const { samples, marks } = mixHeard({ pieces, heard: [], clips: new Map() }, rate);
    expect(samples.length).toBe(3.6 * rate);
    expect(marks).toEqual([{ atSeconds: 2, text: 'Paused for 8 s' }]);
    expect(powerAt(between(samples, 2, 2.15), 1400)).toBeGreaterThan(0.9);
    expect(loud(between(samples, 0, 2)) || loud(between(samples, 2.6, 3.6))).toBe(false);
  });

  it('holds what was heard when it was heard: loops from their beginning, clips also across its edge', () => {
    const heard: HeardEntry[] = [
      { kind: 'loop', at: 9_000, loop: 'busy' },
      { kind: 'clip', at: 9_500, clip: 'hello' },
      { kind: 'loop', at: 11_000, loop: null },
      { kind: 'digit', at: 11_500, digit: '5' },
      { kind: 'clip', at: 15_000, clip: 'hello' },
      { kind: 'clip', at: 20_500, clip: 'missing' },
    ];
    const { samples } = mixHeard({ pieces, heard, clips: new Map([['hello', clip]]) }, rate);
    expect(samples[100]).toBeGreaterThan(0.2);
    expect(powerAt(between(samples, 0.5, 0.87), 400)).toBeGreaterThan(0.9);
    expect(loud(between(samples, 1, 1.5))).toBe(false);
    expect(powerAt(samples.slice(1.5 * rate, 1.64 * rate), 770)).toBeGreaterThan(0.4);
    expect(loud(between(samples, 2.6, 3.6))).toBe(false);
  });
});
