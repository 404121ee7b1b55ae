/** The office as it is carried out, and what is decided for each session: for its hosts alone. */
export { Access } from './access/Access';
export { accessSeen, weaknessFor, type Hashed } from './access';
export { beginVisit, notCalledBack, pressInVisit, type VisitStep } from './mailboxes/visiting';
export { emptyInbox, Inbox, isOfPersonal } from './Inbox';
export { may } from './may';
export { allPersonalSeen, ownedIdOf } from './personal';
export { isSeenAlike } from './seenAlike';
export { Revisions, type ChangedRow } from './Revisions';
export { allSeen, readersOf, seenChanges, seenSince } from './seen';
export {
  audienceOf,
  foreseenBy,
  sightFor,
  sightOf,
  glimpseOfCall,
  viewOfCall,
  viewOfEvent,
  viewOfSetup,
  type Audience,
} from './view';
