/** The office's own tune for who waits: pitches as MIDI note numbers, lengths in beats; null is a rest. */
// prettier-ignore
const melody: readonly (readonly [note: number | null, beats: number])[] = [
  [62, 1], [69, 1], [67, 0.5], [66, 0.5], [64, 1], [66, 1], [69, 2], [null, 1],
  [71, 1], [69, 1], [66, 0.5], [64, 0.5], [62, 1], [64, 1], [57, 2], [null, 1],
  [62, 1], [66, 1], [69, 0.5], [71, 0.5], [74, 2], [73, 1], [69, 1], [71, 1],
  [67, 1], [66, 0.5], [64, 0.5], [66, 1], [62, 3], [null, 1],
];

const beatSeconds = 0.5;
const loudness = 0.22;

/** Length of one turn of the tune, in seconds. */
export const holdMusicSeconds = melody.reduce((sum, [, beats]) => sum + beats, 0) * beatSeconds;

/**
 * The tune as samples between -1 and 1, each note a plucked string (Karplus and Strong, Computer Music Journal
 * 7/2, 1983). The pluck is the same every time, so the tune is too.
 */
export function synthesiseHoldMusic(sampleRate: number): Float32Array {
  const samples = new Float32Array(Math.round(holdMusicSeconds * sampleRate));
  let begin = 0;
  for (const [note, beats] of melody) {
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
