/** Colleagues and contacts: who they are, from which sources, and how they are listed. */
export {
  cardSchema,
  changesSchema,
  contactSchema,
  dialledAs,
  emptyFields,
  joinSchema,
  officeSource,
  ownSource,
  type Card,
  type Changes,
  type Contact,
  type ContactNumber,
  type Field,
  type Fields,
  type Join,
} from './contact';
export {
  directoryOf,
  favouritesOf,
  movedFavourite,
  underLetters,
  type DirectoryEntry,
  type DirectoryRow,
} from './directory';
export { joinContacts, officeCard, type JoinedContact } from './join';
export { PeopleIndex, type Reachable } from './PeopleIndex';
