import { z } from 'zod';

/** What may go on in the ear during a call until something else takes its place. */
export const heardLoops = [
  'ringback',
  'busy',
  'congestion',
  'unobtainable',
  'music',
  'rain',
  'becks',
] as const;
export type HeardLoop = (typeof heardLoops)[number];

/** One thing heard, at an instant in epoch milliseconds. A loop goes on until the next loop entry. */
export const heardEntrySchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('loop'), at: z.number(), loop: z.enum(heardLoops).nullable() }),
  /** `by`: who says it, where the recording tells that; else left out. */
  z.object({ kind: z.literal('clip'), at: z.number(), clip: z.string(), by: z.string().optional() }),
  z.object({ kind: z.literal('digit'), at: z.number(), digit: z.string() }),
]);
export type HeardEntry = z.infer<typeof heardEntrySchema>;
