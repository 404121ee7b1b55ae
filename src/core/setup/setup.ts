import { z } from 'zod';

import { numberingSchema, ukNumbering } from '@/core/numbers/numbering';
import { rateDeckSchema } from '@/core/numbers/rates';
import { answeredBySchema } from './answering';
import { conferenceSchema } from './conference';
import { menuSchema } from './menu';
import { outwardSchema } from './outward';
import { placeOfPhoneSchema } from './placeOfPhone';
import { queueSchema } from './queue';
import { dayOffSchema, finishSchema, ringPlanSchema } from './ringPlan';
import { weekWindowSchema } from './when';

/** E.164: "+" and 2 to 15 digits. */
export const e164Schema = z.string().regex(/^\+\d{2,15}$/);

export const strokes = ['solid', 'dashed', 'dotted', 'double', 'dashDot', 'thinPair'] as const;
export type Stroke = (typeof strokes)[number];

export const recordingPolicies = ['always', 'onDemand', 'never'] as const;
export type RecordingPolicy = (typeof recordingPolicies)[number];
/** Whether calls are recorded; left out: as the office does. Of several that say so never is stronger than always, which is than on demand. */
const recordingSchema = z.enum(recordingPolicies).optional();

/** What the office may let somebody do beside their own work: see how everybody's calls went, and hear recordings of others. */
export const grants = ['seeFigures', 'playRecordings'] as const;
export type Grant = (typeof grants)[number];

/** Callers a person does not want to be rung by (RFC 5359 §2.13). */
export const screeningSchema = z.object({ numbers: z.array(e164Schema), withheld: z.boolean() });

export const situationSchema = z.object({
  id: z.string(),
  name: z.string(),
  /** What colleagues see of it. */
  shows: z.enum(['free', 'away', 'off']),
  /** Whether calls to the person's teams pass them by meanwhile. */
  leavesTeams: z.boolean().optional(),
});
export type Situation = z.infer<typeof situationSchema>;

/** When somebody is in a situation without saying so: in certain hours, in or out of the working hours, in a meeting. */
export const followedSchema = z.discriminatedUnion('by', [
  z.object({ by: z.literal('hours'), situationId: z.string(), windows: z.array(weekWindowSchema).min(1) }),
  z.object({ by: z.literal('workingHours'), situationId: z.string(), working: z.boolean() }),
  z.object({ by: z.literal('meetings'), situationId: z.string() }),
]);
export type Followed = z.infer<typeof followedSchema>;

/** A situation chosen by hand, with own words to it, until an instant or (null) until it is changed. */
const chosenSchema = z.object({ id: z.string(), word: z.string(), until: z.number().nullable() });
export type ChosenSituation = z.infer<typeof chosenSchema>;

export const personSchema = z.object({
  id: z.string(),
  name: z.string(),
  role: z.string(),
  extension: z.string(),
  /** The line whose number others see when this person calls out and chose none. */
  presentedLineId: z.string(),
  /** Whether they run the office: configure it, and see everybody's plans. */
  administers: z.boolean().optional(),
  /** Left out: nothing. Whoever runs the office sees its figures anyway. */
  may: z.array(z.enum(grants)).optional(),
  screening: screeningSchema.optional(),
  /** Whose phones ring too where a rule rings theirs; left out: nobody’s. */
  answeredBy: z.array(answeredBySchema).optional(),
  /** Of calls this person takes part in. */
  recording: recordingSchema,
  /** Their own short list of circumstances, which rules ask for and colleagues see. */
  situations: z.array(situationSchema).optional(),
  /** Situations that come by themselves; the first that fits holds, while none is chosen by hand. */
  follows: z.array(followedSchema).optional(),
  /** The situation they chose; where it ends, those it was chosen over come back, the nearest first. */
  situation: chosenSchema.extend({ before: z.array(chosenSchema).optional() }).optional(),
});
export type Person = z.infer<typeof personSchema>;

/** Whether the office lets somebody do that. */
export const isGranted = (
  { administers = false, may = [] }: Pick<Person, 'administers' | 'may'>,
  what: Grant,
) => may.includes(what) || (what === 'seeFigures' && administers);

/** When a team takes calls, and where they go at all other times (left out: as what nobody takes). */
const teamHoursSchema = z.object({
  open: z.array(weekWindowSchema).min(1),
  daysOff: z.array(dayOffSchema).default([]),
  closedFinish: finishSchema.optional(),
});

/** Several people behind one extension; all their desk phones and apps ring together, unless its calls wait in a queue. */
export const teamSchema = z.object({
  id: z.string(),
  name: z.string(),
  extension: z.string(),
  memberIds: z.array(z.string()),
  /** Whether what nobody of them takes ends in a mailbox of the team, with that greeting; left out: in busy tone. */
  mailbox: z.object({ text: z.string() }).optional(),
  /** Left out: always. */
  hours: teamHoursSchema.optional(),
  /** Of calls that came to the team. */
  recording: recordingSchema,
  queue: queueSchema.optional(),
});
export type Team = z.infer<typeof teamSchema>;
/** A team whose calls wait for its members. */
export type QueueTeam = Team & Required<Pick<Team, 'queue'>>;
export const hasQueue = (team: Team | null | undefined): team is QueueTeam => team?.queue !== undefined;

export const lineSchema = z.object({
  id: z.string(),
  name: z.string(),
  number: e164Schema,
  /** How the line's cord is drawn: hue index of the theme and stroke. */
  cord: z.object({ hue: z.number().int().min(0).max(5), stroke: z.enum(strokes) }),
  urgent: z.boolean(),
  /** Whose ring plan takes its calls; or the team or menu they reach. */
  ownerId: z.string(),
  /** Whether only its owner, and whom they let, may show its number; left out: all may. */
  isKeptToOwner: z.boolean().optional(),
  /** Of calls to it, and of those out that show it. */
  recording: recordingSchema,
  /** Whether texts can be sent from it and to it. */
  texts: z.boolean().optional(),
  /** Whether paper that is faxed to it is taken, and faxes are sent from it. */
  faxes: z.boolean().optional(),
});
export type Line = z.infer<typeof lineSchema>;

export const deviceKinds = ['app', 'desk', 'mobile', 'room'] as const;
export type DeviceKind = (typeof deviceKinds)[number];

export const deviceSchema = z.object({
  id: z.string(),
  /** null for a phone that stands in a room. */
  personId: z.string().nullable(),
  kind: z.enum(deviceKinds),
  name: z.string(),
  /** Another place where that app of the same person is signed in: it rings wherever the app does. */
  contactOf: z.string().optional(),
  /** Calls it can hold at once before it counts as busy. */
  callLimit: z.number().int().positive(),
  /** What an emergency call from it gives as its place. */
  location: z.string().optional(),
  /** The same as its owner has said it, and when; left out where nobody has. */
  place: placeOfPhoneSchema.optional(),
  /** A mobile whose own mailbox lifts it after so many seconds, whoever calls. */
  ownMailboxSeconds: z.number().positive().optional(),
  /** Written on a room's phone: who types it may move a call there. */
  roomCode: z.string().optional(),
});
export type Device = z.infer<typeof deviceSchema>;

/** Kinds of what is kept of calls and messages, of which the office may say for how many days at most. */
export const keptKinds = ['voicemails', 'texts', 'faxes', 'recordings'] as const;
export type KeptKind = (typeof keptKinds)[number];

export const policiesSchema = z.object({
  recording: z.enum(recordingPolicies),
  /** Numbers beginning so can't be called (RFC 5359 §2.14), each with why. */
  barred: z.array(z.object({ prefix: z.string(), why: z.string() })),
  /** What else can't be called; left out: nothing. */
  outward: outwardSchema.optional(),
  /** Whether anybody may withhold their number; left out: they may. */
  mayWithhold: z.boolean().optional(),
  /** Which line's number is shown to numbers that begin so, whatever is chosen. */
  presented: z.array(z.object({ prefix: z.string(), lineId: z.string() })).optional(),
  /** For how many days each is kept at most once it is done with, whatever somebody chose; left out: as long as they like. */
  keptAtMostDays: z.partialRecord(z.enum(keptKinds), z.number().int().positive()).optional(),
  /** How long a blind transfer may ring before it comes back. */
  transferReturnSeconds: z.number().positive(),
  /** How long somebody may be parked before it rings back. */
  parkSeconds: z.number().positive(),
});

/** Who and what was retired, so that what happened while they were there keeps its names and cords. */
const retiredSchema = z.object({
  people: z.array(personSchema.pick({ id: true, name: true })),
  teams: z.array(teamSchema.pick({ id: true, name: true })),
  lines: z.array(lineSchema),
  devices: z.array(deviceSchema.pick({ id: true, name: true, personId: true, kind: true, contactOf: true })),
  menus: z.array(menuSchema.pick({ id: true, name: true })),
  /** Left out by earlier versions. */
  conferences: z.array(conferenceSchema.pick({ id: true, name: true })).default([]),
});
export type Retired = z.infer<typeof retiredSchema>;

export const officeSetupSchema = z.object({
  name: z.string(),
  /** IANA time zone of the office. */
  zone: z.string(),
  people: z.array(personSchema),
  teams: z.array(teamSchema),
  lines: z.array(lineSchema),
  devices: z.array(deviceSchema),
  ringPlans: z.array(ringPlanSchema),
  /** People whose plans are not told to whoever this was made for: only the office knows what becomes of a call to them. */
  withheldPlansOf: z.array(z.string()).optional(),
  /** Left out by offices of earlier versions. */
  menus: z.array(menuSchema).default([]),
  /** Left out by offices of earlier versions. */
  conferences: z.array(conferenceSchema).default([]),
  /** Callers the office knows by number, in groups; those of a starred group are starred. */
  callerGroups: z.array(
    z.object({ id: z.string(), name: z.string(), starred: z.boolean(), numbers: z.array(e164Schema) }),
  ),
  /** Left out by offices of earlier versions. */
  numbering: numberingSchema.default(ukNumbering),
  /** Names of the park slots, as they are dialled after the code that takes a parked call. */
  parkSlots: z.array(z.string()),
  policies: policiesSchema,
  rates: rateDeckSchema,
  /** Left out while nobody and nothing was. */
  retired: retiredSchema.optional(),
});
/** Everything an office's exchange is configured with. */
export type OfficeSetup = z.infer<typeof officeSetupSchema>;
