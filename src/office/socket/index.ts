/** An office on a server, as apps reach it: the names and shapes that both ends know. */
export {
  answerOfFilesSchema,
  answerOfVoicesSchema,
  askedOfFilesSchema,
  askedOfVoicesSchema,
  iceServersSchema,
  linkPath,
  saidSchema,
  type AnswerOfFiles,
  type AnswerOfVoices,
  type AskedOfFiles,
  type AskedOfVoices,
  type IceServers,
  type ToldOfVoices,
} from './messages';
export { type ReachedServer } from './reachServer';

/** Connects to the server that this page came from; fetched only where there is one. */
export const reachServer = async () => (await import('./reachServer')).reachServer();
