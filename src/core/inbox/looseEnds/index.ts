/** Who still waits for an answer, in which order, and what closes it. */
export {
  answeredForTeam,
  answeredInRoom,
  channels,
  doneByHand,
  nothingOf,
  putOffUntil,
  reachedMs,
  reopened,
  waitingIdOf,
  waitingSchema,
  withBrought,
  withReach,
  withTry,
  type Channel,
  type Try,
  type Waiting,
} from './waiting';
export { afterRecord, meaningOf, waitingAfter } from './fromRecords';
export { handleOf, isTask, keyOf, taskKey, whoOf, type Who } from './who';
export {
  handleToTake,
  looseEndsOf,
  teamOf,
  triedAt,
  type ClosedEnd,
  type LooseEnd,
  type LooseEnds,
  type LooseParts,
  type Reason,
} from './looseEnds';
export {
  isElsewhere,
  looseWeightsSchema,
  orderOf,
  sinceOf,
  triesOf,
  usualWeights,
  workingMs,
  type LooseWeights,
  type OwnHours,
  type RankedEnd,
} from './order';
export { newestWords, rankWords, weightWords, whyWords } from './words';
