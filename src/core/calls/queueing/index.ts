/** Whom a waiting call is handed out to, and how long it will wait: without calls, by numbers alone. */
export { callBackNumber } from './callBack';
export { expectedWaitSeconds, withHandled, type Handled } from './expectedWait';
export { spokenInQueue } from './spoken';
export { handOutTo, type FreeMember } from './handOut';
