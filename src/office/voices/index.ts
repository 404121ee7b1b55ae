/** Voices that go from browser to browser. */
export { PeerVoices, type PictureSent, type Signal } from './PeerVoices';
export { PictureLooks, type Look } from './PictureLooks';
export type { Coming } from './measuring';
export { captureRate, VoiceCapture } from './VoiceCapture';
export { rtcServersOf } from './rtcServersOf';
export { playVoice } from './playVoice';
