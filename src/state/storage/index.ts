/** What is kept on this device, and how it is read safely. */
export {
  alertKinds,
  allAlerts,
  usualRings,
  clockKind,
  connectionTestsKind,
  heardKind,
  officeKind,
  formerDraftKind,
  recordKind,
  settingsKind,
  setupKind,
  soundKind,
  storageKeys,
  workKinds,
  type AlertKind,
  type Habit,
  type HeardLog,
  type Settings,
  type StoredClock,
  type StoredSound,
} from './kinds';
export { accessEntries, readAccess } from './access';
export {
  entriesOfRows,
  movedEntries,
  owned,
  readBelongings,
  type BelongingKind,
  type Entries,
  type ReadBelongings,
} from './belongings';
export { recordEntriesByDay, recordEntry } from './history';
export { OfficeParts, readOfficeState, wholeOfficeState } from './officeState';
export { readTables, revisionKeys, rowEntries, tableKinds } from './tables';
export { isStorageBlocked, isStorageFault, NewerData, UnreadableStorage } from './unreadable';
export { browserStorage } from './Unwritten';
export { forgetKeptView, keepView, readKeptView, type KeptView } from './keptView';
export { keptPrefix, withOfficeFiles } from './officeFiles';
export { asidePrefix, Vault, type Backend, type SetAside, type StoredKind, type VaultStatus } from './Vault';
