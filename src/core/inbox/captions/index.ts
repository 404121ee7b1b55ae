/** The words of a sound as a file that players show beside it. Apart, since no start needs it. */
export { readWebVtt, writeWebVtt, type ReadVtt } from './webVtt';
