/** What whoever plays the people and phones outside does, and sees. */
export { sendOutside, sendOutsideAndSay, setNetwork, setScript, useOutsideCalls } from './outside';
