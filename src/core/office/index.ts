/** The office as one thing for many: who asks, what they may ask for, and what they see. */
export { may, type Denial, type OfficeSeen } from './may';
export { hasRole, sessionRoles, sessionSchema, type Session, type SessionRole } from './session';
export { sightOf, viewOfCall, viewOfEvent, type Sight } from './view';
export {
  addresseeOf,
  allSeen,
  keptMessageSchema,
  Messaging,
  messagingRequestSchema,
  seenChanges,
  seenChangeSchema,
  writtenOfficeMessage,
  type KeptMessage,
  type MessagingChange,
  type MessagingRefusal,
  type MessagingReply,
  type MessagingRequest,
  type OfficeMessage,
  type SeenChange,
  type SeenTables,
} from './messaging';
