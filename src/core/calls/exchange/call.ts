import { z } from 'zod';

import { finishSchema } from '@/core/setup';
import { routeTraceSchema } from '@/core/plans/routing';
import { meetingSchema } from '../meetings';
import { causeSchema } from './causes';

/** Who is at the end of a leg. An outside `number` of null is a withheld one. */
export const endpointSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('device'), deviceId: z.string() }),
  z.object({
    kind: z.literal('outside'),
    number: z.string().nullable(),
    name: z.string().nullable(),
    /** They have come to a meeting by a link, with a browser in the place of a phone; left out: by phone. */
    guestId: z.string().optional(),
  }),
  z.object({ kind: z.literal('mailbox'), personId: z.string() }),
  z.object({ kind: z.literal('teamMailbox'), teamId: z.string() }),
  z.object({ kind: z.literal('menu'), menuId: z.string() }),
  /** Where a call waits for somebody of a team. */
  z.object({ kind: z.literal('queue'), teamId: z.string() }),
  /** A standing talk of several: it asks for its PIN, and is the room once somebody has it right. */
  z.object({ kind: z.literal('conference'), conferenceId: z.string() }),
  /** Says that a text comes instead of an answer. */
  z.object({ kind: z.literal('textNotice') }),
]);
export type Endpoint = z.infer<typeof endpointSchema>;

/** ECMA-269 §6.1.5 connection states, in the words of docs/architecture.md. */
export const legStates = [
  'initiated',
  'alerting',
  'connected',
  'held',
  'queued',
  'failed',
  'cleared',
] as const;
export type LegState = (typeof legStates)[number];

/** What somebody was brought into a call for. */
export const reasonsToBring = [
  'call',
  'transfer',
  'conference',
  'return',
  'findMe',
  'move',
  'join',
  'retrieve',
] as const;
export type ReasonToBring = (typeof reasonsToBring)[number];

/** An extension, a name by its letters, or which of those who have it; `choices` are their extensions. */
const menuEntrySchema = z.object({
  asks: z.enum(['extension', 'name', 'choice']),
  digits: z.string(),
  choices: z.array(z.string()),
});
export type MenuEntry = z.infer<typeof menuEntrySchema>;

/** How a conference number stands to who dialled it: it asks for a PIN, lets a wrong one wait, or is open. */
const entranceSchema = z.object({
  phase: z.enum(['pin', 'wait', 'open']),
  digits: z.string(),
  /** Wrong PINs of this caller. */
  wrong: z.number(),
  /** How often it has asked. */
  turn: z.number(),
  /** While open: whether nobody hears the others before a host is there. */
  waitsForHost: z.boolean(),
});

/** Somebody goes through their own mailbox from a phone: who has not shown their PIN yet is asked for it. */
const visitSchema = z.object({
  /** Whose mailbox it is. */
  personId: z.string(),
  phase: z.enum(['pin', 'checking', 'open']),
  digits: z.string(),
  /** Wrong PINs of this caller. */
  wrong: z.number(),
  /** How often the PIN was asked for. */
  turn: z.number(),
  /** What is said to them now, and which message is played after it. */
  says: z.object({ text: z.string(), voicemailId: z.string().nullable() }),
  /** The messages they go through, in their order, and at which they are (-1: before the first). */
  list: z.array(z.string()),
  at: z.number().int().min(-1),
});
export type Visit = z.infer<typeof visitSchema>;

export const legSchema = z.object({
  id: z.string(),
  callId: z.string(),
  endpoint: endpointSchema,
  /** Who of the office speaks there; at a room's phone whoever moved the call to it. null: somebody else. */
  personId: z.string().nullable(),
  role: z.enum(['caller', 'called']),
  broughtFor: z.enum(reasonsToBring),
  /** Who of the office brought it in, and so pays for it. */
  broughtById: z.string().nullable(),
  state: z.enum(legStates),
  /** Epoch milliseconds, as all times here. */
  stateSince: z.number(),
  createdAt: z.number(),
  answeredAt: z.number().nullable(),
  clearedAt: z.number().nullable(),
  /** Until when records tell what it costs: when it came here from another call while talking. */
  chargedUntil: z.number().optional(),
  muted: z.boolean(),
  /** The leg whose owner took this one's voice away. */
  silencedBy: z.string().nullable(),
  /** Who hears whom goes by rooms: all on the floor, those put aside to music, two in a private word. */
  room: z.enum(['floor', 'aside', 'private']),
  /** The leg whose owner put this one there. */
  roomBy: z.string().nullable(),
  digitsSent: z.string(),
  /** `asked`: whoever lifts it must take the call by a key; `waiting`: lifted, and the key not yet pressed. */
  accept: z.enum(['no', 'asked', 'waiting']),
  /** The leg that goes once this one is up. */
  replaces: z.string().nullable(),
  /** Moved to another device: it stays for a moment so that no word is lost, and counts for nobody. */
  leaves: z.boolean(),
  /** A mailbox speaks its greeting, then takes the message; or asks for the caller's name and searches. */
  mailboxPhase: z.enum(['greeting', 'recording', 'name', 'visit']).nullable(),
  /** Of a mailbox that its owner listens to. */
  visit: visitSchema.optional(),
  /** How often a menu has spoken. */
  menuTurn: z.number().optional(),
  /** What is being dialled in a menu beside its keys. */
  menuEntry: menuEntrySchema.nullable().optional(),
  /** Of a conference number. */
  entrance: entranceSchema.optional(),
  /** Who came in by a conference’s host PIN. */
  isHost: z.boolean().optional(),
  cause: causeSchema.nullable(),
});
export type Leg = z.infer<typeof legSchema>;

const ofLeg = { legId: z.string() };
export const timerSchema = z.object({
  id: z.number(),
  at: z.number(),
  what: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('route') }),
    z.object({ kind: z.literal('setup'), ...ofLeg }),
    z.object({ kind: z.literal('noAnswer'), ...ofLeg }),
    z.object({ kind: z.literal('tone') }),
    z.object({ kind: z.literal('greetingEnd'), ...ofLeg }),
    z.object({ kind: z.literal('nameEnd'), ...ofLeg }),
    z.object({ kind: z.literal('menuEnd'), ...ofLeg }),
    /** Nothing more of what is dialled in a menu has come. */
    z.object({ kind: z.literal('menuDigits'), ...ofLeg }),
    /** No more of a conference’s PIN has come, or a wrong one has waited. */
    z.object({ kind: z.literal('pinEnd'), ...ofLeg }),
    /** No more of a mailbox’s PIN has come, or nobody has pressed a key there for long. */
    z.object({ kind: z.literal('visitEnd'), ...ofLeg }),
    z.object({ kind: z.literal('noticeEnd'), ...ofLeg }),
    z.object({ kind: z.literal('callerNamed') }),
    z.object({ kind: z.literal('messageLimit'), ...ofLeg }),
    z.object({ kind: z.literal('digit'), ...ofLeg, digit: z.string() }),
    z.object({ kind: z.literal('accept'), ...ofLeg }),
    z.object({ kind: z.literal('ownPhone'), ...ofLeg }),
    z.object({ kind: z.literal('move'), ...ofLeg }),
    z.object({ kind: z.literal('overlap'), ...ofLeg }),
    z.object({ kind: z.literal('park') }),
    z.object({ kind: z.literal('callBackLimit'), ...ofLeg }),
    /** Whoever waits in a queue is told how it stands. */
    z.object({ kind: z.literal('queueTell'), ...ofLeg }),
  ]),
});
export type Timer = z.infer<typeof timerSchema>;

/** The trace as it is carried out: its seconds count from `startedAt`, which a refusal may move back. */
export const ringingSchema = z.object({
  trace: routeTraceSchema,
  startedAt: z.number(),
  /** What those who ring are brought in for, and by whom. */
  broughtFor: z.enum(reasonsToBring),
  broughtById: z.string().nullable(),
  /** For each leg of the trace the call's leg it became, "skipped" where it fell away, null while to come. */
  progress: z.array(z.string().nullable()),
  /** Whether somebody of the plan has refused. */
  wasRefused: z.boolean().default(false),
  /** The caller is saying their name, while the devices begin to ring. */
  asksName: z.boolean().default(false),
});

/** What was done with a call besides talking, kept in its records. */
export const callActs = [
  'screened',
  'forwarded',
  'deflected',
  'transferred',
  'returned',
  'tookBack',
  'added',
  'joinedCalls',
  'joined',
  'tookOver',
  'dropped',
  'parked',
  'retrieved',
  'pickedUp',
  'moved',
  'recorded',
  'searchedFor',
  'chose',
  'queued',
  'askedCallBack',
  'calledBack',
  'visited',
  'met',
  'letIn',
] as const;
export const callActSchema = z.object({
  at: z.number(),
  act: z.enum(callActs),
  /** Who did it; null: the exchange by a rule. */
  byId: z.string().nullable(),
  /** Number, extension, slot or device it went to, as far as there is one. */
  to: z.string().nullable(),
});
export type CallAct = z.infer<typeof callActSchema>;

export const recordingSchema = z.object({
  id: z.string(),
  /** Whose it is: it holds what that person hears. */
  personId: z.string(),
  legId: z.string(),
  byPolicy: z.boolean(),
  state: z.enum(['on', 'paused', 'ended']),
  startedAt: z.number(),
  /** Stretches that were recorded; the last is open (null) while it is on. */
  pieces: z.array(z.object({ from: z.number(), to: z.number().nullable() })),
});
export type Recording = z.infer<typeof recordingSchema>;

/** How a call waits in a team's queue. */
export const queuedSchema = z.object({
  teamId: z.string(),
  /** The leg at the queue, in ECMA-269's connection state "queued". */
  legId: z.string(),
  since: z.number(),
  /** Those who came earlier have a lesser one. */
  ticket: z.number(),
  /** Who is rung for it now. */
  offeredTo: z.array(z.string()),
  /** Who did not take it, and when that was. */
  passedBy: z.array(z.object({ personId: z.string(), at: z.number() })),
  /** What the caller was told last: their place, 1 for the next, and the seconds expected (null: not known). */
  told: z.object({ at: z.number(), place: z.number(), waitSeconds: z.number().nullable() }),
  /** The caller has hung up, and is called at this number when it is their turn. */
  callBackTo: z.string().nullable(),
});
export type Queued = z.infer<typeof queuedSchema>;

/** A stretch of waiting in a queue that is over. */
export const waitSchema = z.object({
  teamId: z.string(),
  from: z.number(),
  to: z.number(),
  /** Somebody took it; the caller gave up, or was called back; or it went on to a finish. */
  ended: z.enum(['taken', 'abandoned', 'overflowed']),
});

/** A plan, a team or a menu that a call came to before anybody took it. */
export const stopSchema = z.object({
  /** A person's id, or a team's, or a menu's. */
  ownerId: z.string(),
  /** The line by which it came to them; null: by the extension. */
  lineId: z.string().nullable(),
  at: z.number(),
  /** It was outside the team's hours. */
  isClosed: z.boolean().optional(),
});
export type CourseStop = z.infer<typeof stopSchema>;

export const callSchema = z.object({
  id: z.string(),
  /** Seen from the office: in from the network, out to it, or between its own phones. */
  kind: z.enum(['inbound', 'outbound', 'internal']),
  /** What the caller dialled, as E.164, extension or code. */
  dialled: z.string(),
  /** The line called or presented; null for a plain extension call and a withheld outgoing one. */
  lineId: z.string().nullable(),
  withheld: z.boolean(),
  /** In whose name somebody else calls out; null: in their own. */
  forId: z.string().nullable().default(null),
  /** In which of a menu’s other languages the caller is spoken to; null: none was chosen. */
  language: z.string().nullable().default(null),
  postDial: z.string().nullable(),
  startedAt: z.number(),
  answeredAt: z.number().nullable(),
  legs: z.array(legSchema),
  ringing: ringingSchema.nullable(),
  /** Traces carried out before, oldest first: of who forwarded, handed over or was searched for. */
  earlierTraces: z.array(routeTraceSchema),
  finish: finishSchema.nullable(),
  /** Why it can't be connected; the caller hears the tone of it until it is cleared. */
  failure: causeSchema.nullable(),
  /** Milliseconds of message in the mailbox at the end. */
  messageMs: z.number(),
  timers: z.array(timerSchema),
  /** Set for a call to an emergency number, with the place it gives. */
  emergency: z.object({ location: z.string().nullable() }).nullable(),
  /** The call this one was placed to consult about. */
  consultationFor: z.string().nullable(),
  /** Who gets it back when whom it was handed to does not take it, or nobody takes it from its slot. */
  comesBackTo: z.object({ personId: z.string(), deviceId: z.string() }).nullable(),
  returned: z.object({ why: z.enum(['transfer', 'park']), at: z.number() }).nullable(),
  /** Who handed it over last, to where, and who of those in it they had on hold; left out by earlier versions. */
  handedOver: z
    .object({ byId: z.string(), at: z.number(), to: z.string(), heldLegIds: z.array(z.string()) })
    .nullable()
    .default(null),
  parked: z.object({ slot: z.string(), at: z.number(), byId: z.string() }).nullable(),
  /** By this code others may come in, or take it over. */
  invitation: z
    .object({
      code: z.string(),
      purpose: z.enum(['join', 'takeOver']),
      legId: z.string(),
      toPersonId: z.string().nullable(),
    })
    .nullable(),
  /** Who is called once the caller's own phone is lifted; null when there is nothing to wait for. */
  calledAfterwards: z.string().nullable(),
  /** The busy one a call-back waits for: a person's id or an outside number. */
  waitsFor: z.string().nullable(),
  queued: queuedSchema.nullable().default(null),
  waits: z.array(waitSchema).default([]),
  /** Where it came on its way, in that order. */
  course: z.array(stopSchema).default([]),
  /** Who took it from a queue and talks still; what it takes them is what later callers wait for. */
  servedBy: z.object({ teamId: z.string(), personId: z.string(), at: z.number() }).nullable().default(null),
  /** What it has beside voices, where it has become a meeting; left out by earlier versions. */
  meeting: meetingSchema.nullable().default(null),
  recordings: z.array(recordingSchema),
  acts: z.array(callActSchema),
});
export type Call = z.infer<typeof callSchema>;

/** Somebody's mailbox, or a team's. */
export const isMailbox = ({ endpoint }: Pick<Leg, 'endpoint'>) =>
  endpoint.kind === 'mailbox' || endpoint.kind === 'teamMailbox';
/** Nobody is there: a machine of the office speaks. */
export const isMachine = (leg: Pick<Leg, 'endpoint'>) =>
  isMailbox(leg) ||
  leg.endpoint.kind === 'menu' ||
  leg.endpoint.kind === 'queue' ||
  leg.endpoint.kind === 'conference' ||
  leg.endpoint.kind === 'textNotice';
/** The room of a conference number in which people talk, or wait for each other. */
export const isOpenRoom = ({ endpoint, entrance, state }: Leg) =>
  endpoint.kind === 'conference' && entrance?.phase === 'open' && state !== 'cleared';
export const isLive = (leg: Leg) => leg.state !== 'cleared';
export const isTalking = (leg: Leg) => (leg.state === 'connected' || leg.state === 'held') && !leg.leaves;
/** Being called and not yet there; one's own other device, to which a call is being moved, is none. */
export const isPending = (leg: Leg) =>
  leg.role === 'called' && leg.replaces === null && (leg.state === 'initiated' || leg.state === 'alerting');

/** The caller hears ringing though nobody rings, until the plan's finish. */
export const isWaitingInSilence = ({ ringing, timers }: Pick<Call, 'ringing' | 'timers'>) =>
  ringing?.trace.isSilent === true && timers.some(({ what }) => what.kind === 'route');

/** Whether the leg rings because the plan being carried out says so. */
export function isOfPlan(call: Call, leg: Leg): boolean {
  return call.ringing?.progress.includes(leg.id) ?? false;
}

export function callerOf(call: Call): Leg {
  const caller = call.legs.find((leg) => leg.role === 'caller');
  if (!caller) throw new Error(`Call ${call.id} has no caller`);
  return caller;
}
