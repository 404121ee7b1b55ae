/** The office as one thing for many: who asks, what they may ask for, and what they see. What carries it out is at `./machine`. */
export {
  accessRequestSchema,
  accessRowSchema,
  accessSeenSchema,
  deniedSchema,
  type AccessChange,
  type AccessReply,
  type AccessRequest,
  type AccessRow,
  type AccessSeen,
  type Denied,
} from './access';
export { assignmentIdOf, assignmentSchema, type Assignment } from './assignments';
export type { ConfigurationRefusal, ConfigurationRequest } from './configuration';
export { faxFromOnePerson, keptFaxSchema, type Faxing, type KeptFax, type OfficeFax } from './faxing';
export type { Inbox, InboxChange, KeptInbox } from './Inbox';
export { hearsMailbox, spokenSchema, voicemailOf, type Mailboxes, type Spoken } from './mailboxes';
export type { Denial, OfficeSeen } from './may';
export {
  addresseeOf,
  keptMessageSchema,
  writtenOfficeMessage,
  type KeptMessage,
  type Messaging,
  type OfficeMessage,
} from './messaging';
export {
  personalRowSchema,
  type KeptPersonal,
  type OwnedRow,
  type PersonalRow,
  type PersonalSorts,
  type SeenPersonal,
} from './personal';
export {
  inboxRequestSchema,
  officeRequestSchema,
  type InboxReply,
  type InboxRequest,
  type OfficeRefusal,
  type OfficeReply,
  type OfficeRequest,
} from './requests';
export { markSchema, revisionSchema, revisionsKept, type Mark, type Revision } from './Revisions';
export {
  fileOfGone,
  fileSorts,
  isBeingMade,
  isNamedIn,
  isOfCalls,
  officeFileSchema,
  type OfficeFile,
} from './files';
export { nameOfRow, seenChangeSchema, seenTablesSchema, type SeenChange, type SeenTables } from './seen';
export { hasRole, runsOffice, sessionRoles, sessionSchema, type Session, type SessionRole } from './session';
export type { Sight } from './view';
