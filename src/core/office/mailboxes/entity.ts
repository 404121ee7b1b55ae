import { z } from 'zod';

import type { CallRecord } from '@/core/calls/exchange';
import { voicemailIdOf, type Voicemail } from '@/core/inbox/voicemail';
import type { OfficeIndex } from '@/core/setup';
import { heardEntrySchema, type HeardEntry } from '@/core/shared/sound';

/** What has been said to mailboxes in a call that goes on, under the call's id. */
export const spokenSchema = z.object({ callId: z.string(), heard: z.array(heardEntrySchema) });
export type Spoken = z.infer<typeof spokenSchema>;

/** A word begun just before the mailbox listened belongs to the message, in milliseconds. */
const leadMs = 1_000;

/** Of what was heard in a call, what belongs to the message. */
export const saidIn = ({ at }: Pick<Voicemail, 'at'>, heard: readonly HeardEntry[]): HeardEntry[] =>
  heard.filter((entry) => entry.at >= at - leadMs);

/** A message that was left, as the office has it; null where that record of the call is not of one left in a mailbox. */
export function voicemailOf(
  record: CallRecord,
  office: OfficeIndex,
  heard: readonly HeardEntry[],
): Voicemail | null {
  const id = voicemailIdOf(record);
  const { callId, finish, lineId, other, endedAt, messageMs } = record;
  if (id === null || (finish?.kind !== 'mailbox' && finish?.kind !== 'teamMailbox')) return null;
  const at = endedAt - messageMs;
  return {
    id,
    callId,
    mailboxId: finish.kind === 'mailbox' ? finish.personId : finish.teamId,
    lineId,
    from: other,
    at,
    durationMs: messageMs,
    isUrgent: office.lines.get(lineId ?? '')?.urgent ?? false,
    heardAt: null,
    deletedAt: null,
    transcript: null,
    forwarded: null,
    said: saidIn({ at }, heard),
  };
}
