type Note = readonly [note: number | null, beats: number];

/** Tunes of our own for who waits: pitches as MIDI note numbers, lengths in beats; null is a rest. */
// prettier-ignore
const melodies = {
  valley: [
    [62, 1], [69, 1], [67, 0.5], [66, 0.5], [64, 1], [66, 1], [69, 2], [null, 1],
    [71, 1], [69, 1], [66, 0.5], [64, 0.5], [62, 1], [64, 1], [57, 2], [null, 1],
    [62, 1], [66, 1], [69, 0.5], [71, 0.5], [74, 2], [73, 1], [69, 1], [71, 1],
    [67, 1], [66, 0.5], [64, 0.5], [66, 1], [62, 3], [null, 1],
  ],
  rain: [
    [76, 0.5], [71, 0.5], [67, 0.5], [71, 0.5], [74, 0.5], [71, 0.5], [67, 0.5], [71, 0.5],
    [76, 0.5], [72, 0.5], [69, 0.5], [72, 0.5], [74, 0.5], [72, 0.5], [69, 0.5], [72, 0.5],
    [79, 0.5], [74, 0.5], [71, 0.5], [74, 0.5], [78, 0.5], [74, 0.5], [69, 0.5], [74, 0.5],
    [76, 0.5], [71, 0.5], [67, 0.5], [64, 0.5], [67, 0.5], [71, 0.5], [76, 2], [null, 1],
  ],
  becks: [
    [55, 1], [62, 0.5], [67, 0.5], [69, 0.5], [71, 0.5], [55, 1], [62, 0.5], [71, 0.5], [69, 0.5], [67, 0.5],
    [60, 1], [64, 0.5], [67, 0.5], [72, 0.5], [71, 0.5], [57, 1], [62, 0.5], [66, 0.5], [69, 1],
    [55, 1], [62, 0.5], [67, 0.5], [74, 0.5], [72, 0.5], [52, 1], [59, 0.5], [67, 0.5], [71, 0.5], [69, 0.5],
    [57, 1], [60, 0.5], [64, 0.5], [66, 0.5], [69, 0.5], [55, 2], [67, 1], [null, 1],
  ],
} as const satisfies Record<string, readonly Note[]>;

export type Tune = keyof typeof melodies;
export const tunes = Object.keys(melodies) as [Tune, ...Tune[]];

const beatSeconds = 0.5;
const loudness = 0.22;

/** Length of one turn of a tune, in seconds. */
export const tuneSeconds = (tune: Tune): number =>
  melodies[tune].reduce((sum, [, beats]) => sum + beats, 0) * beatSeconds;

/**
 * A tune as samples between -1 and 1, each note a plucked string (Karplus and Strong, Computer Music Journal
 * 7/2, 1983). The pluck is the same every time, so the tune is too.
 */
export function synthesiseTune(tune: Tune, sampleRate: number): Float32Array {
  const samples = new Float32Array(Math.round(tuneSeconds(tune) * sampleRate));
  let begin = 0;
  for (const [note, beats] of melodies[tune]) {
    const length = Math.round(beats * beatSeconds * sampleRate);
    if (note !== null) pluck(samples, begin, length, 440 * 2 ** ((note - 69) / 12), sampleRate);
    begin += length;
  }
  return samples;
}

function pluck(
  samples: Float32Array,
  begin: number,
  length: number,
  frequency: number,
  sampleRate: number,
): void {
  const string = new Float32Array(Math.max(2, Math.round(sampleRate / frequency)));
  for (let index = 0; index < string.length; index++) string[index] = plucked(index / string.length);
  const release = Math.min(length, Math.round(0.02 * sampleRate));
  for (let index = 0; index < length && begin + index < samples.length; index++) {
    const here = index % string.length;
    const value = string[here] ?? 0;
    string[here] = 0.4985 * (value + (string[(here + 1) % string.length] ?? 0));
    samples[begin + index] = value * loudness * Math.min(1, (length - index) / release);
  }
}

/** The string's shape at the pluck: a triangle with its peak at a fifth of its length. */
function plucked(position: number): number {
  return position < 0.2 ? position * 10 - 1 : 1 - (position - 0.2) * 2.5;
}
