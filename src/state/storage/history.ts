import type { CallRecord } from '@/core/calls/exchange';
import { localDayKey } from '@/core/shared/time';

import { recordKind, storageKeys } from './kinds';
import { Vault } from './Vault';

/** Key of a new record: its day, so that days load newest first, and its own id. */
export function recordEntry(record: CallRecord, zone: string): Record<string, string> {
  const key = `${storageKeys.history}${localDayKey(record.startedAt, zone)}/${record.id}`;
  return { [key]: Vault.encode([record], recordKind) };
}

/** So long many records are written down at a stretch, so that no frame waits for it, in milliseconds. */
const longestStretchMs = 8;

/** Many records at once, a key for each day. Waits for `rest` now and then. */
export async function recordEntriesByDay(
  records: readonly CallRecord[],
  zone: string,
  rest: () => Promise<void>,
): Promise<Record<string, string>> {
  const days = new Map<string, CallRecord[]>();
  for (const record of records) {
    const key = `${storageKeys.history}${localDayKey(record.startedAt, zone)}/sample`;
    const day = days.get(key);
    if (day) day.push(record);
    else days.set(key, [record]);
  }
  const entries: Record<string, string> = {};
  let began = performance.now();
  for (const [key, day] of days) {
    entries[key] = Vault.encode(day, recordKind);
    if (performance.now() - began < longestStretchMs) continue;
    await rest();
    began = performance.now();
  }
  return entries;
}
