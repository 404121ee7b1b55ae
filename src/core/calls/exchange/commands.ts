import { z } from 'zod';

import type { InvalidReason } from '@/core/numbers/numbering';
import { personSchema, ringPlanSchema } from '@/core/setup';
import type { PlanProblem } from '@/core/setup/problems';
import { meetingActSchema } from '../meetings';
import type { LegState } from './call';
import { causeSchema } from './causes';
import { agentStates } from './state';
import type { LegAct } from './transitions';

const legId = z.string();
const deviceId = z.string();
/** What becomes of the call this device is talking on when another takes its place. */
const activeCall = z.enum(['hold', 'clear']).optional();

const fromSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('device'), deviceId }),
  z.object({ kind: z.literal('outside'), number: z.string().nullable(), name: z.string().nullable() }),
]);

/** Where a call can be sent: anything that can be dialled, somebody's mailbox, or a park slot. */
export const targetSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('number'), to: z.string() }),
  z.object({ kind: z.literal('mailbox'), personId: z.string() }),
  z.object({ kind: z.literal('park') }),
]);
export type Target = z.infer<typeof targetSchema>;

/** All that can be asked of the exchange. `activeCall` is "hold" where it is left out. */
export const commandSchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('signIn'), deviceId }),
  z.object({ type: z.literal('signOut'), deviceId }),
  /** Nothing has been heard of the device for so long that what it talked on is over (session timers, RFC 4028 §10). */
  z.object({ type: z.literal('expire'), deviceId }),
  /**
   * Other ring plans, and what people say of themselves, from now on; calls that ring already go on as they began.
   */
  z.object({
    type: z.literal('configure'),
    ringPlans: z.array(ringPlanSchema),
    people: z.array(personSchema),
  }),
  /** Whether a second call may ring while the device is on one. */
  z.object({ type: z.literal('setCallWaiting'), deviceId, on: z.boolean() }),
  z.object({
    type: z.literal('make'),
    from: fromSchema,
    /** As dialled: anything `interpretDialled` understands. */
    to: z.string(),
    /** The line whose number the other side sees, or none. */
    present: z.union([z.object({ lineId: z.string() }), z.literal('withhold')]).optional(),
    activeCall,
    /** Ring the caller's own phone first, and call the other side once it is lifted (RFC 5359 §2.18). */
    ringOwnPhoneFirst: z.boolean().optional(),
    /** The held leg the call is about (ECMA-269 consultation call). */
    consultationFor: legId.optional(),
  }),
  z.object({ type: z.literal('alert'), legId }),
  z.object({ type: z.literal('answer'), legId, activeCall }),
  z.object({ type: z.literal('refuse'), legId }),
  z.object({ type: z.literal('fail'), legId, cause: causeSchema }),
  /** Sends a ringing call on to somebody else (ECMA-269 deflect call). */
  z.object({ type: z.literal('deflect'), legId, target: targetSchema }),
  z.object({ type: z.literal('hold'), legId }),
  z.object({ type: z.literal('retrieve'), legId, activeCall }),
  z.object({ type: z.literal('mute'), legId }),
  z.object({ type: z.literal('unmute'), legId }),
  z.object({ type: z.literal('sendDigits'), legId, digits: z.string() }),
  z.object({ type: z.literal('clear'), legId }),
  /** Blind transfer (RFC 5359 §2.4; ECMA-269 single-step transfer). */
  z.object({ type: z.literal('transfer'), legId, target: targetSchema }),
  /** The others of both calls stay together and this device leaves (RFC 5359 §2.5; ECMA-269 transfer call). */
  z.object({ type: z.literal('connectCalls'), legId, otherLegId: legId }),
  /** Asks one more into the call (ECMA-269 single-step conference). */
  z.object({ type: z.literal('add'), legId, to: z.string() }),
  /** All of both calls in one (RFC 5359 §2.10; ECMA-269 conference call). */
  z.object({ type: z.literal('mergeCalls'), legId, otherLegId: legId }),
  z.object({ type: z.literal('silence'), legId, otherLegId: legId }),
  z.object({ type: z.literal('unsilence'), legId, otherLegId: legId }),
  z.object({ type: z.literal('putAside'), legId, otherLegId: legId }),
  /** Back to the floor, from aside or from a private word. */
  z.object({ type: z.literal('bringBack'), legId, otherLegId: legId }),
  /** A private word with one, while the others go on. */
  z.object({ type: z.literal('talkAside'), legId, otherLegId: legId }),
  z.object({ type: z.literal('drop'), legId, otherLegId: legId }),
  /** Makes a code by which somebody may join or take over (RFC 5359 §2.6 and §2.11). */
  z.object({
    type: z.literal('invite'),
    legId,
    purpose: z.enum(['join', 'takeOver']),
    toPersonId: z.string().nullable(),
  }),
  z.object({ type: z.literal('withdrawInvitation'), legId }),
  z.object({ type: z.literal('join'), deviceId, code: z.string(), activeCall }),
  z.object({ type: z.literal('park'), legId }),
  z.object({ type: z.literal('unpark'), deviceId, slot: z.string(), activeCall }),
  /** Undoes one's own hand-over: `legId` is anybody's who is in that call. */
  z.object({ type: z.literal('takeBack'), deviceId, legId, activeCall }),
  /** Takes what rings at a colleague: that leg, or with null whatever rings longest at the own teams. */
  z.object({ type: z.literal('pickUp'), deviceId, legId: legId.nullable(), activeCall }),
  /**
   * Moves a talk to another device of the same person, or to a room's phone by its code. `atOnce` where the worker is
   * at that device already; else it rings until lifted.
   */
  z.object({
    type: z.literal('move'),
    legId,
    to: z.union([z.object({ deviceId }), z.object({ roomCode: z.string() })]),
    atOnce: z.boolean(),
  }),
  /** This device's voice is heard by now: the one that its talk was moved from need not stay. */
  z.object({ type: z.literal('speaks'), legId }),
  z.object({ type: z.literal('record'), legId, act: z.enum(['start', 'pause', 'resume', 'stop']) }),
  /** The call becomes a meeting: with pictures, hands and a host beside its voices. */
  z.object({ type: z.literal('meet'), legId }),
  z.object({ type: z.literal('inMeeting'), legId, act: meetingActSchema }),
  /** Somebody comes to a meeting by a link: they wait to be let in, or have it on the screen beside their phone. */
  z.object({
    type: z.literal('knock'),
    token: z.string(),
    guestId: z.string(),
    name: z.string().trim().min(1).max(60),
  }),
  /** Whoever waited to be let in waits no more, or has closed the screen beside their phone. */
  z.object({ type: z.literal('goAway'), guestId: z.string() }),
  /** Calls again by itself when the busy one is free (RFC 5359 §2.17; 3GPP TS 24.642). */
  z.object({ type: z.literal('callBackWhenFree'), legId }),
  /** Whether somebody takes calls of that team's queue: signed in, on a break (with why), or signed out (ECMA-269 agent states). */
  z.object({
    type: z.literal('setAgentState'),
    teamId: z.string(),
    personId: z.string(),
    state: z.enum(agentStates),
    reason: z.string().max(60),
  }),
  /** A member takes one that waits, whoever is before it. */
  z.object({ type: z.literal('takeWaiting'), deviceId, callId: z.string(), activeCall }),
  /** The network's word that an outside number is no longer busy. */
  z.object({ type: z.literal('reportFree'), number: z.string() }),
]);
export type Command = z.infer<typeof commandSchema>;
export type CommandOf<T extends Command['type']> = Extract<Command, { type: T }>;
export type MakeCommand = CommandOf<'make'>;

/** Why a command was refused. A refused command has changed nothing. */
export type Refusal =
  /** Said by what leads to an office, never by an exchange: what can’t wait was asked while the office was not reached. */
  | { code: 'notReached' }
  | { code: 'unknownLeg' }
  | { code: 'unknownDevice' }
  | { code: 'unknownLine' }
  | { code: 'unknownPerson' }
  | { code: 'badPlan'; problems: readonly PlanProblem[] }
  | { code: 'notSignedIn' }
  | { code: 'notAllowed'; act: LegAct; state: LegState }
  | { code: 'notDialable'; reason: InvalidReason | { code: 'empty' | 'withheld' } }
  | { code: 'barred'; why: string }
  /** Of a conference number’s talk: who came by the host PIN decides who is in it; of a meeting, who is its host. */
  | { code: 'hostOnly' }
  /** Its number is shown by its owner and whom they let. */
  | { code: 'keptLine'; lineId: string }
  | { code: 'tooManyCalls'; limit: number }
  | { code: 'badDigits' }
  | { code: 'onlyOutside' }
  | { code: 'onlyDevice' }
  | { code: 'emergency' }
  | { code: 'emergencyTarget' }
  | { code: 'notHandedOver' }
  | { code: 'tooLate' }
  | { code: 'targetIsSelf' }
  | { code: 'targetInCall' }
  | { code: 'unknownTarget' }
  | { code: 'notAnswered' }
  | { code: 'stillRinging' }
  | { code: 'sameCall' }
  | { code: 'notInCall' }
  | { code: 'notOnePerson' }
  | { code: 'tooFew' }
  | { code: 'conferenceFull'; limit: number }
  | { code: 'privateWordGoesOn' }
  | { code: 'noMeeting' }
  | { code: 'meetingLocked' }
  | { code: 'unknownLink' }
  | { code: 'linkTooOld' }
  | { code: 'waitingFull' }
  /** At a plain phone nothing is shown. */
  | { code: 'soundOnly' }
  | { code: 'picturesFull'; limit: number }
  | { code: 'unknownPicture' }
  | { code: 'parkFull'; slots: number }
  | { code: 'emptySlot' }
  | { code: 'unknownCode' }
  | { code: 'notForYou' }
  | { code: 'nothingRings' }
  | { code: 'notInTeam' }
  | { code: 'nobodyWaits' }
  | { code: 'notTheirDevice' }
  | { code: 'recordingPolicy'; policy: 'always' | 'never' }
  | { code: 'notRecording' }
  | { code: 'notBusy' }
  /** It is somebody else's (core/office). */
  | { code: 'notYours'; what: 'device' | 'call' | 'plan' | 'person' | 'office' | 'outside' | 'network' };

/** The outcome of a check or an operation that may be refused. */
export type Outcome<T = unknown> = ({ ok: true } & T) | { ok: false; reason: Refusal };

export const refuse = (reason: Refusal): { ok: false; reason: Refusal } => ({ ok: false, reason });

/** `callId` and `legId` where there is one; `note` is a slot or a code that was given out. */
export type CommandResult = Outcome<{ callId?: string; legId?: string; note?: string }>;
