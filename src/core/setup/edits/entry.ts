import { z } from 'zod';

import { editSchema } from './rows';

/** Something that was changed in an office: by whom, when, and each row before and after it. */
export const setupEntrySchema = z.object({
  /** One more with each, as text. */
  id: z.string(),
  /** Epoch milliseconds. */
  at: z.number(),
  byId: z.string(),
  /** The entry that this one takes back; null where it takes none back. */
  undoes: z.string().nullable(),
  rows: z.array(editSchema),
});
export type SetupEntry = z.infer<typeof setupEntrySchema>;
