/** Moments as people type them. */
export { readPastDay } from './readPastDay';
export { atLocal, readUntil, readWhen, type ReadWhen } from './readWhen';
