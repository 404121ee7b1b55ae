/** Moments as people type them. */
export { readPastDay } from './readPastDay';
export { readSpan, type ReadSpan } from './readSpan';
export { atLocal, readUntil, readWhen, type ReadWhen } from './readWhen';
