/** Sounds as samples: call-progress tones, digits, ring tones and the music for who waits. */
export { holdMusicSeconds, synthesiseHoldMusic } from './holdMusic';
export { synthesiseDigit, synthesiseTone } from './synthesise';
export { dtmfFrequencies, progressTones, ringTones, type Tone } from './tones';
