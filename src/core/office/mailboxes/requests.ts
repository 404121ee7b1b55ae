import { z } from 'zod';

import { transcriptSchema, voicemailSchema } from '@/core/inbox/voicemail';

import type { ReplyOr } from '../handling';

const id = z.string();

/** What a member may ask of the office's mailboxes. Ids are made by the app, so that what is asked twice is done once. */
export const mailboxRequestSchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('markVoicemail'), id, isHeard: z.boolean() }),
  /** Out of sight, and kept as long as it can be had back. */
  z.object({ type: z.literal('putVoicemailAway'), id }),
  z.object({ type: z.literal('bringVoicemailBack'), id }),
  /** A copy into a colleague's mailbox, with a word. */
  z.object({
    type: z.literal('passVoicemailOn'),
    id,
    copyId: z.string(),
    toPersonId: z.string(),
    word: z.string(),
  }),
  /** What was spoken into a colleague's mailbox without calling; its sound is kept apart. */
  z.object({
    type: z.literal('leaveVoicemail'),
    id,
    toPersonId: z.string(),
    durationMs: z.number().positive(),
  }),
  /** Its words, by whoever transcribes. */
  z.object({ type: z.literal('transcribeVoicemail'), id, transcript: transcriptSchema }),
  /** Drops them for good, for everybody. */
  z.object({ type: z.literal('forgetVoicemails'), ids: z.array(z.string()) }),
  /** Brings what is kept elsewhere; what is there already stays. */
  z.object({ type: z.literal('bringVoicemails'), voicemails: z.array(voicemailSchema) }),
]);
export type MailboxRequest = z.input<typeof mailboxRequestSchema>;
export type ReadMailboxRequest = z.infer<typeof mailboxRequestSchema>;

/** Why it was not done; nothing has changed then. */
export type MailboxRefusal =
  | { code: 'notYours'; what: 'mailbox' | 'office' }
  | { code: 'unknownVoicemail' | 'unknownPerson' | 'idTaken' };

export type MailboxReply = ReplyOr<MailboxRefusal>;
