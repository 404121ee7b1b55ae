/** Queues of teams as the worker sees them, and what they do as a member. */
export { setMyAgentState, takeWaiting } from './acts';
export { selectAllQueues, selectMyQueues, type QueueView } from './selectors';
