import { z } from 'zod';

import { finishSchema } from '@/core/setup';
import { obstacles } from './conditions';

/** One device ringing, in seconds after the call arrived. */
export const traceLegSchema = z.object({
  /** null for a number outside. */
  deviceId: z.string().nullable(),
  number: z.string().nullable().default(null),
  /** Whose device it is. */
  personId: z.string().nullable(),
  /** It rings beside the rule, since whose it is answers for the called person. */
  answersFor: z.boolean().optional(),
  /** 0-based stage of the rule. */
  stage: z.number().int(),
  fromSeconds: z.number(),
  toSeconds: z.number(),
  /** Whoever lifts it has to take the call by a key. */
  acceptKey: z.boolean(),
  /** The caller's recorded name is heard before the key. */
  saysName: z.boolean().default(false),
});
export type TraceLeg = z.infer<typeof traceLegSchema>;

/** By its name; records of earlier versions know no id. */
const rule = { rule: z.string(), ruleId: z.string().optional() };

/** What was looked at on the way, and why it did or didn't count. */
export const traceStepSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('ruleSkipped'), ...rule, reason: z.enum(obstacles) }),
  z.object({
    kind: z.literal('ruleTaken'),
    ...rule,
    reason: z.enum(['thisLine', 'anyLine', 'itsConditions']),
  }),
  z.object({ kind: z.literal('forwardedAll'), personId: z.string(), until: z.number().nullable() }),
  z.object({
    kind: z.literal('doNotDisturb'),
    personId: z.string(),
    until: z.number().nullable(),
    /** Let through anyway, by the caller or the line. */
    isPassed: z.boolean(),
  }),
  /** They answer for the called person, and ring too unless they take no calls of others now. */
  z.object({ kind: z.literal('answersFor'), personId: z.string(), isAway: z.boolean() }),
  z.object({ kind: z.literal('unreachable'), personId: z.string() }),
  z.object({ kind: z.literal('noRule'), personId: z.string() }),
  z.object({ kind: z.literal('teamCalled'), teamId: z.string() }),
  /** It is outside the team's hours. */
  z.object({ kind: z.literal('teamClosed'), teamId: z.string() }),
  /** Waits in the team's queue. */
  z.object({ kind: z.literal('queued'), teamId: z.string() }),
  /** No more can wait there. */
  z.object({ kind: z.literal('queueFull'), teamId: z.string() }),
  /** Nobody is signed in to it. */
  z.object({ kind: z.literal('queueUnattended'), teamId: z.string() }),
  z.object({ kind: z.literal('allBusy'), personId: z.string() }),
  z.object({
    kind: z.literal('deviceSkipped'),
    /** null for a number outside. */
    deviceId: z.string().nullable(),
    number: z.string().nullable().default(null),
    stage: z.number().int(),
    reason: z.enum(['unknown', 'notSignedIn', 'busy', 'callingItself', 'barred', 'outOfTeam']),
  }),
  /** It was meant to ring longer than its stage lasts. */
  z.object({
    kind: z.literal('cutShort'),
    deviceId: z.string().nullable(),
    number: z.string().nullable(),
    stage: z.number().int(),
    wantedSeconds: z.number(),
    rungSeconds: z.number(),
  }),
  z.object({ kind: z.literal('returned'), why: z.enum(['transfer', 'park']), personId: z.string() }),
  z.object({ kind: z.literal('searchedFor'), personId: z.string() }),
  z.object({ kind: z.literal('menuReached'), menuId: z.string() }),
  /** A conference number asked for its PIN; or let them in without one, since they are of the office. */
  z.object({
    kind: z.literal('conferenceReached'),
    conferenceId: z.string(),
    opens: z.literal(true).optional(),
  }),
  /** The finish was a text, but this caller can take none. */
  z.object({ kind: z.literal('noTextPossible'), personId: z.string() }),
]);
export type TraceStep = z.infer<typeof traceStepSchema>;

/** The answer of the routing to one call: who rings from when to when, where it ends, and why. */
export const routeTraceSchema = z.object({
  /** A person's id, or a team's, a menu's or a conference's. */
  ownerId: z.string(),
  lineId: z.string().nullable(),
  legs: z.array(traceLegSchema),
  finish: finishSchema,
  /** Where it ends when whoever rings refuses it; left out: at `finish`. */
  refusedFinish: finishSchema.optional(),
  finishSeconds: z.number(),
  /**
   * The call goes on until then, also in seconds in which nobody rings: the caller hears ringing where do not disturb is silent, and waits
   * in a queue.
   */
  isSilent: z.boolean().optional(),
  /** Which of the owner's greetings their mailbox speaks; left out: the plain one. */
  greetingId: z.string().optional(),
  /** The situation the called person was in. */
  situationId: z.string().optional(),
  steps: z.array(traceStepSchema),
});
export type RouteTrace = z.infer<typeof routeTraceSchema>;
