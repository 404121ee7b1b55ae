import { z } from 'zod';

import { recordSchema } from '@/core/exchange';
import { clockSettingSchema } from '@/office/clock';
import { officeStateSchema, type OfficeState } from '@/office/link';

import type { StoredKind } from './Vault';

export const settingsSchema = z.object({
  theme: z.enum(['device', 'light', 'dark']),
  presentedLineId: z.string().nullable(),
  withhold: z.boolean(),
});
export type Settings = z.infer<typeof settingsSchema>;

/** The clock as it was set, and the `?now=` that set it, so that a reload does not turn it back. */
export const storedClockSchema = z.object({
  setting: clockSettingSchema,
  fromAddress: z.string().nullable(),
});
export type StoredClock = z.infer<typeof storedClockSchema>;

export const recordKind: StoredKind<z.infer<typeof recordSchema>> = { version: 1, schema: recordSchema };
export const officeKind: StoredKind<OfficeState> = { version: 1, schema: officeStateSchema };
export const settingsKind: StoredKind<Settings> = { version: 1, schema: settingsSchema };
export const clockKind: StoredKind<StoredClock> = { version: 1, schema: storedClockSchema };

/** Where each is kept. Records stand under their day, newest days last. */
export const storageKeys = {
  office: 'office',
  settings: 'settings',
  clock: 'clock',
  history: 'history/',
} as const;
