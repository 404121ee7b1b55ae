/** An office on a server, as apps reach it: the names and shapes that both ends know. */
export {
  answerOfFilesSchema,
  answerOfTellingSchema,
  answerOfVoicesSchema,
  askedOfFilesSchema,
  askedOfSpeechSchema,
  askedOfTellingSchema,
  askedOfVoicesSchema,
  deviceProofSchema,
  iceServersSchema,
  linkPath,
  saidSchema,
  signedByDevice,
  type AnswerOfFiles,
  type AnswerOfTelling,
  type AnswerOfVoices,
  type AskedOfFiles,
  type AskedOfSpeech,
  type AskedOfTelling,
  type AskedOfVoices,
  type DeviceProof,
  type IceServers,
  type ToldOfVoices,
} from './messages';
export { type ReachedServer } from './reachServer';

/** Connects to the server that this page came from; fetched only where there is one. */
export const reachServer = async () => (await import('./reachServer')).reachServer();
