import { z } from 'zod';

import { e164Schema } from '../office';

export const contactSchema = z.object({
  id: z.string(),
  name: z.string(),
  /** Firm or place, where the name is a person's. */
  firm: z.string().nullable(),
  numbers: z.array(z.object({ label: z.string(), number: e164Schema })),
});
/** Somebody outside the office. */
export type Contact = z.infer<typeof contactSchema>;

export const ownContactSchema = contactSchema.extend({
  mails: z.array(z.string()),
  note: z.string(),
  /** What a card said that is not understood, to be written out again. */
  kept: z.array(z.string()),
});
/** Somebody outside whom the worker has brought in. */
export type OwnContact = z.infer<typeof ownContactSchema>;
