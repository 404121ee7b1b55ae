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
