import { z } from 'zod';

import { finishSchema } from '../office';
import { routeTraceSchema } from '../routing';
import { causeSchema } from './causes';

/** How one leg of the path went. */
export const pathEndings = ['answered', 'elsewhere', 'rangOut', 'refused', 'callerLeft', 'failed'] as const;

export const recordSchema = z.object({
  id: z.string(),
  callId: z.string(),
  /** Whose record it is. */
  personId: z.string(),
  direction: z.enum(['in', 'out']),
  lineId: z.string().nullable(),
  /** `number` is E.164, an extension or a code; null when withheld. */
  other: z.object({
    number: z.string().nullable(),
    name: z.string().nullable(),
    personId: z.string().nullable(),
  }),
  startedAt: z.number(),
  answeredAt: z.number().nullable(),
  endedAt: z.number(),
  outcome: z.enum([
    'answered',
    'missed',
    'refused',
    'answeredByOther',
    'mailbox',
    'cancelled',
    'busy',
    'noAnswer',
    'refusedByOther',
    'unknownNumber',
    'failed',
  ]),
  cause: causeSchema,
  /** The device this person talked on or called from. */
  deviceId: z.string().nullable(),
  /** Who answered in this person's place. */
  answeredById: z.string().nullable(),
  withheld: z.boolean(),
  digitsSent: z.string(),
  finish: finishSchema.nullable(),
  messageMs: z.number(),
  path: z.array(
    z.object({
      deviceId: z.string(),
      fromSeconds: z.number(),
      toSeconds: z.number(),
      ended: z.enum(pathEndings),
    }),
  ),
  trace: routeTraceSchema.nullable(),
});
/** What is kept of a call for one person. */
export type CallRecord = z.infer<typeof recordSchema>;
export type CallOutcome = CallRecord['outcome'];
