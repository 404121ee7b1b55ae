import { z } from 'zod';

import { finishSchema } from '@/core/setup';
import { routeTraceSchema } from '@/core/plans/routing';
import { callActSchema, recordingSchema, stopSchema, waitSchema } from './call';
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
  /** When this person's part ended; the call may have gone on without them. */
  endedAt: z.number(),
  outcome: z.enum([
    'answered',
    'missed',
    'refused',
    'deflected',
    'screened',
    'answeredByOther',
    'mailbox',
    'cancelled',
    'ownPhoneUnanswered',
    'busy',
    'noAnswer',
    'refusedByOther',
    'unknownNumber',
    'failed',
  ]),
  cause: causeSchema,
  /**
   * The device this person talked on or called from; the last of them, where the call was moved. null also where it was
   * answered in their place at a number outside (see `path`).
   */
  deviceId: z.string().nullable(),
  /** Who answered instead; at a number outside, whose plan or hand had sent it there. */
  answeredById: z.string().nullable(),
  withheld: z.boolean(),
  /** For whom this person answered or was rung, or in whose name they called; left out: for themselves. */
  forId: z.string().optional(),
  /** Who called in this person’s name. */
  byId: z.string().optional(),
  digitsSent: z.string(),
  finish: finishSchema.nullable(),
  messageMs: z.number(),
  /** What rang because a plan said so, in seconds after the call began. */
  path: z.array(
    z.object({
      /** null for a number outside. */
      deviceId: z.string().nullable(),
      number: z.string().nullable().default(null),
      fromSeconds: z.number(),
      toSeconds: z.number(),
      ended: z.enum(pathEndings),
    }),
  ),
  trace: routeTraceSchema.nullable(),
  /** All who took part, each for one stretch: the segments of the single record (ECMA-269 call linkage). */
  parties: z.array(
    z.object({
      number: z.string().nullable(),
      name: z.string().nullable(),
      personId: z.string().nullable(),
      deviceId: z.string().nullable(),
      from: z.number(),
      to: z.number(),
    }),
  ),
  acts: z.array(callActSchema),
  /** Where it waited in a queue; nowhere in records of earlier versions. */
  waits: z.array(waitSchema).default([]),
  /** Where it came on its way, in that order; nowhere in records of earlier versions. */
  course: z.array(stopSchema).default([]),
  recordings: z.array(recordingSchema),
  /** What the legs this person brought in cost, in millionths of the office's currency. */
  costMicros: z.number(),
});
/** What is kept of a call for one person. */
export type CallRecord = z.infer<typeof recordSchema>;
export type CallOutcome = CallRecord['outcome'];

/** Under which id somebody's record of a call is kept. */
export const recordIdOf = (callId: string, personId: string): string => `${callId}-${personId}`;
