/** How loud sound is, and how far speech stands over noise. */
export { levelDb, speechOverNoise } from './levels';
