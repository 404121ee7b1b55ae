/** The directory and what is done with contacts in it: listed, changed and synced. */
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
