/** Everything out of this device as one file, and back. */
export {
  makeArchive,
  readBefore,
  readRestoring,
  restore,
  undoRestore,
  type BeforeRestore,
  type ReadRestoring,
  type Restoring,
} from './archiving';
export { asideText, giveBack, readAside, type Aside } from './settingAside';
