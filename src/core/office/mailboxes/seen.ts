import { z } from 'zod';

import { voicemailSchema, type Voicemail } from '@/core/inbox/voicemail';

import { rowsSeen } from '../rows';
import type { MailboxChange, Mailboxes } from './Mailboxes';
import { viewOfVoicemail } from './view';

export const seenMailboxSchema = z.union([
  z.object({ table: z.literal('voicemails'), put: voicemailSchema }),
  z.object({ table: z.literal('voicemails'), gone: z.string() }),
]);

/** What somebody is told of changes, with every voicemail as it is now. What is being said is told to nobody. */
export const mailboxesSeen = (
  changes: readonly MailboxChange[],
  personId: string,
  { office, all }: Mailboxes,
) =>
  rowsSeen(
    changes.filter((change) => change.table === 'voicemails'),
    all,
    (voicemail) => viewOfVoicemail(voicemail, personId, office),
  );

/** All of them that somebody sees now. */
export const allVoicemailsSeen = (personId: string, { all, office }: Mailboxes): Voicemail[] =>
  [...all.values()].flatMap((voicemail) => viewOfVoicemail(voicemail, personId, office) ?? []);
