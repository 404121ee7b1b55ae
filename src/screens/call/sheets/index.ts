/** What opens over the lower part of a call's screen. Fetched when it is first needed. */
export { CallSheet } from './CallSheet';
export { ShownSheet } from '../../dial/ShownSheet';
export { CameraChoice } from '../meeting/CameraChoice';
export { ReactPlates } from '../meeting/ReactPlates';
export { PictureSizes } from '../meeting/PictureSizes';
export { GuestsWaiting } from '../meeting/GuestsWaiting';
