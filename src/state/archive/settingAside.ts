import { asidePrefix, Vault, type StoredKind } from '../storage';
import { kindOf } from './archiving';

/** What could not be read once, as it stands: lines set aside from one key of storage. */
export interface Aside {
  /** The key it was set aside from. */
  key: string;
  /** What it is of, as the app calls several of these. */
  name: string;
  lines: string[];
}

/** All that has been set aside on this device, by key. */
export async function readAside(vault: Vault): Promise<Aside[]> {
  const texts = await vault.texts(await vault.keys(asidePrefix));
  return [...texts].map(([asideKey, text]) => {
    const key = asideKey.slice(asidePrefix.length);
    return { key, name: kindOf(key)?.name ?? 'news that could not be taken in', lines: text.split('\n') };
  });
}

/** As a file to look into: under each key its lines, unchanged. */
export const asideText = (asides: readonly Aside[]): string =>
  asides.map(({ key, lines }) => [`# ${key}`, ...lines, ''].join('\n')).join('\n');

/**
 * Reads again what was set aside, as this version can: what it can read stands where it was from then on, unless something of the
 * same name stands there by now. Gives how many entries are back, and how many stay aside. The app has to begin anew to see them.
 */
export async function giveBack(
  vault: Vault,
  asides: readonly Aside[],
): Promise<{ back: number; left: number }> {
  let [back, left] = [0, 0];
  for (const { key, lines } of asides) {
    const kind = kindOf(key)?.kind as StoredKind<unknown> | undefined;
    const here = (kind && (await vault.read(key, kind))) ?? [];
    const taken: unknown[] = [];
    const rest: string[] = [];
    for (const line of lines) {
      const item = kind && (await itemOf(line, kind));
      if (item !== undefined && !isThere(item, [...here, ...taken])) taken.push(item);
      else rest.push(line);
    }
    back += taken.length;
    left += rest.length;
    if (!kind || taken.length === 0) continue;
    // First it stands in its place, then it is aside no more: killed in between, it is there twice, not never.
    await vault.write({ [key]: Vault.encode([...here, ...taken], kind) });
    await vault.flush();
    const asideKey = `${asidePrefix}${key}`;
    if (rest.length > 0) await vault.write({ [asideKey]: rest.join('\n') });
    else await vault.remove([asideKey]);
  }
  await vault.flush();
  return { back, left };
}

/** The entry of a line, of this version or of one before it; undefined where there is none. */
async function itemOf<T>(line: string, kind: StoredKind<T>): Promise<T | undefined> {
  for (let version = kind.version; version > 0; version--) {
    const [item] = await Vault.parse(`{"v":${version}}\n${line}`, kind);
    if (item !== undefined) return item;
  }
  return undefined;
}

/** Of entries with an id, the one with the same; of those that stand alone, any. */
const isThere = (item: unknown, here: readonly unknown[]) => {
  const id = idOf(item);
  return id === undefined ? here.length > 0 : here.some((other) => idOf(other) === id);
};
const idOf = (item: unknown): unknown => {
  if (typeof item !== 'object' || item === null) return undefined;
  if ('id' in item) return item.id;
  // With whose it is.
  return 'row' in item ? idOf(item.row) : undefined;
};
