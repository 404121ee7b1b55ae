/** An office is changed: by several people at once, checked as a whole, and taken back. */
export { addressProblems } from './addressProblems';
export { backBefore, changeSetup, undoEntry, type SetupOutcome, type SetupRefusal } from './changes';
export { withContact, withoutContact } from './contacts';
export { entryWords } from './entryWords';
export { newPhone, phoneKinds, placeEdits, type PhoneKind, type Place } from './place';
export { placesEdits, readPeopleTable, type PeopleTable } from './peopleTable';
export { seating } from './seating';
export { retiring, type Heir, type RetiredTable } from './retiring';
export { freeExtension, newProblems, officeProblems, type OfficeProblem } from './officeProblems';
export { freeCord } from './cords';
export { portInEdits, readPortIn, type PortIn } from './portIn';
