import { z } from 'zod';

import { accessRequestSchema, type AccessReply } from './access';
import { assignmentRequestSchema, type AssignmentReply } from './assignments';
import { configurationRequestSchema, type ConfigurationReply } from './configuration';
import { faxingRequestSchema, type FaxingReply } from './faxing';
import { mailboxRequestSchema, type MailboxReply } from './mailboxes';
import { messagingRequestSchema, type MessagingReply } from './messaging';
import { personalRequestSchema, type PersonalReply } from './personal';
import { waitingRequestSchema, type WaitingReply } from './waiting';

/** What a member may ask of what comes in and goes out beside calls. */
export const inboxRequestSchema = z.discriminatedUnion('type', [
  ...messagingRequestSchema.options,
  ...faxingRequestSchema.options,
  ...mailboxRequestSchema.options,
  ...assignmentRequestSchema.options,
  ...waitingRequestSchema.options,
  ...personalRequestSchema.options,
  ...configurationRequestSchema.options,
]);
export type InboxRequest = z.input<typeof inboxRequestSchema>;
export type ReadInboxRequest = z.infer<typeof inboxRequestSchema>;

export type InboxReply =
  | MessagingReply
  | FaxingReply
  | MailboxReply
  | AssignmentReply
  | WaitingReply
  | PersonalReply
  | ConfigurationReply;
/** What a member may ask of the office beside calls. */
export const officeRequestSchema = z.discriminatedUnion('type', [
  ...inboxRequestSchema.options,
  ...accessRequestSchema.options,
]);
export type OfficeRequest = z.input<typeof officeRequestSchema>;
export type OfficeReply = InboxReply | AccessReply;
/** Why it was not done; nothing has changed then. */
export type OfficeRefusal = Extract<OfficeReply, { ok: false }>['reason'];
