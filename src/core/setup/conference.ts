import { z } from 'zod';

/** A standing number for a talk of several: whoever dials it and types its PIN is in. */
export const conferenceSchema = z.object({
  id: z.string(),
  name: z.string(),
  extension: z.string(),
  /** 4 to 8 digits; empty for whom it is not told. */
  pin: z.string().regex(/^(\d{4,8})?$/),
  /** Whoever types this one may silence, drop and ask in. */
  hostPin: z.string().regex(/^(\d{4,8})?$/),
  /** Whether the others hear music until somebody with the host PIN is there. */
  waitsForHost: z.boolean(),
  /** Whoever of the office calls it by their app comes in without a PIN, as a host, and it is a meeting. Left out by earlier versions. */
  opensForOffice: z.boolean().default(false),
});
export type Conference = z.infer<typeof conferenceSchema>;
