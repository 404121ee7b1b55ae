/** A phrase of a ring tone: pitches as MIDI note numbers, lengths in seconds; null is a rest. What is left of the turn is silence. */
interface Phrase {
  notes: readonly (readonly [note: number | null, seconds: number])[];
  turnSeconds: number;
  /** How bright it sounds: the share of each overtone. */
  overtones: readonly number[];
}

const soft = [1, 0.15];
const clear = [1, 0.4, 0.15];
const sharp = [1, 0.7, 0.5, 0.3];

/** Ring tones of our own, named for what is heard at a river. */
// prettier-ignore
const phrases = {
  gauge: { notes: [[72, 0.4], [null, 0.2], [76, 0.4]], turnSeconds: 3, overtones: clear },
  beck: { notes: [[67, 0.12], [71, 0.12], [74, 0.12], [79, 0.3], [74, 0.12], [79, 0.3]], turnSeconds: 3, overtones: soft },
  curlew: { notes: [[76, 0.5], [81, 0.25], [null, 0.1], [76, 0.25], [81, 0.5]], turnSeconds: 3.2, overtones: soft },
  dipper: { notes: [[88, 0.08], [86, 0.08], [88, 0.08], [91, 0.16], [null, 0.1], [88, 0.08], [86, 0.08], [91, 0.16]], turnSeconds: 2.4, overtones: soft },
  lapwing: { notes: [[74, 0.2], [86, 0.35], [null, 0.15], [74, 0.2], [86, 0.35]], turnSeconds: 2.8, overtones: clear },
  owl: { notes: [[57, 0.5], [null, 0.25], [57, 0.2], [60, 0.2], [57, 0.5]], turnSeconds: 3.4, overtones: soft },
  bell: { notes: [[84, 0.7], [79, 0.7]], turnSeconds: 3, overtones: [1, 0.1, 0.5, 0.05, 0.3] },
  slate: { notes: [[64, 0.1], [null, 0.1], [64, 0.1], [null, 0.1], [71, 0.25]], turnSeconds: 2.2, overtones: sharp },
  ferry: { notes: [[48, 0.6], [null, 0.15], [48, 0.6]], turnSeconds: 3.2, overtones: sharp },
  wren: { notes: [[93, 0.06], [91, 0.06], [93, 0.06], [96, 0.06], [93, 0.06], [91, 0.06], [93, 0.2]], turnSeconds: 2, overtones: soft },
  flood: { notes: [[76, 0.15], [83, 0.15], [76, 0.15], [83, 0.15], [76, 0.15], [83, 0.15]], turnSeconds: 1.4, overtones: sharp },
} as const satisfies Record<string, Phrase>;

export type Ring = keyof typeof phrases;
export const rings = Object.keys(phrases) as [Ring, ...Ring[]];

const loudness = 0.6;
const attackSeconds = 0.006;

/** One turn of a ring tone as samples between -1 and 1; played in a loop it rings. @param volume 0 to 1 */
export function synthesiseRing(ring: Ring, sampleRate: number, volume = 1): Float32Array {
  const { notes, turnSeconds, overtones }: Phrase = phrases[ring];
  const samples = new Float32Array(Math.round(turnSeconds * sampleRate));
  const sum = overtones.reduce((total, share) => total + share, 0);
  let begin = 0;
  for (const [note, seconds] of notes) {
    const length = Math.round(seconds * sampleRate);
    if (note !== null) {
      const frequency = 440 * 2 ** ((note - 69) / 12);
      for (let index = 0; index < length; index++) {
        const at = index / sampleRate;
        // It dies away, and ends without a click.
        const shape =
          Math.min(1, at / attackSeconds) *
          Math.exp(-2.5 * (at / seconds)) *
          Math.min(1, (length - index) / (attackSeconds * sampleRate));
        let value = 0;
        for (const [above, share] of overtones.entries())
          value += share * Math.sin(2 * Math.PI * frequency * (above + 1) * at);
        samples[begin + index] = (value / sum) * shape * loudness * volume;
      }
    }
    begin += length;
  }
  return samples;
}
