/** The office as it is carried out, and what is decided for each session: for its hosts alone. */
export { emptyInbox, Inbox, isOfPersonal } from './Inbox';
export { may } from './may';
export { allPersonalSeen } from './personal';
export { allSeen, seenChanges } from './seen';
export { sightOf, viewOfCall, viewOfEvent } from './view';
