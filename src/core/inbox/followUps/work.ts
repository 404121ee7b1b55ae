import { z } from 'zod';

import { followUpSchema } from './followUp';

/** What the worker wrote around a call, and what they still mean to do. */
export const workSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('note'),
    id: z.string(),
    /** Epoch milliseconds, as all times here. */
    at: z.number(),
    /** The call it was written about; null for one by itself. */
    callId: z.string().nullable(),
    text: z.string(),
  }),
  followUpSchema,
  /** An earlier version kept texts here. */
  z.object({
    kind: z.literal('text'),
    id: z.string(),
    at: z.number(),
    callId: z.string(),
    lineId: z.string().nullable(),
    to: z.string(),
    text: z.string(),
  }),
]);
export type Work = z.infer<typeof workSchema>;

/** Oldest first; of one moment as they come. */
export const workInOrder = (items: readonly Work[]): Work[] => [...items].sort((a, b) => a.at - b.at);
