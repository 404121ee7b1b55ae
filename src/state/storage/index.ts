/** What is kept on this device, and how it is read safely. */
export {
  clockKind,
  heardKind,
  officeKind,
  planDraftKind,
  recordKind,
  settingsKind,
  setupKind,
  soundKind,
  storageKeys,
  workKind,
  type HeardLog,
  type PlanDraft,
  type Settings,
  type StoredClock,
  type StoredSound,
  type Work,
} from './kinds';
export { fromBase64, toBase64 } from './base64';
export { readTables, rowEntries, tableKinds } from './tables';
export { isStorageFault, NewerData, UnreadableStorage } from './unreadable';
export { asidePrefix, Vault, type SetAside, type StoredKind, type VaultStatus } from './Vault';
