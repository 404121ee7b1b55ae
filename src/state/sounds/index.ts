/** Sounds that are kept on this device: recordings, voicemails, greetings; fetched after the start. */
export { recordGreeting } from './greetings';
export { soundOf } from './recordingSound';
export { startSounds } from './startSounds';
export { mixSaid } from './voicemailSound';
