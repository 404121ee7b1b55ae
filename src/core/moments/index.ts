/** Moments as people type them. */
export { readPastDay } from './readPastDay';
export { atLocal, readWhen, type ReadWhen } from './readWhen';
