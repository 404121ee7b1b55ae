import type { CallRecord } from '@/core/calls/exchange';

import { recordKind, storageKeys, type Vault } from '../storage';
import { historyCompleted, olderLoaded, recordsAdded } from './slices';
import type { AppStore } from './store';

const firstBatch = 30;
/** The end of keys under which a day of the time before the first start stands. */
const ofMany = '/sample';

/**
 * Reads one person's history from the given keys, newest days first, a few days at a time, so that the first rows are there at once
 * and the screen stays free. Records that are here already, told by the office meanwhile, are left out.
 */
export async function loadHistory(
  vault: Vault,
  keys: readonly string[],
  personId: string,
  { dispatch, getState }: Pick<AppStore, 'dispatch' | 'getState'>,
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
    dispatch(olderLoaded(withoutThose(batch, getState().history.records)));
    loaded += batch.length;
    batch = [];
  }
  dispatch(olderLoaded(withoutThose(batch, getState().history.records)));
  dispatch(historyCompleted());
}

/** Records, newest first, without those that are at the end of a list, newest first, already. */
function withoutThose(records: readonly CallRecord[], list: readonly CallRecord[]): readonly CallRecord[] {
  const newest = records[0]?.startedAt ?? -Infinity;
  const here = new Set<string>();
  for (let at = list.length - 1; at >= 0; at--) {
    const record = list[at];
    if (!record || record.startedAt > newest) break;
    here.add(record.id);
  }
  return here.size === 0 ? records : records.filter(({ id }) => !here.has(id));
}

/** Records that were written while this app heard nothing: those that are not here. */
export async function loadMissed(
  vault: Vault,
  personId: string,
  { dispatch, getState }: Pick<AppStore, 'dispatch' | 'getState'>,
): Promise<void> {
  const here = new Set(getState().history.records.map(({ id }) => id));
  const isMissed = (key: string) => !here.has(key.slice(key.lastIndexOf('/') + 1)) && !key.endsWith(ofMany);
  const keys = (await vault.keys(storageKeys.history)).filter(isMissed);
  const found = await vault.readMany(keys, recordKind);
  const missed = [...found.values()].flat().filter((record) => record.personId === personId);
  if (missed.length > 0) dispatch(recordsAdded(missed.sort((a, b) => b.startedAt - a.startedAt)));
}
