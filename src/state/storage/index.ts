/** What is kept on this device, and how it is read safely. */
export {
  clockKind,
  officeKind,
  recordKind,
  settingsKind,
  settingsSchema,
  storageKeys,
  type Settings,
  type StoredClock,
} from './kinds';
export { Vault, type SetAside, type StoredKind, type VaultStatus } from './Vault';
