/** The office's mailboxes: what was left in them, kept once, asked for and seen by each as is theirs. */
export { spokenSchema, voicemailOf, type Spoken } from './entity';
export type { Mailboxes, MailboxChange } from './Mailboxes';
export {
  mailboxRequestSchema,
  type MailboxRefusal,
  type MailboxReply,
  type MailboxRequest,
  type ReadMailboxRequest,
} from './requests';
export { allVoicemailsSeen, mailboxesSeen, seenMailboxSchema } from './seen';
export { hearsMailbox } from './view';
