/** Moments as people type them. */
export { atLocal, readWhen, type ReadWhen } from './readWhen';
