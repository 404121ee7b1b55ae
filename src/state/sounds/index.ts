/** Sounds that are kept on this device: recordings, voicemails, greetings; fetched after the start. */
export { changeGreeting, hearGreeting, recordGreeting } from './greetings';
export { soundOf } from './recordingSound';
export { startSounds } from './startSounds';
export { mixSaid } from './voicemailSound';
