import { z } from 'zod';

import { callSchema } from './call';

/** Of ECMA-269's agent states those that are chosen; busy and working after a call follow from what happens. */
export const agentStates = ['ready', 'notReady', 'loggedOff'] as const;
export type AgentState = (typeof agentStates)[number];

/** Somebody as a member of a team with a queue. Of whom there is none is ready. */
export const agentSchema = z.object({
  teamId: z.string(),
  personId: z.string(),
  state: z.enum(agentStates),
  /** Why they take a break; empty where they did not say. */
  reason: z.string(),
  since: z.number(),
  /** Until when they work after their last call of the queue. */
  wrapUpUntil: z.number(),
});
export type Agent = z.infer<typeof agentSchema>;

/** What a team's queue remembers. */
const queueMemorySchema = z.object({
  teamId: z.string(),
  lastRungId: z.string().nullable(),
  handled: z.object({ count: z.number(), meanMs: z.number() }),
});
export type QueueMemory = z.infer<typeof queueMemorySchema>;

export const exchangeStateSchema = z.object({
  now: z.number(),
  nextId: z.number(),
  signedIn: z.array(z.string()),
  withoutWaiting: z.array(z.string()),
  recentCallers: z.array(z.object({ number: z.string(), at: z.number() })).default([]),
  agents: z.array(agentSchema).default([]),
  queues: z.array(queueMemorySchema).default([]),
  /** When people's last talk ended, as far as they are in a queue's team. */
  talksEnded: z.array(z.object({ personId: z.string(), at: z.number() })).default([]),
  /** Wrong PINs of conferences, the oldest first. */
  wrongPins: z.array(z.object({ conferenceId: z.string(), at: z.number() })).default([]),
  calls: z.array(callSchema),
});
/** The whole exchange as plain data, timers included. */
export type ExchangeState = z.infer<typeof exchangeStateSchema>;
