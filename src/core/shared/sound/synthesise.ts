import { dtmfFrequencies, type Tone } from './tones';

const rampSeconds = 0.005;
const loudness = 0.25;

/** One cycle of a tone's cadence as samples between -1 and 1; played in a loop it is the tone. */
export function synthesiseTone({ frequencies, cadence }: Tone, sampleRate: number): Float32Array {
  const total = cadence.reduce((sum, step) => sum + step.seconds, 0);
  const samples = new Float32Array(Math.round(total * sampleRate));
  const isContinuous = cadence.every((step) => step.on);
  let begin = 0;
  for (const step of cadence) {
    const length = Math.round(step.seconds * sampleRate);
    if (step.on) addTone(samples, begin, length, frequencies, sampleRate, isContinuous ? 0 : rampSeconds);
    begin += length;
  }
  return samples;
}

/** One DTMF digit, by default 100 ms (at least 40 ms: ETSI ES 201 235-2). Silence for what is no digit. */
export function synthesiseDigit(digit: string, sampleRate: number, seconds = 0.1): Float32Array {
  const samples = new Float32Array(Math.round(seconds * sampleRate));
  const pair = dtmfFrequencies(digit);
  if (pair) addTone(samples, 0, samples.length, pair, sampleRate, rampSeconds);
  return samples;
}

function addTone(
  samples: Float32Array,
  begin: number,
  length: number,
  frequencies: readonly number[],
  sampleRate: number,
  ramp: number,
): void {
  const rampSamples = ramp * sampleRate;
  for (let index = 0; index < length && begin + index < samples.length; index++) {
    const fade = rampSamples === 0 ? 1 : Math.min(1, index / rampSamples, (length - 1 - index) / rampSamples);
    let value = 0;
    for (const frequency of frequencies) value += Math.sin((2 * Math.PI * frequency * index) / sampleRate);
    samples[begin + index] = (value / frequencies.length) * loudness * Math.max(0, fade);
  }
}
