/** The office as one thing for many: who asks, what they may ask for, and what they see. */
export { assignmentIdOf, assignmentSchema, type Assignment } from './assignments';
export { faxFromOnePerson, keptFaxSchema, type Faxing, type KeptFax, type OfficeFax } from './faxing';
export { emptyInbox, Inbox, isOfPersonal, type InboxChange, type KeptInbox } from './Inbox';
export { hearsMailbox, spokenSchema, voicemailOf, type Mailboxes, type Spoken } from './mailboxes';
export { may, type Denial, type OfficeSeen } from './may';
export {
  addresseeOf,
  keptMessageSchema,
  writtenOfficeMessage,
  type KeptMessage,
  type Messaging,
  type OfficeMessage,
} from './messaging';
export {
  type KeptPersonal,
  type OwnedRow,
  type PersonalRow,
  type PersonalSorts,
  type SeenPersonal,
} from './personal';
export {
  inboxRequestSchema,
  type InboxRefusal,
  type InboxReply,
  type InboxRequest,
  type ReadInboxRequest,
} from './requests';
export {
  allSeen,
  seenChanges,
  seenChangeSchema,
  seenTablesSchema,
  type SeenChange,
  type SeenTables,
} from './seen';
export { hasRole, sessionRoles, sessionSchema, type Session, type SessionRole } from './session';
export { sightOf, viewOfCall, viewOfEvent, type Sight } from './view';
