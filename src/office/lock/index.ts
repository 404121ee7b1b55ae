/** One tab runs the office. */
export { TabLock } from './TabLock';
