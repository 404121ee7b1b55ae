/** Voices that go from browser to browser. */
export { PeerVoices, type PictureSent, type Signal } from './PeerVoices';
export type { Coming } from './measuring';
export { captureRate, VoiceCapture } from './VoiceCapture';
export { rtcServersOf } from './rtcServersOf';
export { playVoice } from './playVoice';
