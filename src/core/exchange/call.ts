import { z } from 'zod';

import { finishSchema } from '../office';
import { routeTraceSchema } from '../routing';
import { causeSchema } from './causes';

/** Who is at the end of a leg. An outside `number` of null is a withheld one. */
export const endpointSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('device'), deviceId: z.string() }),
  z.object({ kind: z.literal('outside'), number: z.string().nullable(), name: z.string().nullable() }),
  z.object({ kind: z.literal('mailbox'), personId: z.string() }),
]);
export type Endpoint = z.infer<typeof endpointSchema>;

/** ECMA-269 §6.1.5 connection states, in the words of docs/architecture.md. */
export const legStates = ['initiated', 'alerting', 'connected', 'held', 'failed', 'cleared'] as const;
export type LegState = (typeof legStates)[number];

export const legSchema = z.object({
  id: z.string(),
  callId: z.string(),
  endpoint: endpointSchema,
  role: z.enum(['caller', 'called']),
  state: z.enum(legStates),
  /** Epoch milliseconds, as all times here. */
  stateSince: z.number(),
  createdAt: z.number(),
  answeredAt: z.number().nullable(),
  clearedAt: z.number().nullable(),
  muted: z.boolean(),
  digitsSent: z.string(),
  /** A mailbox speaks its greeting first, then takes the message. */
  mailboxPhase: z.enum(['greeting', 'recording']).nullable(),
  cause: causeSchema.nullable(),
});
export type Leg = z.infer<typeof legSchema>;

export const timerSchema = z.object({
  id: z.number(),
  at: z.number(),
  what: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('route') }),
    z.object({ kind: z.literal('setup'), legId: z.string() }),
    z.object({ kind: z.literal('noAnswer'), legId: z.string() }),
    z.object({ kind: z.literal('tone') }),
    z.object({ kind: z.literal('greetingEnd'), legId: z.string() }),
    z.object({ kind: z.literal('messageLimit'), legId: z.string() }),
    z.object({ kind: z.literal('digit'), legId: z.string(), digit: z.string() }),
  ]),
});
export type Timer = z.infer<typeof timerSchema>;

/** The trace as it is carried out: its seconds count from `startedAt`, which a refusal may move back. */
export const ringingSchema = z.object({
  trace: routeTraceSchema,
  startedAt: z.number(),
  /** For each leg of the trace the call's leg it became, "skipped" where it fell away, null while to come. */
  progress: z.array(z.string().nullable()),
});

export const callSchema = z.object({
  id: z.string(),
  /** Seen from the office: in from the network, out to it, or between its own phones. */
  kind: z.enum(['inbound', 'outbound', 'internal']),
  /** What the caller dialled, as E.164, extension or code. */
  dialled: z.string(),
  /** The line called or presented; null for a plain extension call and a withheld outgoing one. */
  lineId: z.string().nullable(),
  withheld: z.boolean(),
  postDial: z.string().nullable(),
  startedAt: z.number(),
  answeredAt: z.number().nullable(),
  legs: z.array(legSchema),
  ringing: ringingSchema.nullable(),
  finish: finishSchema.nullable(),
  /** Why it can't be connected; the caller hears the tone of it until it is cleared. */
  failure: causeSchema.nullable(),
  /** Milliseconds of message in the mailbox at the end. */
  messageMs: z.number(),
  timers: z.array(timerSchema),
});
export type Call = z.infer<typeof callSchema>;

export const isLive = (leg: Leg) => leg.state !== 'cleared';
export const isTalking = (leg: Leg) => leg.state === 'connected' || leg.state === 'held';

export function callerOf(call: Call): Leg {
  const caller = call.legs.find((leg) => leg.role === 'caller');
  if (!caller) throw new Error(`Call ${call.id} has no caller`);
  return caller;
}
