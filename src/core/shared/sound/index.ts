/** Sounds as samples: call-progress tones, digits, ring tones, the music for who waits, and recordings of all that. */
export { synthesiseTune, tunes, tuneSeconds, type Tune } from './tunes';
export {
  heardEntrySchema,
  heardLoops,
  mixHeard,
  resample,
  type HeardEntry,
  type HeardLoop,
  type HeardSound,
} from './mixHeard';
export { synthesiseDigit, synthesiseTone } from './synthesise';
export { dtmfFrequencies, progressTones, ringTones, type Tone } from './tones';
export { peaksOf, silencesOf, type Stretch } from './peaks';
export { decodeWav, encodeWav, type DecodedWav, type SoundMark, type WavResult } from './wav';
