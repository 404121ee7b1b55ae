import type { AppStore, CatchUpSlice } from '@/state/app';

import { catchUpKeys, reckoningKind, seenKind } from '../kept';
import { Vault } from '../storage';

/** Writes the reckoning, which holds only those who wait, and how far was looked. Gives what ends it. */
export function keepCatchUp(store: AppStore, vault: Vault): () => void {
  let last = store.getState().catchUp;
  return store.subscribe(() => {
    const now = store.getState().catchUp;
    if (now === last) return;
    const before = last;
    last = now;
    const entries = { ...reckoningEntry(now, before), ...seenEntry(now, before) };
    if (Object.keys(entries).length > 0) void vault.write(entries);
  });
}

function reckoningEntry(now: CatchUpSlice, before: CatchUpSlice): Record<string, string> {
  const { reckoning, weights } = now;
  if (!reckoning || (reckoning === before.reckoning && weights === before.weights)) return {};
  return { [catchUpKeys.reckoning]: Vault.encode([{ ...reckoning, weights }], reckoningKind) };
}

const seenEntry = ({ seenBefore }: CatchUpSlice, before: CatchUpSlice): Record<string, string> =>
  seenBefore === null || seenBefore === before.seenBefore
    ? {}
    : { [catchUpKeys.seen]: Vault.encode([{ before: seenBefore }], seenKind) };
