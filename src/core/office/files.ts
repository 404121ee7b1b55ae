import { z } from 'zod';

import { isMailbox, type Call } from '@/core/calls/exchange';
import { messageIdIn } from '@/core/inbox/voicemail';

import type { InboxChange } from './Inbox';
import type { SeenTables } from './seen';

export const fileSorts = ['sound', 'picture', 'faxPages'] as const;
/** Something large that is kept beside the rows: what was said to a mailbox or recorded, a picture of a text, the pages of a fax. */
export const officeFileSchema = z.object({ sort: z.enum(fileSorts), id: z.string().min(1).max(200) });
export type OfficeFile = z.infer<typeof officeFileSchema>;

const kept = 'kept:';
/** How a message names a picture that is kept. */
const keptPicture = (id: string) => `${kept}${id}`;

/** The file that a row named which is gone; null: it named none. */
export function fileOfGone({ table, before, now }: InboxChange): OfficeFile | null {
  if (now !== null || before === null) return null;
  switch (table) {
    case 'voicemails':
      return { sort: 'sound', id: before.id };
    case 'faxes':
      return { sort: 'faxPages', id: before.id };
    case 'messages': {
      const url = before.picture?.url ?? '';
      return url.startsWith(kept) ? { sort: 'picture', id: url.slice(kept.length) } : null;
    }
    default:
      return null;
  }
}

/** Whether a row that somebody sees names a file: then the file is theirs to have, as the row is. */
export function isNamedIn({ messages, voicemails, faxes }: SeenTables, { sort, id }: OfficeFile): boolean {
  switch (sort) {
    case 'sound':
      return voicemails.some((voicemail) => voicemail.id === id);
    case 'picture':
      return messages.some(({ picture }) => picture?.url === keptPicture(id));
    case 'faxPages':
      return faxes.some((fax) => fax.id === id);
  }
}

/**
 * Whether that sound is being made in a call now, by that person: a recording of theirs, or a message that they are at the other end of.
 * Whoever guesses its name brings nothing.
 */
export function isBeingMade(calls: Iterable<Call>, personId: string, soundId: string): boolean {
  for (const call of calls) {
    if (call.recordings.some((recording) => recording.id === soundId))
      return call.recordings.some(({ id, personId: whose }) => id === soundId && whose === personId);
    const isThere = call.legs.some((leg) => leg.personId === personId && !isMailbox(leg));
    if (isThere && call.legs.some((leg) => messageOf(call, leg) === soundId)) return true;
  }
  return false;
}

function messageOf(call: Call, leg: Call['legs'][number]): string | null {
  const { endpoint } = leg;
  if (endpoint.kind === 'mailbox') return messageIdIn(call.id, endpoint.personId);
  return endpoint.kind === 'teamMailbox' ? messageIdIn(call.id, endpoint.teamId) : null;
}

/** Whether a sound is named as those are that come of calls: nobody brings one whole but whose it is. */
export const isOfCalls = (soundId: string): boolean => /^r\d+$|^c\d+-/.test(soundId);
