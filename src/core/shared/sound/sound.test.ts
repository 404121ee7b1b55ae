import {
  dtmfFrequencies,
  progressTones,
  rings,
  synthesiseRing,
  synthesiseDigit,
  synthesiseTone,
  synthesiseTune,
  tunes,
  tuneSeconds,
} from '.';
import { between, loud, peak, powerAt, rate } from './tests/signal';

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

  it.each(Object.entries(progressTones))('%s never clips', (_, tone) => {
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

describe('ring tones', () => {
  it.each(rings)('%s begins at once, never clips, is always the same, and ends in silence', (ring) => {
    const samples = synthesiseRing(ring, rate);
    expect(peak(samples.slice(0, rate / 10))).toBeGreaterThan(0.05);
    expect(peak(samples)).toBeLessThan(0.9);
    expect(synthesiseRing(ring, rate)).toEqual(samples);
    expect(peak(samples.slice(-Math.round(rate / 4)))).toBe(0);
  });

  it('are each another, and as loud as is asked for', () => {
    expect(new Set(rings.map((ring) => synthesiseRing(ring, rate).join())).size).toBe(rings.length);
    expect(rings.length).toBeGreaterThanOrEqual(10);
    expect(peak(synthesiseRing('bell', rate, 0.5))).toBeCloseTo(peak(synthesiseRing('bell', rate)) / 2, 5);
    expect(peak(synthesiseRing('bell', rate, 0))).toBe(0);
  });
});

describe('the tunes for who waits', () => {
  it.each(tunes)('%s is of steady loudness, and always the same', (tune) => {
    const samples = synthesiseTune(tune, rate);
    expect(samples.length).toBe(tuneSeconds(tune) * rate);
    expect(peak(samples)).toBeLessThan(0.9);
    expect(synthesiseTune(tune, rate)).toEqual(samples);
    for (let second = 0; second < 3; second++) expect(loud(between(samples, second, second + 1))).toBe(true);
  });

  it.each([
    ['valley', 293.66],
    ['rain', 659.26],
    ['becks', 196],
  ] as const)('%s begins at %s Hz, and no other does', (tune, frequency) => {
    const powers = tunes.map((each) => {
      const first = synthesiseTune(each, rate).slice(0, rate / 4);
      return { each, power: powerAt(first, frequency) };
    });
    const [loudest] = powers.sort((a, b) => b.power - a.power);
    expect(loudest?.each).toBe(tune);
  });
});
