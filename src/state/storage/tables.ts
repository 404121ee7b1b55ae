import { waitingSchema } from '@/core/inbox/looseEnds';
import { roomSchema } from '@/core/inbox/messages';
import { voicemailSchema } from '@/core/inbox/voicemail';
import { setupEntrySchema } from '@/core/setup/edits';
import {
  assignmentSchema,
  keptFaxSchema,
  keptMessageSchema,
  revisionSchema,
  revisionsKept,
  spokenSchema,
  type KeptInbox,
  type Revision,
} from '@/core/office';

import type { OfficeStep } from '@/office/hosted';

import type { Entries } from './belongings';
import { Vault, type StoredKind } from './Vault';

interface StoredTable<Row> {
  prefix: string;
  kind: StoredKind<Row>;
}
type Tables = Omit<Required<KeptInbox>, 'revisions'>;

/**
 * The office's tables: under which keys their rows stand, in which form, and what several of them are called. Messages up to their
 * second version, and faxes in their first, were kept from the side of the one person whose office it was.
 */
export const tableKinds: {
  readonly [Table in keyof Tables]: StoredTable<Tables[Table][number]> & { name: string };
} = {
  messages: {
    prefix: 'message/',
    kind: {
      version: 3,
      schema: keptMessageSchema,
      migrations: {
        1: (data) => ({ fromId: null, asks: null, ...(data as object) }),
        2: (data) => ({ ofOnePerson: data }),
      },
    },
    name: 'texts',
  },
  rooms: { prefix: 'room/', kind: { version: 1, schema: roomSchema }, name: 'rooms' },
  faxes: {
    prefix: 'fax/',
    kind: { version: 2, schema: keptFaxSchema, migrations: { 1: (data) => ({ ofOnePerson: data }) } },
    name: 'faxes',
  },
  voicemails: {
    prefix: 'voicemail/',
    kind: {
      version: 2,
      schema: voicemailSchema,
      migrations: { 1: (data) => ({ ...(data as object), said: [] }) },
    },
    name: 'voicemails',
  },
  spoken: { prefix: 'spoken/', kind: { version: 1, schema: spokenSchema }, name: 'voicemails being left' },
  assignments: {
    prefix: 'assignment/',
    kind: { version: 1, schema: assignmentSchema },
    name: 'who is taken on by whom',
  },
  waiting: { prefix: 'waiting/', kind: { version: 1, schema: waitingSchema }, name: 'who waits' },
  setupLog: {
    prefix: 'officeChange/',
    kind: { version: 1, schema: setupEntrySchema },
    name: 'changes of the office',
  },
};

/** Which rows were changed when, each in the place of one long before. */
const revisionPrefix = 'changed/';
const revisionKind: StoredKind<Revision> = { version: 1, schema: revisionSchema };
/** Under which they stand: rows that come from elsewhere take their place. */
export const revisionKeys = (vault: Vault): Promise<string[]> => vault.keys(revisionPrefix);

/** All rows of earlier runs. */
export async function readTables(vault: Vault): Promise<KeptInbox> {
  const read = async <Row>({ prefix, kind }: StoredTable<Row>) =>
    [...(await vault.readMany(await vault.keys(prefix), kind)).values()].flat();
  const all = { ...tableKinds, revisions: { prefix: revisionPrefix, kind: revisionKind } };
  const tables = Object.entries(all).map(async ([table, each]) => [
    table,
    await read(each as StoredTable<unknown>),
  ]);
  return Object.fromEntries(await Promise.all(tables)) as unknown as KeptInbox;
}

/** What of the tables is to be written, and under which keys nothing is any more; what is somebody's own stands elsewhere. */
export function rowEntries({ rows, revision }: Pick<OfficeStep, 'rows' | 'revision'>): Entries {
  // A row that changed several times is written as it is at last.
  const last = new Map(
    rows.flatMap((row) =>
      row.table === 'personal' ? [] : [[`${tableKinds[row.table].prefix}${row.id}`, row] as const],
    ),
  );
  const put: Record<string, string> = {};
  const goneKeys: string[] = [];
  if (revision)
    put[`${revisionPrefix}${revision.number % revisionsKept}`] = Vault.encode([revision], revisionKind);
  for (const [key, row] of last) {
    if (row.now === null) goneKeys.push(key);
    else put[key] = Vault.encode([row.now], tableKinds[row.table].kind as StoredKind<typeof row.now>);
  }
  return { put, goneKeys };
}
