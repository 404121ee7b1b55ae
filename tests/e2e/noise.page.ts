import { levelDb } from '@/core/shared/levels';
import type { NoiseStrength } from '@/core/shared/sound';
import { suppressedAfterSeconds, suppressingRate, suppressNoise } from '@/office/microphone';

/** A page of its own: speech with a fan beside it goes through the suppressor. For the browser test beside it. */

/** What one of the stand-ins says, at the suppressor's rate, with silence around it. */
async function speech(): Promise<Float32Array> {
  const decoder = new OfflineAudioContext(1, 1, suppressingRate);
  const answer = await fetch('/voices/vm-cawder.wav');
  const buffer = await decoder.decodeAudioData(await answer.arrayBuffer());
  const around = 2 * suppressingRate;
  const samples = new Float32Array(buffer.length + 2 * around);
  samples.set(buffer.getChannelData(0), around);
  return samples;
}

/** A fan: its blades hum, and the air rushes, more so in the low. */
function fan(length: number, level: number): Float32Array {
  let state = 20_261_129;
  let low = 0;
  const samples = new Float32Array(length);
  for (let at = 0; at < length; at++) {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    low += 0.08 * (state / 2 ** 31 - 1 - low);
    const seconds = at / suppressingRate;
    samples[at] = level * (4 * low + 0.3 * Math.sin(2 * Math.PI * 118 * seconds));
  }
  return samples;
}

/** Real milliseconds: a worklet says nothing when it is ready. */
const readyMs = 1_500;

async function through(samples: Float32Array, strength: NoiseStrength) {
  const context = new OfflineAudioContext(1, samples.length, suppressingRate);
  const buffer = new AudioBuffer({ length: samples.length, sampleRate: suppressingRate });
  buffer.copyToChannel(new Float32Array(samples), 0);
  const source = new AudioBufferSourceNode(context, { buffer });
  const node = strength === 'off' ? source : await suppressNoise(context, source, strength);
  node.connect(context.destination);
  source.start();
  // What is rendered offline waits for nothing: the suppressor is given the time to get ready that a microphone gives it.
  let began = 0;
  void context.suspend(0).then(async () => {
    await new Promise((resolve) => setTimeout(resolve, readyMs));
    began = performance.now();
    await context.resume();
  });
  const heard = (await context.startRendering()).getChannelData(0);
  return { heard, tookMs: performance.now() - began };
}

/** By how many samples one is later than the other, where they are most alike; and how alike they are then, at most 1. */
function likeness(clean: Float32Array, heard: Float32Array) {
  const most = Math.round(0.05 * suppressingRate);
  let best = { later: 0, alike: -1 };
  for (let later = 0; later <= most; later += 8) {
    let both = 0;
    let own = 0;
    let other = 0;
    for (let at = 0; at + later < heard.length; at += 4) {
      const a = clean[at] ?? 0;
      const b = heard[at + later] ?? 0;
      both += a * b;
      own += a * a;
      other += b * b;
    }
    const alike = both / Math.sqrt(own * other);
    if (alike > best.alike) best = { later, alike };
  }
  return best;
}

/** What becomes of speech and a fan, in dB, seconds and shares. */
async function measured(strength: NoiseStrength) {
  const clean = await speech();
  const noise = fan(clean.length, 0.05);
  const mixed = clean.map((sample, at) => sample + (noise[at] ?? 0));
  const { heard, tookMs } = await through(mixed, strength);
  // The last second before anybody speaks: what listens has got used to the noise.
  const pause = [suppressingRate, 1.9 * suppressingRate] as const;
  const spoken = [2 * suppressingRate, clean.length - 2 * suppressingRate] as const;
  const { later, alike } = likeness(clean.subarray(...spoken), heard.subarray(spoken[0]));
  return {
    pauseDb: levelDb(heard.subarray(...pause)) - levelDb(mixed.subarray(...pause)),
    speechDb: levelDb(heard.subarray(...spoken)) - levelDb(clean.subarray(...spoken)),
    alike,
    alikeBefore: likeness(clean.subarray(...spoken), mixed.subarray(spoken[0])).alike,
    delayMs: (later / suppressingRate) * 1000,
    share: tookMs / ((clean.length / suppressingRate) * 1000),
  };
}

declare global {
  interface Window {
    measured: typeof measured;
    suppressedAfterSeconds: number;
  }
}
Object.assign(window, { measured, suppressedAfterSeconds });
