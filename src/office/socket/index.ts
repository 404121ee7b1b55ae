/** An office on a server, as apps reach it: the names and shapes that both ends know. */
export {
  answerOfFilesSchema,
  askedOfFilesSchema,
  linkPath,
  saidSchema,
  type AnswerOfFiles,
  type AskedOfFiles,
} from './messages';
export { type ReachedServer } from './reachServer';

/** Connects to the server that this page came from; fetched only where there is one. */
export const reachServer = async () => (await import('./reachServer')).reachServer();
