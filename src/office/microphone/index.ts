/** What this device hears of whoever uses it, as others would. */
export { OutgoingVoice } from './OutgoingVoice';
export {
  openMicrophone,
  recordMicrophone,
  type MicrophoneWish,
  type OpenMicrophone,
  type Take,
} from './recordMicrophone';
export { speechOverNoise } from '@/core/shared/levels';
export { suppressedAfterSeconds, suppressingRate, suppressNoise } from './suppressNoise';
