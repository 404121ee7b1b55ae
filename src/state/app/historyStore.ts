import type { CallRecord } from '@/core/calls/exchange';
import { localDayKey } from '@/core/shared/time';

import { recordKind, storageKeys, Vault } from '../storage';
import { historyCompleted, olderLoaded } from './slices';
import type { AppDispatch } from './store';

const firstBatch = 30;

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

/**
 * Reads one person's history from the given keys, newest days first, a few days at a time, so that the first rows are there at once
 * and the screen stays free.
 */
export async function loadHistory(
  vault: Vault,
  keys: readonly string[],
  personId: string,
  dispatch: AppDispatch,
): Promise<void> {
  const byDay = new Map<string, string[]>();
  for (const key of keys) {
    const day = key.split('/')[1] ?? '';
    byDay.set(day, [...(byDay.get(day) ?? []), key]);
  }
  const days = [...byDay.keys()].sort().reverse();
  let batch: CallRecord[] = [];
  let loaded = 0;
  for (const day of days) {
    const found = await vault.readMany(byDay.get(day) ?? [], recordKind);
    const records = [...found.values()].flat().filter((record) => record.personId === personId);
    batch = batch.concat(records.sort((a, b) => b.startedAt - a.startedAt));
    // Each batch is as long as all before it, since every one makes the list anew.
    if (batch.length < Math.max(loaded, firstBatch)) continue;
    dispatch(olderLoaded(batch));
    loaded += batch.length;
    batch = [];
  }
  dispatch(olderLoaded(batch));
  dispatch(historyCompleted());
}
