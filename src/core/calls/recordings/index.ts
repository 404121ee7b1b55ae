/** Recordings once their call is over: which are kept, and what their files are called. */
export {
  deletedRecordingSchema,
  isRecorded,
  recordedMs,
  soundFileName,
  type DeletedRecording,
  type DeletedRecordings,
} from './recordings';
export { SpeakerTurns, type SpeakerTurn } from './SpeakerTurns';
