import { z } from 'zod';

import { waitingSchema } from '@/core/inbox/looseEnds';

import type { ReplyOr } from '../handling';

/** By what the office knows one person, who may be known by several. */
const handles = z.array(z.string().min(1).max(200)).min(1).max(200);

/** What a member may ask of those who wait for them. */
export const waitingRequestSchema = z.discriminatedUnion('type', [
  /** Done by hand, with those follow-ups. */
  z.object({ type: z.literal('closeWaiting'), handles, followUpIds: z.array(z.string()).default([]) }),
  /** Left alone until then (epoch milliseconds), or until they try again. */
  z.object({ type: z.literal('putWaitingOff'), handles, until: z.number() }),
  /** What closed or put them off last is taken back. */
  z.object({ type: z.literal('reopenWaiting'), handles }),
  z.object({
    type: z.literal('bringWaiting'),
    /** As reckoned from calls that the office has not counted. */
    rows: z.array(waitingSchema.omit({ id: true, personId: true, closed: true })),
    /** Who tried by then (epoch milliseconds) waits no more. */
    doneBefore: z.number().nullable(),
  }),
]);
export type WaitingRequest = z.input<typeof waitingRequestSchema>;
export type ReadWaitingRequest = z.infer<typeof waitingRequestSchema>;

/** Why it was not done; nothing has changed then. */
export type WaitingRefusal = { code: 'notYours'; what: 'belongings' };
export type WaitingReply = ReplyOr<WaitingRefusal>;
