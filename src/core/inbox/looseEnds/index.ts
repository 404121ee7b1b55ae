/** Who still waits for an answer, in which order, and what closes it. */
export {
  channels,
  isTask,
  looseEventSchema,
  taskKey,
  type Channel,
  type LooseEvent,
  type Tried,
  type Who,
} from './event';
export {
  applyLooseEvents,
  looseEndsSchema,
  noLooseEnds,
  reachedMs,
  teamOf,
  triedAt,
  type ClosedEnd,
  type LooseEnd,
  type LooseEnds,
  type Reason,
} from './looseEnds';
export { looseEventsOf, whoOf } from './fromRecords';
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
