/** Stand-in people, companies and phones. */
export { goodNetwork, networks } from './networks';
export { scriptSchema, type Script, type StandInCast, type VoiceMenu } from './scripts';
export { StandIns, speechSchema, standInStateSchema, type Speech, type StandInState } from './StandIns';
