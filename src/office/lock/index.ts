/** One tab runs the office. */
export { OfficeLock } from './OfficeLock';
