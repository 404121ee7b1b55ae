/** What is dropped for good, and when. */
export { expiredFaxes, expiredTexts, expiredVoicemails, undoDeleteMs, type KeepDays } from './retention';
