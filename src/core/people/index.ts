/** Colleagues and contacts, and how they are found. */
export { contactSchema, ownContactSchema, type Contact, type OwnContact } from './contact';
export {
  directoryOf,
  favouritesOf,
  movedFavourite,
  underLetters,
  type DirectoryEntry,
  type DirectoryRow,
} from './directory';
export { PeopleIndex, type Reachable } from './PeopleIndex';
