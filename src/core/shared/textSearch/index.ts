/** Finding what was said or written by its words. */
export { findWords, fold, plainly, type Findable } from './findWords';
