/** What this device sounds. */
export { SoundPlayer, type Continuous, type SoundStatus } from './SoundPlayer';
