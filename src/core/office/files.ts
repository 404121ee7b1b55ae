import { z } from 'zod';

import type { SeenTables } from './seen';

export const fileSorts = ['sound', 'picture', 'faxPages'] as const;
/** Something large that is kept beside the rows: what was said to a mailbox or recorded, a picture of a text, the pages of a fax. */
export const officeFileSchema = z.object({ sort: z.enum(fileSorts), id: z.string().min(1).max(200) });
export type OfficeFile = z.infer<typeof officeFileSchema>;

/** How a message names a picture that is kept. */
const keptPicture = (id: string) => `kept:${id}`;

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
