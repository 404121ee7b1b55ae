import { z } from 'zod';

import { numberWritings } from '@/core/numbers/numbering';
import { clockStyles } from '@/core/shared/time';
import { recordingSchema, recordSchema } from '@/core/calls/exchange';
import { workSchema, type Work } from '@/core/inbox/followUps';
import { planStepSchema, type PlanDraft, type PlanStep } from '@/core/plans/draft';
import { addressSchema, officeSetupSchema, ringPlanSchema, type OfficeSetup } from '@/core/setup';
import { backgrounds } from '@/core/calls/backgrounds';
import { shownRuleSchema, shownSchema } from '@/core/calls/callerId';
import { connectionTestSchema, ways, type ConnectionTest } from '@/core/calls/quality';
import { heardEntrySchema, noiseStrengths, rings } from '@/core/shared/sound';
import { clockSettingSchema } from '@/office/clock';
import { officeStateSchema, type OfficeState } from '@/office/link';

import { owned, type BelongingKind } from './belongings';
import {
  officeFromVersion1,
  recordFromVersion1,
  settingsFromVersion1,
  settingsFromVersion2,
  settingsFromVersion3,
  settingsFromVersion4,
  settingsFromVersion5,
  workFromVersion1,
} from './migrations';
import type { StoredKind } from './Vault';

/** What each person has chosen for themselves, whatever device they are at: a row for each topic. */
export const habitSchema = z.discriminatedUnion('id', [
  z.object({
    id: z.literal('caller'),
    presentedLineId: z.string().nullable(),
    withhold: z.boolean(),
    /** Asked before a call goes outside, where nothing else decides. */
    asks: z.boolean().default(false),
    /** Which number somebody sees, by their key in the directory. */
    shownFor: z.record(z.string(), shownSchema),
    /** Which number is shown where a call goes. */
    shownRules: z.array(shownRuleSchema),
  }),
  /** Whom they reach often, by their keys in the directory, in their order. */
  z.object({ id: z.literal('favourites'), keys: z.array(z.string()) }),
  /** What has been used once, and so needs no explaining any more. */
  z.object({ id: z.literal('met'), acts: z.array(z.string()) }),
  /** How they dial, and want numbers written. */
  z.object({ id: z.literal('dialling'), enterCalls: z.boolean(), writing: z.enum(numberWritings) }),
  /** How they read times of day. */
  z.object({ id: z.literal('clock'), style: z.enum(clockStyles) }),
  /** How their calls behave: whether a second one may ring, is taken by itself when the first ends, and rings in a meeting; whether one that begins comes to the front. */
  z.object({
    id: z.literal('calls'),
    waiting: z.boolean(),
    takesWaiting: z.boolean(),
    quietInMeetings: z.boolean(),
    comes: z.boolean().default(true),
  }),
  /** Where they work, to be chosen again, the last one first. */
  z.object({ id: z.literal('places'), places: z.array(addressSchema) }),
  /** Ready replies they have written. */
  z.object({ id: z.literal('replies'), texts: z.array(z.string()) }),
  z.object({
    id: z.literal('keepDays'),
    /** How many days recordings, voicemails that were heard, and texts and faxes that are done, are kept; null: for good. */
    voicemails: z.number().nullable(),
    texts: z.number().nullable(),
    faxes: z.number().nullable(),
    recordings: z.number().nullable(),
  }),
]);
export type Habit = z.infer<typeof habitSchema>;

const ring = z.enum(rings);
const ringTonesSchema = z.object({
  urgent: ring,
  starred: ring,
  team: ring,
  colleague: ring,
  customer: ring,
});
/** What a device rings with as long as nobody chose otherwise. */
export const usualRings: z.infer<typeof ringTonesSchema> = {
  urgent: 'flood',
  starred: 'curlew',
  team: 'slate',
  colleague: 'beck',
  customer: 'gauge',
};

/** A sound device by the id that the browser knows it by, and by its name, where that id is another one next time. */
const soundDeviceSchema = z.object({ id: z.string(), name: z.string() });

/** What the system may tell of. */
export const alertKinds = ['calls', 'texts', 'voicemails', 'faxes', 'colleagues'] as const;
export type AlertKind = (typeof alertKinds)[number];
const alertsSchema = z.record(z.enum(alertKinds), z.boolean());
export const allAlerts: z.infer<typeof alertsSchema> = {
  ...{ calls: true, texts: true, voicemails: true, faxes: true, colleagues: true },
};

/** What is chosen for this device. */
export const settingsSchema = z.object({
  theme: z.enum(['device', 'light', 'dark']),
  /** How calls travel, where the worker has chosen; null: as Cendro recommends. */
  way: z.enum(ways).nullable(),
  /** Sound devices; null: the browser's own choice, and what rings: where all else is heard. */
  microphone: soundDeviceSchema.nullable(),
  speaker: soundDeviceSchema.nullable(),
  ringer: soundDeviceSchema.nullable(),
  noise: z.enum(noiseStrengths),
  /** What was put behind them when they last showed themselves. */
  background: z.enum(backgrounds).default('none'),
  /** The network is another one since its place was said; it may have been carried elsewhere. */
  isPlaceDoubted: z.boolean().default(false),
  /** That has been asked before a call since. */
  isPlaceAsked: z.boolean().default(false),
  /** Under which address the office’s server saw this device last; null: none has. */
  seenFrom: z.string().nullable().default(null),
  /** How the microphone was when it was last tried. */
  soundTest: z.object({ at: z.number(), name: z.string(), /** dB. */ overNoise: z.number() }).nullable(),
  /** Whether the system may tell of calls while the app is not in front. */
  tellsElsewhere: z.boolean(),
  /** Of what it tells then. */
  alerts: alertsSchema.default(allAlerts),
  /** After so many minutes in which nobody touches it the device shows nothing until the PIN is typed; null: it is never locked. */
  lockAfter: z.number().int().positive().nullable().default(null),
  /** The passkey of this device that unlocks it besides the PIN, and whose it is. */
  passkey: z.object({ id: z.string(), personId: z.string() }).nullable().default(null),
  /** Until then nobody is reminded of what is not set up; null: they may be. */
  remindedFrom: z.number().nullable().default(null),
  /** Under which thumb the acts lie. */
  hand: z.enum(['right', 'left']).default('right'),
  /** What a call rings with, by what it is. */
  ringTones: ringTonesSchema.default(usualRings),
  /** In hundredths. */
  ringVolume: z.number().int().min(0).max(100).default(100),
  vibrates: z.boolean().default(true),
  /** How large text is drawn, in hundredths of what the browser is set to. */
  textSize: z.number().int().min(100).max(200).default(100),
  /** What earlier versions kept here as well, until it is the worker's own. */
  formerHabits: z.array(habitSchema).default([]),
});
export type Settings = z.infer<typeof settingsSchema>;

/** The clock as it was set, and the `?now=` that set it, so that a reload does not turn it back. */
export const storedClockSchema = z.object({
  setting: clockSettingSchema,
  fromAddress: z.string().nullable(),
});
export type StoredClock = z.infer<typeof storedClockSchema>;

/** A ring plan as it was being changed, up to the version that kept it on the device. */
const formerDraftSchema = z.object({
  draft: ringPlanSchema.nullable(),
  past: z.array(ringPlanSchema),
  future: z.array(ringPlanSchema),
});

/** A recording that is not mixed yet: its stretches, and what was heard since it began, in order. */
export const heardSchema = z.object({
  callId: z.string(),
  recording: recordingSchema,
  heard: z.array(heardEntrySchema),
});
export type HeardLog = z.infer<typeof heardSchema>;

/** A finished recording's sound, or that of a greeting (which is of no call). */
export const soundSchema = z.object({
  callId: z.string().nullable(),
  durationMs: z.number(),
  /** WAV, PCM 16 bit, as base64. */
  wav: z.string(),
});
export type StoredSound = z.infer<typeof soundSchema>;

export const recordKind: StoredKind<z.infer<typeof recordSchema>> = {
  version: 2,
  schema: recordSchema,
  migrations: { 1: recordFromVersion1 },
};
/**
 * Up to its second version it held how the office is configured as well, and up to its third calls and answers (`OfficeParts`); it still may.
 */
export const officeKind: StoredKind<OfficeState> = {
  version: 4,
  schema: officeStateSchema,
  migrations: { 1: officeFromVersion1, 2: (state) => state, 3: (state) => state },
};
/** How the office is configured: much larger than what changes with each call, and written only when it changes. */
export const setupKind: StoredKind<OfficeSetup> = { version: 1, schema: officeSetupSchema };
export const settingsKind: StoredKind<Settings> = {
  version: 6,
  schema: settingsSchema,
  migrations: {
    1: settingsFromVersion1,
    2: settingsFromVersion2,
    3: settingsFromVersion3,
    4: settingsFromVersion4,
    5: settingsFromVersion5,
  },
};
/** What the network did to calls, by place, newest first. */
export const connectionTestsKind: StoredKind<ConnectionTest> = { version: 1, schema: connectionTestSchema };
export const clockKind: StoredKind<StoredClock> = { version: 1, schema: storedClockSchema };
/** What each keeps for themselves and is wanted from the start. */
export const workKinds: {
  readonly work: BelongingKind<Work>;
  readonly habits: BelongingKind<Habit>;
  readonly planSteps: BelongingKind<PlanStep>;
} = {
  work: {
    prefix: 'work/',
    oldKey: 'work',
    ...owned(workSchema, workFromVersion1),
    name: 'notes and follow-ups',
  },
  habits: { prefix: 'habit/', ...owned(habitSchema), name: 'own choices' },
  planSteps: { prefix: 'planStep/', ...owned(planStepSchema), name: 'steps of the changed ring plan' },
};
export const formerDraftKind: StoredKind<PlanDraft> = { version: 1, schema: formerDraftSchema };
export const heardKind: StoredKind<HeardLog> = { version: 1, schema: heardSchema };
export const soundKind: StoredKind<StoredSound> = { version: 1, schema: soundSchema };

/** Where each is kept. Records stand under their day, newest days last. */
export const storageKeys = {
  office: 'office',
  setup: 'setup',
  settings: 'settings',
  clock: 'clock',
  connectionTests: 'connectionTests',
  history: 'history/',
  /** Of earlier versions alone. */
  formerDraft: 'planDraft',
  /** A recording that is not mixed yet, by its id. */
  heard: 'heard/',
  sound: 'sound/',
} as const;
