/** What is kept of calls: days, tries, who talked how long, and what is said of a record. */
export {
  answeredOutside,
  decidingStep,
  describeOutcome,
  describeRoute,
  describeStep,
  describeSteps,
  isUntaken,
  misfits,
  talkMs,
} from './describe';
export { talkWithOther, type Talk } from './talk';
export { groupByDay, type HistoryRow } from './rows';
export { triesToday, type TriesToday } from './tries';
