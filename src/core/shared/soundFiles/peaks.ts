/** The loudest of each of so many equal parts, 0 to 1: what a waveform is drawn from. */
export function peaksOf(samples: Float32Array, count: number): Float32Array {
  const peaks = new Float32Array(count);
  for (let part = 0; part < count; part++) {
    const from = Math.floor((part * samples.length) / count);
    const to = Math.floor(((part + 1) * samples.length) / count);
    let peak = 0;
    for (let at = from; at < to; at++) {
      const value = samples[at] ?? 0;
      if (value > peak) peak = value;
      else if (-value > peak) peak = -value;
    }
    peaks[part] = peak;
  }
  return peaks;
}

/** A stretch of a sound, in seconds. */
export interface Stretch {
  from: number;
  to: number;
}

const windowSeconds = 0.05;
/** Quieter than that, against the loudest of the sound, is silence. */
const silentShare = 0.04;
/** A breath between words is no silence. */
const shortestSilence = 0.7;
/** What is left of a silence that is skipped, so that words do not run into each other. */
const leftSeconds = 0.15;

/** Stretches in which nobody speaks and that may be skipped, in order. */
export function silencesOf(samples: Float32Array, sampleRate: number): Stretch[] {
  const size = Math.max(1, Math.round(windowSeconds * sampleRate));
  const loud = peaksOf(samples, Math.max(1, Math.ceil(samples.length / size)));
  const limit = loud.reduce((most, value) => Math.max(most, value), 0) * silentShare;
  const seconds = samples.length / sampleRate;
  const perWindow = seconds / loud.length;
  const silences: Stretch[] = [];
  let since: number | null = null;
  for (let at = 0; at <= loud.length; at++) {
    const isQuiet = at < loud.length && (loud[at] ?? 0) <= limit;
    if (isQuiet) {
      since ??= at * perWindow;
      continue;
    }
    if (since !== null && at * perWindow - since >= shortestSilence)
      silences.push({ from: since === 0 ? 0 : since + leftSeconds, to: at * perWindow - leftSeconds });
    since = null;
  }
  return silences;
}
