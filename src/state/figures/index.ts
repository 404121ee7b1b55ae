/** The records of everybody's calls, from which figures of the office are reckoned. */
export { readRecordsBetween } from './readRecordsBetween';
