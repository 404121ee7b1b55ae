import { z } from 'zod';

import { voicemailSchema, type Voicemail } from '@/core/inbox/voicemail';

import type { MailboxChange, Mailboxes } from './Mailboxes';
import { viewOfVoicemail } from './view';

export const seenMailboxSchema = z.union([
  z.object({ table: z.literal('voicemails'), put: voicemailSchema }),
  z.object({ table: z.literal('voicemails'), gone: z.string() }),
]);
type SeenChange = z.infer<typeof seenMailboxSchema>;

/** What somebody is told of changes, with every voicemail as it is now. What is being said is told to nobody. */
export function mailboxesSeen(
  changes: readonly MailboxChange[],
  personId: string,
  { office, all }: Mailboxes,
): SeenChange[] {
  return changes.flatMap((change): SeenChange[] => {
    if (change.table === 'spoken') return [];
    const { id, before } = change;
    const voicemail = all.get(id);
    const seen = voicemail && viewOfVoicemail(voicemail, personId, office);
    if (seen) return [{ table: 'voicemails', put: seen }];
    return before && viewOfVoicemail(before, personId, office) ? [{ table: 'voicemails', gone: id }] : [];
  });
}

/** All of them that somebody sees now. */
export const allVoicemailsSeen = (personId: string, { all, office }: Mailboxes): Voicemail[] =>
  [...all.values()].flatMap((voicemail) => viewOfVoicemail(voicemail, personId, office) ?? []);
