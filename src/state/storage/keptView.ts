import { z } from 'zod';

import { seenTablesSchema } from '@/core/office';
import { officeUpdateSchema } from '@/office/link';

import { keptPrefix } from './officeFiles';
import { Vault, type StoredKind } from './Vault';

/** An office that a server hosts, as this device saw it last: for when it is not reached. */
const keptViewSchema = z.object({
  me: z.object({ personId: z.string(), deviceId: z.string() }),
  snapshot: officeUpdateSchema,
  tables: seenTablesSchema,
});
export type KeptView = z.infer<typeof keptViewSchema>;

const key = 'keptView';
const kind: StoredKind<KeptView> = { version: 1, schema: keptViewSchema };

/** null: nothing is kept, or what is can't be read, which costs nothing but that the app does not open without the office. */
export async function readKeptView(vault: Vault): Promise<KeptView | null> {
  const [view = null] = (await vault.read(key, kind).catch(() => null)) ?? [];
  return view;
}

export const keepView = (vault: Vault, view: KeptView): Promise<void> =>
  vault.write({ [key]: Vault.encode([view], kind) });

/** Whoever was let in is not any more: nothing of it stays, nor of the files that were read here. */
export async function forgetKeptView(vault: Vault): Promise<void> {
  await vault.remove([key, ...(await vault.keys(keptPrefix))]);
}
