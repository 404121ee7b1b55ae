import { accessRowSchema, type AccessChange, type AccessRow } from '@/core/office';

import type { Entries } from './belongings';
import { Vault, type StoredKind } from './Vault';

const prefix = 'access/';
const kind: StoredKind<AccessRow> = { version: 1, schema: accessRowSchema };
const keyOf = ({ kind: what, id }: Pick<AccessChange, 'kind' | 'id'>) => `${prefix}${what}/${id}`;

/** Who is let into the office, as it was kept. */
export const readAccess = async (vault: Vault): Promise<AccessRow[]> =>
  [...(await vault.readMany(await vault.keys(prefix), kind)).values()].flat();

/** What of it is to be written, and under which keys nothing is any more. */
export function accessEntries(changes: readonly AccessChange[]): Entries {
  // A row that changed several times is written as it is at last.
  const last = new Map(changes.map((change) => [keyOf(change), change.now]));
  const put: Record<string, string> = {};
  const goneKeys: string[] = [];
  for (const [key, now] of last) {
    if (now === null) goneKeys.push(key);
    else put[key] = Vault.encode([now], kind);
  }
  return { put, goneKeys };
}
