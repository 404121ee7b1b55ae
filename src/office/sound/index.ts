/** What this device sounds. */
export { SoundPlayer, type Continuous, type SoundStatus } from './SoundPlayer';
export { recordMicrophone, type Take } from './recordMicrophone';
