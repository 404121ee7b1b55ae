/** What opens over the lower part of a call's screen. Fetched when it is first needed. */
export { CallSheet } from './CallSheet';
export { EndedCall } from '../EndedCall';
export { CameraChoice } from '../meeting/CameraChoice';
export { ReactPlates } from '../meeting/ReactPlates';
