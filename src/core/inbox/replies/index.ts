/** What is said with few words when there is no time to talk. */
export { callBackTimes, readyReplies, type CallBackTime } from './replies';
