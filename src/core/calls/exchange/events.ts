import { z } from 'zod';

import { routeTraceSchema } from '@/core/plans/routing';
import { causeSchema } from './causes';
import { recordingSchema } from './call';
import { recordSchema } from './record';

const base = { at: z.number() };
const ofCall = { ...base, callId: z.string() };
const ofLeg = { ...ofCall, legId: z.string() };

/** Events that only say which leg. */
export const plainLegEvents = [
  'originated',
  'queued',
  'delivered',
  'acceptAsked',
  'established',
  'held',
  'retrieved',
  'muted',
  'unmuted',
  'silenced',
  'unsilenced',
  'putAside',
  'broughtBack',
  'talkedAside',
  'messageStarted',
  'nameAsked',
  'menuSpoke',
  'pinAsked',
  'pinRefused',
  'pickedUp',
  'tookBack',
  'joined',
  'queueJoined',
  'queueTold',
  'callBackAsked',
  'visitAsked',
  'visitPinGiven',
  'visitSpoke',
] as const;

/** What happened, in ECMA-269's names where it has one. `at` is epoch milliseconds. */
export const exchangeEventSchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('signedIn'), ...base, deviceId: z.string() }),
  z.object({ type: z.literal('signedOut'), ...base, deviceId: z.string() }),
  /** Ring plans or people are others now. */
  z.object({ type: z.literal('configured'), ...base }),
  z.object({ type: z.literal('callWaitingSet'), ...base, deviceId: z.string(), on: z.boolean() }),
  z.object({ type: z.enum(plainLegEvents), ...ofLeg }),
  z.object({ type: z.literal('routed'), ...ofCall, trace: routeTraceSchema }),
  z.object({ type: z.literal('networkReached'), ...ofLeg, number: z.string() }),
  z.object({ type: z.literal('digitsSent'), ...ofLeg, digits: z.string() }),
  /** Somebody who goes through their mailbox has pressed a key. */
  z.object({ type: z.literal('visitKeyed'), ...ofLeg, key: z.string() }),
  z.object({ type: z.literal('failed'), ...ofLeg, cause: causeSchema }),
  /** The call goes somewhere else: by a forward of the called person, or by a hand. */
  z.object({ type: z.literal('diverted'), ...ofCall, to: z.string() }),
  z.object({
    type: z.literal('transferred'),
    ...ofCall,
    byLegId: z.string(),
    to: z.string(),
  }),
  /** The legs of another call, which has ended thereby, are in this one now. */
  z.object({ type: z.literal('conferenced'), ...ofCall, otherCallId: z.string() }),
  /** Nobody took it, so it rings at who handed it over or parked it. */
  z.object({ type: z.literal('returned'), ...ofCall, why: z.enum(['transfer', 'park']), toId: z.string() }),
  /** Whoever was asked in did not come. */
  z.object({ type: z.literal('additionFailed'), ...ofCall, cause: causeSchema }),
  /** The call has become a meeting, or something was done in it. */
  z.object({ type: z.literal('meetingChanged'), ...ofCall }),
  z.object({ type: z.literal('invited'), ...ofCall, code: z.string(), toPersonId: z.string().nullable() }),
  z.object({ type: z.literal('invitationEnded'), ...ofCall }),
  /** Somebody was rung for a call of a queue and did not take it. */
  z.object({ type: z.literal('passedOver'), ...ofCall, teamId: z.string(), personId: z.string() }),
  z.object({ type: z.literal('agentStateSet'), ...base, teamId: z.string(), personId: z.string() }),
  z.object({ type: z.literal('parked'), ...ofCall, slot: z.string() }),
  z.object({ type: z.literal('unparked'), ...ofLeg, slot: z.string() }),
  z.object({ type: z.literal('moved'), ...ofLeg, fromLegId: z.string() }),
  z.object({ type: z.literal('recordingChanged'), ...ofCall, recording: recordingSchema }),
  z.object({
    type: z.literal('messageLeft'),
    ...ofLeg,
    durationMs: z.number(),
  }),
  /** An unanswered caller is to get this text from that line. */
  z.object({
    type: z.literal('textOwed'),
    ...ofCall,
    personId: z.string(),
    lineId: z.string(),
    to: z.string(),
    text: z.string(),
  }),
  z.object({ type: z.literal('connectionCleared'), ...ofLeg, cause: causeSchema }),
  z.object({ type: z.literal('callCleared'), ...ofCall }),
  z.object({ type: z.literal('recordWritten'), ...ofCall, record: recordSchema }),
]);
export type ExchangeEvent = z.infer<typeof exchangeEventSchema>;
