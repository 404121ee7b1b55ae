/** The office's messages and rooms: kept once, asked for and seen by each as is theirs. */
export {
  addresseeOf,
  keptMessageSchema,
  writtenOfficeMessage,
  type KeptMessage,
  type OfficeMessage,
} from './entity';
export type { Messaging, MessagingChange } from './Messaging';
export {
  messagingRequestSchema,
  type MessagingRefusal,
  type MessagingReply,
  type MessagingRequest,
} from './requests';
export { allMessagingSeen, messagingSeen, seenMessagingSchema } from './seen';
export type { MessagingSeen } from './view';
