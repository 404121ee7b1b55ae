import { z } from 'zod';

import { channels, looseWeightsSchema } from '@/core/inbox/looseEnds';

import type { StoredKind } from '../storage';

const reasonSchema = z.object({
  id: z.string(),
  at: z.number(),
  kind: z.enum([...channels, 'promised']),
  lineId: z.string().nullable(),
  teamId: z.string().nullable().default(null),
  isUrgent: z.boolean(),
  lengthMs: z.number().nullable(),
});

const endSchema = z.object({
  who: z.object({ key: z.string(), name: z.string(), number: z.string().nullable() }),
  reasons: z.array(reasonSchema),
  furtherTries: z.number().int().min(0).default(0),
  snoozedUntil: z.number().nullable(),
  takenById: z.string().nullable(),
});
export type OldEnd = z.infer<typeof endSchema>;

/** Who waits, as an earlier version's app reckoned and kept it: by what the worker called them. */
const oldReckoningSchema = z.object({
  ends: z.object({ open: z.array(endSchema) }),
  /** Records that ended by then (epoch milliseconds) were counted in. */
  upTo: z.number(),
  weights: looseWeightsSchema.nullable(),
});
export type OldReckoning = z.infer<typeof oldReckoningSchema>;
export const oldReckoningKind: StoredKind<OldReckoning> = { version: 1, schema: oldReckoningSchema };

/** What had come in before that instant (epoch milliseconds) the worker had seen. */
const oldSeenSchema = z.object({ before: z.number() });
export const oldSeenKind: StoredKind<z.infer<typeof oldSeenSchema>> = { version: 1, schema: oldSeenSchema };

export const oldKeys = { reckoning: 'looseEnds', seen: 'arrivalsSeen' } as const;
