import type { CallRecord } from '@/core/calls/exchange';
import { localDayKey, shiftLocalDays } from '@/core/shared/time';

import { recordKind, storageKeys, type Vault } from '../storage';

const keysAtOnce = 200;

/**
 * Reads everybody's records of the local days between two instants, some at a time, so that the page stays free. `known` are keys that
 * were read before, and grow by those that are read now.
 */
export async function readRecordsBetween(
  vault: Pick<Vault, 'keys' | 'readMany'>,
  { from, until, zone }: { from: number; until: number; zone: string },
  known: Set<string>,
  take: (records: readonly CallRecord[]) => void,
): Promise<void> {
  // A call is kept under the day on which it began, as the office's zone has it; a day more on both sides forgives another zone.
  const first = localDayKey(shiftLocalDays(from, -1, zone), zone);
  const last = localDayKey(shiftLocalDays(until, 1, zone), zone);
  const keys = (await vault.keys(storageKeys.history)).filter((key) => {
    const day = key.slice(storageKeys.history.length, storageKeys.history.length + first.length);
    return !known.has(key) && day >= first && day <= last;
  });
  for (let at = 0; at < keys.length; at += keysAtOnce) {
    const some = keys.slice(at, at + keysAtOnce);
    const found = await vault.readMany(some, recordKind);
    for (const key of some) known.add(key);
    take([...found.values()].flat());
  }
}
