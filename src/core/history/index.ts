/** What is kept of calls: days, tries, and what is said of a record. */
export {
  decidingStep,
  describeOutcome,
  describeRoute,
  describeStep,
  describeSteps,
  isUntaken,
  misfits,
  talkMs,
} from './describe';
export { groupByDay, type HistoryRow } from './rows';
export { triesToday, type TriesToday } from './tries';
