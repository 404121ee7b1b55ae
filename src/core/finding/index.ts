/** Finding what was said or written by its words. */
export { findWords, fold, type Findable } from './findWords';
