/** Stand-in people, companies and phones: how they behave. What plays them is at `./machine`. */
export { goodNetwork, networks } from './networks';
export { scriptSchema, type Script, type StandInCast, type VoiceMenu } from './scripts';
export { speechSchema, standInStateSchema, type Speech, type StandInState } from './state';
