import { z } from 'zod';

import { deniedSchema } from '@/core/office';
import { clockSettingSchema } from '@/office/clock';
import { deviceProofSchema } from '@/office/socket';

/** What of the office's host every tab shows, beside what its link tells. */
export const hostStateSchema = z.object({
  clock: clockSettingSchema,
  /** Epoch milliseconds: no tab shows an instant before that. */
  at: z.number(),
  storage: z.enum(['ok', 'full', 'failed']),
  /** How many stored entries could not be read since it started. */
  setAside: z.number().int(),
  /** Whether the calls of the time before the first start have been laid down. */
  isHistoryThere: z.boolean(),
});
export type HostState = z.infer<typeof hostStateSchema>;

/** Raised whenever what goes over links is changed so that a tab of the version before could not read it. */
export const linkVersion = 10;
const version = z.number().int();

/** Why an office can't go on, or can't be opened. */
export const faultSchema = z.object({ isNoOfficeHere: z.boolean(), words: z.string() });
export type Fault = z.infer<typeof faultSchema>;

const hostId = z.string();
const app = z.string();

const token = z.string().min(16);
const proof = { pin: z.string(), token, name: z.string() };
/** As whom a tab comes to the office, and what it shows for that. */
export const whoSchema = z.discriminatedUnion('by', [
  /** Where nobody has a PIN: whoever its one app belongs to (null), and in the sample anybody. */
  z.object({ by: z.literal('chair'), personId: z.string().nullable() }),
  /** Its device is signed in. `token`: made by the device, which alone keeps it. */
  z.object({ by: z.literal('token'), token }),
  z.object({ by: z.literal('pin'), account: z.string(), ...proof }),
  z.object({ by: z.literal('code'), code: z.string(), ...proof }),
]);
export type Who = z.infer<typeof whoSchema>;

/** What a tab says to the office's host. */
export const toOfficeSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('join'),
    app,
    as: z.enum(['worker', 'outside']),
    who: whoSchema,
    isOnline: z.boolean(),
    /** The time that the tab's address asks for. */
    time: z.string().nullable(),
    /** That it is the device it says it is, where an office on a server wants to know. Whoever hears it has looked at it. */
    proof: deviceProofSchema.nullable().optional(),
  }),
  z.object({ kind: z.literal('leave'), app }),
  z.object({ kind: z.literal('clock'), setting: clockSettingSchema }),
  z.object({ kind: z.literal('online'), isOnline: z.boolean() }),
  z.object({ kind: z.literal('historyLaid') }),
  /** Everything is to be written; with `end`, and nothing more from then on. */
  z.object({ kind: z.literal('finish'), id: z.string(), end: z.boolean() }),
  z.object({ kind: z.literal('giveUp'), fault: faultSchema }),
]);
export type ToOffice = z.infer<typeof toOfficeSchema>;

/** What the office's host says to all tabs. */
export const toTabsSchema = z.discriminatedUnion('kind', [
  /** It is there, and is being opened. */
  z.object({ kind: z.literal('opening'), hostId }),
  /** It can be joined now. */
  z.object({ kind: z.literal('open'), hostId, version }),
  z.object({
    kind: z.literal('joined'),
    ...{ hostId, version, app, state: hostStateSchema },
    /** Who has joined, at which device; null for Outside. */
    me: z.object({ personId: z.string(), deviceId: z.string() }).nullable(),
  }),
  /** It is not let in, or no longer. */
  z.object({
    kind: z.literal('denied'),
    ...{ hostId, version, app, why: deniedSchema },
    /** What the office is called. */
    name: z.string(),
    zone: z.string(),
  }),
  z.object({ kind: z.literal('state'), hostId, state: hostStateSchema }),
  z.object({ kind: z.literal('finished'), id: z.string() }),
  z.object({ kind: z.literal('fault'), hostId, fault: faultSchema }),
]);
export type ToTabs = z.infer<typeof toTabsSchema>;

/** Where tabs and the host of the office that is kept under that name hear each other. */
export const hallOf = (storage: string) => `${storage}/office`;
/** Where one app's link goes to one host. */
export const channelOf = (storage: string, host: string, app: string) => `${storage}/office/${host}/${app}`;

/** What the page that owns the worker says to it first of all. */
export const beginSchema = z.object({
  office: z.enum(['sample', 'own']),
  isOnline: z.boolean(),
  time: z.string().nullable(),
});
export type Begin = z.infer<typeof beginSchema>;
