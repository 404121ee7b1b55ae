import { z } from 'zod';

import type { CallRecord } from '@/core/calls/exchange';
import { heardEntrySchema } from '@/core/shared/sound';

import { transcriptSchema } from './transcript';

export const voicemailSchema = z.object({
  /** That of the call's record, so that both are found from each other. */
  id: z.string(),
  callId: z.string(),
  /** Whose mailbox, or which team's, it was left in. */
  mailboxId: z.string(),
  lineId: z.string().nullable(),
  from: z.object({
    number: z.string().nullable(),
    name: z.string().nullable(),
    personId: z.string().nullable(),
  }),
  /** Epoch milliseconds. */
  at: z.number(),
  durationMs: z.number(),
  isUrgent: z.boolean(),
  heardAt: z.number().nullable(),
  /** Put away, and kept as long as that can be undone. */
  deletedAt: z.number().nullable(),
  /** null where nothing transcribes it. */
  transcript: transcriptSchema.nullable(),
  /** By whom it was passed on, with their word. */
  forwarded: z.object({ byId: z.string(), word: z.string() }).nullable(),
  /** What was said in it, from which its sound is mixed; empty where that is kept apart alone. */
  said: z.array(heardEntrySchema).default([]),
});
/** A message left in a mailbox. Its sound is kept apart, under the same id. */
export type Voicemail = z.infer<typeof voicemailSchema>;

/** Under which id the message is kept that is being left in a call, by whose mailbox it is: a person's, or a team's. */
export const messageIdIn = (callId: string, mailboxId: string): string => `${callId}-${mailboxId}`;

/** Under which id the message that a call left is kept; null where that record of it is not of one left in a mailbox. */
export function voicemailIdOf({
  id,
  callId,
  personId,
  direction,
  finish,
  messageMs,
}: Pick<CallRecord, 'id' | 'callId' | 'personId' | 'direction' | 'finish' | 'messageMs'>): string | null {
  if (messageMs === 0 || direction === 'out') return null;
  // The call of a team has a record for each of its members, and leaves one message.
  if (finish?.kind === 'teamMailbox') return messageIdIn(callId, finish.teamId);
  return finish?.kind === 'mailbox' && finish.personId === personId ? id : null;
}

/** The message of a record. Earlier versions kept a team's under the id of the record. */
export const voicemailOfRecord = (
  record: CallRecord,
  voicemails: Readonly<Record<string, Voicemail>>,
): Voicemail | null => voicemails[voicemailIdOf(record) ?? ''] ?? voicemails[record.id] ?? null;

/** Message waiting (RFC 3842 §5.2): how many are new and old, and of those how many urgent. */
export interface MessageWaiting {
  isWaiting: boolean;
  newCount: number;
  oldCount: number;
  newUrgent: number;
  oldUrgent: number;
}

/** Counts what is in one mailbox. */
export function messageWaiting(voicemails: Iterable<Voicemail>, mailboxId: string): MessageWaiting {
  const counts = { isWaiting: false, newCount: 0, oldCount: 0, newUrgent: 0, oldUrgent: 0 };
  for (const voicemail of voicemails) {
    if (voicemail.mailboxId !== mailboxId || voicemail.deletedAt !== null) continue;
    const isNew = voicemail.heardAt === null;
    counts[isNew ? 'newCount' : 'oldCount']++;
    if (voicemail.isUrgent) counts[isNew ? 'newUrgent' : 'oldUrgent']++;
  }
  return { ...counts, isWaiting: counts.newCount > 0 };
}

/** "2 new voicemails, 1 of them urgent, 3 heard"; empty where there are none. */
export function messageWaitingWords({ newCount, oldCount, newUrgent }: MessageWaiting): string {
  const parts: string[] = [];
  if (newCount > 0) parts.push(newCount === 1 ? '1 new voicemail' : `${newCount} new voicemails`);
  if (newUrgent > 0) parts.push(newCount === 1 ? 'urgent' : `${newUrgent} of them urgent`);
  if (oldCount > 0) parts.push(newCount > 0 ? `${oldCount} heard` : `${oldCount} voicemails heard`);
  return parts.join(', ');
}
