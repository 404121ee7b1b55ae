/** Sounds as samples: call-progress tones, digits, ring tones, the music for who waits, and what was heard of them. */
export { heardEntrySchema, heardLoops, type HeardEntry, type HeardLoop } from './heard';
export { noiseStrengths, type NoiseStrength } from './noise';
export { rings, synthesiseRing, type Ring } from './rings';
export { synthesiseDigit, synthesiseTone } from './synthesise';
export { dtmfFrequencies, progressTones, type Tone } from './tones';
export { synthesiseTune, tunes, tuneSeconds, type Tune } from './tunes';
