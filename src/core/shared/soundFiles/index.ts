/** Sound that is kept: WAV files, what was heard mixed into one, and how loud it is where. Apart, since no start needs it. */
export { mixHeard, resample, type HeardSound } from './mixHeard';
export { peaksOf, silencesOf, type Stretch } from './peaks';
export { decodeWav, encodeWav, readMarks, type DecodedWav, type SoundMark, type WavResult } from './wav';
