import {
  asKept,
  changesBetween,
  type AppStore,
  type CatchUpSlice,
  type Kept,
  type OwnSort,
} from '@/state/app';

import { Vault } from '../storage';
import { catchUpKeys, keptKinds, reckoningKind, seenKind } from '../kept';

const sorts = Object.keys(keptKinds) as OwnSort[];
const keyOf = (sort: OwnSort, id: string) => `${keptKinds[sort].prefix}${id}`;

/** All that the app kept one by one. */
export async function readKeptThings(vault: Vault): Promise<ReturnType<typeof asKept>> {
  const read = async <Sort extends OwnSort>(sort: Sort) => {
    const { prefix, kind } = keptKinds[sort];
    const found = await vault.readMany<Kept[Sort]>(await vault.keys(prefix), kind);
    return asKept(sort, [...found.values()].flat());
  };
  return (await Promise.all(sorts.map(read))).flat();
}

/** Writes each thing that changed, the reckoning, which holds only those who wait, and how far was looked. Gives what ends it. */
export function keepCatchUp(store: AppStore, vault: Vault): () => void {
  let last = store.getState().catchUp;
  return store.subscribe(() => {
    const now = store.getState().catchUp;
    if (now === last) return;
    const before = last;
    last = now;
    const entries = { ...reckoningEntry(now, before), ...seenEntry(now, before) };
    const gone: string[] = [];
    for (const sort of sorts) changesOf(sort, now, before, entries, gone);
    if (Object.keys(entries).length > 0) void vault.write(entries);
    if (gone.length > 0) void vault.remove(gone);
  });
}

function changesOf<Sort extends OwnSort>(
  sort: Sort,
  now: CatchUpSlice,
  before: CatchUpSlice,
  entries: Record<string, string>,
  gone: string[],
): void {
  const things: Record<string, Kept[Sort]> = now.kept[sort];
  const old: Record<string, Kept[Sort]> = before.kept[sort];
  if (things === old) return;
  const { put, goneIds } = changesBetween(old, things);
  for (const thing of put) entries[keyOf(sort, thing.id)] = Vault.encode([thing], keptKinds[sort].kind);
  gone.push(...goneIds.map((id) => keyOf(sort, id)));
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
