/** Contacts: changed, joined, synced, brought in and found. Fetched after the start, with their screens. */
export {
  addContact,
  changeContact,
  giveBack,
  isOwnContact,
  joinsOf,
  judge,
  removeContact,
  takeBackJudgement,
  type EditedFields,
} from './editing';
export { importStemNow, peopleToWrite, takeInBlocks, takeOutBlocks } from './importing';
export { selectDirectory } from './selectDirectory';
export { startSearching } from './startSearching';
export {
  changeOutside,
  connectSource,
  leaveSource,
  selectSources,
  startSyncing,
  syncSource,
} from './syncing';
export { startWatching, stopWatching, watchUntilFree } from './watching';
export { useSources } from './useSources';
