/** What is dropped for good, and when. */
export {
  expiredFaxes,
  expiredRecordings,
  expiredTexts,
  expiredVoicemails,
  undoDeleteMs,
  type KeepDays,
} from './retention';
