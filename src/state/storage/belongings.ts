import { z } from 'zod';

import type { InboxChange, KeptPersonal, OwnedRow, PersonalRow } from '@/core/office';

import { Vault, type StoredKind } from './Vault';

/** A row with whose it is; null in earlier versions, when an office had one person. */
export interface Owned<Row> {
  ownerId: string | null;
  row: Row;
}

/** How rows of a sort that each keeps for themselves stand in storage, and what several of them are called. */
export interface BelongingKind<Row extends PersonalRow> {
  prefix: string;
  /** Under which an earlier version kept all of them. */
  oldKey?: string;
  schema: z.ZodType<Row>;
  kind: StoredKind<Owned<Row>>;
  name: string;
}
type Kinds = Readonly<Record<string, BelongingKind<PersonalRow>>>;

/** Texts to be written, by their keys, and the keys under which nothing is to be any more. */
export interface Entries {
  put: Record<string, string>;
  goneKeys: string[];
}

/** Rows of a sort as they were kept, and how they are. */
export interface ReadBelongings {
  kept: KeptPersonal;
  /** What is to be written in the same go in which the rows are taken over: documents of earlier versions, without them. */
  emptied: Record<string, string>;
  entriesOf: (rows: readonly InboxChange[]) => Entries;
}

/** The forms of a sort, by how each earlier version, which knew no owners, becomes the next. */
export function owned<Row extends PersonalRow>(
  schema: z.ZodType<Row>,
  ...earlier: ((data: unknown) => unknown)[]
): Pick<BelongingKind<Row>, 'schema' | 'kind'> {
  const steps = [...earlier, (row: unknown) => ({ ownerId: null, row })];
  return {
    schema,
    kind: {
      version: steps.length + 1,
      schema: z.object({ ownerId: z.string().nullable(), row: schema }),
      migrations: Object.fromEntries(steps.map((step, index) => [index + 1, step])),
    },
  };
}

/** All rows of these sorts, as they were kept. */
export async function readBelongings(vault: Vault, given: Kinds): Promise<ReadBelongings> {
  const rows: KeptPersonal['rows'][number][] = [];
  const emptied: Record<string, string> = {};
  const read = async ([sort, { prefix, oldKey, kind }]: [string, Kinds[string]]) => {
    const keys = [...(await vault.keys(prefix)), ...(oldKey === undefined ? [] : [oldKey])];
    for (const [key, found] of await vault.readMany(keys, kind)) {
      for (const { ownerId, row } of found) rows.push({ sort, ownerId, row });
      if (found.some(({ ownerId }) => ownerId === null)) emptied[key] = Vault.encode([], kind);
    }
  };
  await Promise.all(Object.entries(given).map(read));
  const sorts = Object.fromEntries(Object.entries(given).map(([sort, { schema }]) => [sort, schema]));
  return { kept: { sorts, rows }, emptied, entriesOf: (changed) => entriesOf(changed, given) };
}

function entriesOf(rows: readonly InboxChange[], kinds: Kinds): Entries {
  // A row that changed several times is written as it is at last.
  const last = new Map<string, string | null>();
  for (const change of rows) {
    if (change.table !== 'personal') continue;
    const { now, before } = change;
    const kind = kinds[(now ?? before)?.sort ?? ''];
    if (kind && now) last.set(...entryOf(now, now.ownerId, kind));
    else if (kind && before) last.set(keyOf(before.row.id, before.ownerId, kind), null);
  }
  const put: Record<string, string> = {};
  const goneKeys: string[] = [];
  for (const [key, text] of last)
    if (text === null) goneKeys.push(key);
    else put[key] = text;
  return { put, goneKeys };
}

const keyOf = (id: string, ownerId: string, { prefix }: Kinds[string]) => `${prefix}${ownerId}/${id}`;
const entryOf = ({ row }: Pick<OwnedRow, 'row'>, ownerId: string, kind: Kinds[string]): [string, string] => [
  keyOf(row.id, ownerId, kind),
  Vault.encode([{ ownerId, row }], kind.kind),
];

/** Rows of somebody as they stand in storage. */
export const entriesOfRows = <Row extends PersonalRow>(
  rows: readonly Row[],
  ownerId: string,
  kind: BelongingKind<Row>,
): Record<string, string> =>
  Object.fromEntries(rows.map((row) => entryOf({ row }, ownerId, kind as Kinds[string])));

/** A document of an earlier version as it stands under today's keys; null where it is of today, or of none of these sorts. */
export async function movedEntries(
  key: string,
  text: string,
  { ownerId, kinds }: { ownerId: string; kinds: Kinds },
): Promise<Record<string, string> | null> {
  const kind = Object.values(kinds).find(({ prefix, oldKey }) => key === oldKey || key.startsWith(prefix));
  if (!kind) return null;
  const found = await Vault.parse(text, kind.kind);
  if (found.length === 0 || found.every((each) => each.ownerId !== null)) return null;
  return Object.fromEntries(found.map((each) => entryOf(each, ownerId, kind)));
}
