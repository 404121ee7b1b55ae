/** What is dropped for good, and when. */
export {
  expiredFaxes,
  expiredRecordings,
  expiredTexts,
  expiredVoicemails,
  keptDays,
  undoDeleteMs,
  type KeepDays,
} from './retention';
