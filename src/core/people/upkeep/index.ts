/** The directory and what is done with contacts in it: listed, changed, synced, and found to be there twice. */
export { findAlike, pairOf, type Alike, type AlikeReason } from './alike';
export { changesAfter, givenBack, originOf, type Origin } from './changing';
export {
  directoryOf,
  entryOf,
  favouritesOf,
  movedFavourite,
  underGroups,
  underLetters,
  type DirectoryEntry,
  type DirectoryRow,
} from './directory';
export {
  applySync,
  newSource,
  sourceSchema,
  syncPageSchema,
  type Source,
  type Synced,
  type SyncPage,
} from './sync';
