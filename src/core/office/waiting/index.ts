/** Who waits for whom: kept once, in the moment in which they tried or were reached; changed and seen by those for whom they wait. */
export {
  waitingRequestSchema,
  type ReadWaitingRequest,
  type WaitingRefusal,
  type WaitingReply,
  type WaitingRequest,
} from './requests';
export { allWaitingSeen, seenWaitingSchema, waitingSeen } from './seen';
export type { WhoWaits, WaitingChange } from './WhoWaits';
