/** What is kept of calls: days, tries, who talked how long, and what is said of a record. */
export { answeredOutside, describeOutcome, describeRoute, isUntaken, talkMs } from './recordWords';
export { decidingStep, describeStep, describeSteps, misfits } from './traceWords';
export { talkWithOther, type Talk } from './talk';
export { groupByDay, type HistoryRow } from './rows';
export { triesToday, type TriesToday } from './tries';
