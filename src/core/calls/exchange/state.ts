import { z } from 'zod';

import { callSchema } from './call';

export const exchangeStateSchema = z.object({
  now: z.number(),
  nextId: z.number(),
  signedIn: z.array(z.string()),
  withoutWaiting: z.array(z.string()),
  recentCallers: z.array(z.object({ number: z.string(), at: z.number() })).default([]),
  calls: z.array(callSchema),
});
/** The whole exchange as plain data, timers included. */
export type ExchangeState = z.infer<typeof exchangeStateSchema>;
