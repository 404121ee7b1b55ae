/** How the office is configured, for whoever runs it: changed, undone, and what was changed. */
export {
  changeOffice,
  goBackBefore,
  selectMay,
  selectRunsOffice,
  selectSetupLog,
  setRecordingPolicy,
  undoChange,
} from './configuration';
