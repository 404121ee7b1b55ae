/** Voices that go from browser to browser, or by way of the office. Fetched where a server hosts the office. */
export { CallVoices, type Together } from './CallVoices';
export type { PictureSent } from './PeerVoices';
export type { Coming } from './measuring';
export { playVoice } from './playVoice';
