/** Voices that go from browser to browser. */
export { PeerVoices, type Signal } from './PeerVoices';
export { playVoice } from './playVoice';
