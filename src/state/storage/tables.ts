import { waitingSchema, type Waiting } from '@/core/inbox/looseEnds';
import { roomSchema, type Room } from '@/core/inbox/messages';
import { voicemailSchema, type Voicemail } from '@/core/inbox/voicemail';
import {
  assignmentSchema,
  keptFaxSchema,
  keptMessageSchema,
  spokenSchema,
  type Assignment,
  type InboxChange,
  type KeptFax,
  type KeptInbox,
  type KeptMessage,
  type Spoken,
} from '@/core/office';

import { Vault, type StoredKind } from './Vault';

/**
 * The office's tables: under which keys their rows stand, in which form, and what several of them are called. Messages up to their
 * second version, and faxes in their first, were kept from the side of the one person whose office it was.
 */
export const tableKinds: {
  readonly messages: { prefix: string; kind: StoredKind<KeptMessage>; name: string };
  readonly rooms: { prefix: string; kind: StoredKind<Room>; name: string };
  readonly faxes: { prefix: string; kind: StoredKind<KeptFax>; name: string };
  readonly voicemails: { prefix: string; kind: StoredKind<Voicemail>; name: string };
  readonly spoken: { prefix: string; kind: StoredKind<Spoken>; name: string };
  readonly assignments: { prefix: string; kind: StoredKind<Assignment>; name: string };
  readonly waiting: { prefix: string; kind: StoredKind<Waiting>; name: string };
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
};

/** All rows of earlier runs. */
export async function readTables(vault: Vault): Promise<KeptInbox> {
  const read = async <Row>({ prefix, kind }: { prefix: string; kind: StoredKind<Row> }) =>
    [...(await vault.readMany(await vault.keys(prefix), kind)).values()].flat();
  const [messages, rooms, faxes, voicemails, spoken, assignments, waiting] = await Promise.all([
    read(tableKinds.messages),
    read(tableKinds.rooms),
    read(tableKinds.faxes),
    read(tableKinds.voicemails),
    read(tableKinds.spoken),
    read(tableKinds.assignments),
    read(tableKinds.waiting),
  ]);
  return { messages, rooms, faxes, voicemails, spoken, assignments, waiting };
}

/** What of the tables is to be written, and under which keys nothing is any more; what is somebody's own stands elsewhere. */
export function rowEntries(rows: readonly InboxChange[]): {
  put: Record<string, string>;
  goneKeys: string[];
} {
  // A row that changed several times is written as it is at last.
  const last = new Map(
    rows.flatMap((row) =>
      row.table === 'personal' ? [] : [[`${tableKinds[row.table].prefix}${row.id}`, row] as const],
    ),
  );
  const put: Record<string, string> = {};
  const goneKeys: string[] = [];
  for (const [key, row] of last) {
    if (row.now === null) goneKeys.push(key);
    else put[key] = Vault.encode([row.now], tableKinds[row.table].kind as StoredKind<typeof row.now>);
  }
  return { put, goneKeys };
}
