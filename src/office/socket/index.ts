/** An office on a server, as apps reach it: the names and shapes that both ends know. */
export {
  answerOfFilesSchema,
  answerOfTellingSchema,
  answerOfVoicesSchema,
  askedOfFilesSchema,
  askedOfTellingSchema,
  askedOfVoicesSchema,
  iceServersSchema,
  linkPath,
  saidSchema,
  type AnswerOfFiles,
  type AnswerOfTelling,
  type AnswerOfVoices,
  type AskedOfFiles,
  type AskedOfTelling,
  type AskedOfVoices,
  type IceServers,
  type ToldOfVoices,
} from './messages';
export { type ReachedServer } from './reachServer';

/** Connects to the server that this page came from; fetched only where there is one. */
export const reachServer = async () => (await import('./reachServer')).reachServer();
