/** What this device hears of whoever uses it, as others would. */
export {
  openMicrophone,
  recordMicrophone,
  type MicrophoneWish,
  type OpenMicrophone,
  type Take,
} from './recordMicrophone';
export { suppressedAfterSeconds, suppressingRate, suppressNoise } from './suppressNoise';
