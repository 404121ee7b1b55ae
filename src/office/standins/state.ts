import { z } from 'zod';

import { meetingActSchema } from '@/core/calls/meetings';
import { networkSchema } from '@/core/calls/quality';

import { scriptSchema } from './scripts';

export const speechSchema = z.object({
  at: z.number(),
  callId: z.string(),
  legId: z.string(),
  clip: z.string(),
  text: z.string(),
});
/** Somebody at the other end says something. */
export type Speech = z.infer<typeof speechSchema>;

const actSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('alert') }),
  z.object({ kind: z.literal('answer') }),
  z.object({ kind: z.literal('refuse') }),
  z.object({ kind: z.literal('clear') }),
  z.object({ kind: z.literal('fail'), cause: z.enum(['userBusy', 'unallocatedNumber']) }),
  z.object({ kind: z.literal('say'), clip: z.string() }),
  z.object({ kind: z.literal('menuTimeout'), turn: z.number() }),
  z.object({ kind: z.literal('sendDigits'), digits: z.string() }),
  z.object({ kind: z.literal('reportFree'), number: z.string() }),
  z.object({ kind: z.literal('knock'), token: z.string(), name: z.string() }),
  z.object({ kind: z.literal('inMeeting'), act: meetingActSchema }),
]);
/** What one of them is about to do. */
export type Act = z.infer<typeof actSchema>;

export const standInStateSchema = z.object({
  nextOrder: z.number(),
  pending: z.array(
    z.object({ at: z.number(), order: z.number(), callId: z.string(), legId: z.string(), act: actSchema }),
  ),
  menus: z.record(z.string(), z.object({ menuId: z.string(), turn: z.number() })),
  changed: z.record(z.string(), scriptSchema),
  /** When somebody busy is free again, by number. */
  busyUntil: z.record(z.string(), z.number()),
  network: networkSchema,
});
export type StandInState = z.infer<typeof standInStateSchema>;
