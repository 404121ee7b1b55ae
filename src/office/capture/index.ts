/** Sound as it is kept of calls; apart from the voices themselves, since few calls ever need it. */
export { captureRate, VoiceCapture } from './VoiceCapture';
