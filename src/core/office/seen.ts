import { z } from 'zod';

import { faxSchema } from '@/core/inbox/fax';
import { messageSchema, roomSchema } from '@/core/inbox/messages';
import { waitingSchema } from '@/core/inbox/looseEnds';
import { voicemailSchema } from '@/core/inbox/voicemail';
import { setupEntrySchema } from '@/core/setup/edits';

import { allAssignmentsSeen, assignmentSchema, assignmentsSeen, seenAssignmentSchema } from './assignments';
import { seenSetupLogSchema, setupLogSeen, wholeSetupLogSeen } from './configuration';
import { allFaxesSeen, faxingSeen, seenFaxingSchema } from './faxing';
import type { Inbox, InboxChange } from './Inbox';
import { allVoicemailsSeen, mailboxesSeen, seenMailboxSchema } from './mailboxes';
import { allMessagingSeen, messagingSeen, seenMessagingSchema } from './messaging';
import {
  allPersonalSeen,
  partsOfOwnedId,
  personalChangeSchema,
  personalRowSchema,
  personalSeen,
} from './personal';
import type { ChangedRow } from './Revisions';
import { allWaitingSeen, seenWaitingSchema, waitingSeen } from './waiting';

/** A row as one session is told of it: as it is now, or that there is none for them any more. */
export const seenChangeSchema = z.union([
  ...seenMessagingSchema.options,
  ...seenFaxingSchema.options,
  ...seenMailboxSchema.options,
  ...seenAssignmentSchema.options,
  ...seenWaitingSchema.options,
  ...personalChangeSchema.options,
  ...seenSetupLogSchema.options,
]);
export type SeenChange = z.infer<typeof seenChangeSchema>;

/**
 * What somebody is told of changes, with everything as it is now. A room that they may read from now on comes with all that was
 * written in it, and takes it along when they may not any more.
 */
export function seenChanges(
  changes: readonly InboxChange[],
  personId: string | null,
  inbox: Inbox,
): SeenChange[] {
  if (personId === null || changes.length === 0) return [];
  const messaging = changes.filter((change) => change.table === 'messages' || change.table === 'rooms');
  const faxes = changes.filter((change) => change.table === 'faxes');
  const mailboxes = changes.filter((change) => change.table === 'voicemails' || change.table === 'spoken');
  const assignments = changes.filter((change) => change.table === 'assignments');
  const waiting = changes.filter((change) => change.table === 'waiting');
  const personal = changes.filter((change) => change.table === 'personal');
  const setupLog = changes.filter((change) => change.table === 'setupLog');
  return [
    ...messagingSeen(messaging, personId, inbox.messaging),
    ...faxingSeen(faxes, personId, inbox.faxing),
    ...mailboxesSeen(mailboxes, personId, inbox.mailboxes),
    ...assignmentsSeen(assignments, personId, inbox.assignments),
    ...waitingSeen(waiting, personId, inbox.whoWaits),
    ...personalSeen(personal, personId),
    ...setupLogSeen(setupLog, personId, inbox.configuration),
  ];
}

/** Who could see any of these changes; null: that has to be asked for each person. */
export function readersOf(changes: readonly InboxChange[]): Set<string> | null {
  const readers = new Set<string>();
  for (const { table, id } of changes) {
    if (table !== 'personal') return null;
    readers.add(partsOfOwnedId(id).ownerId);
  }
  return readers;
}

/**
 * What somebody is told of rows that were changed while they were away, as they are now. Where it is not known who saw a row before, all
 * who can't see it now are told that it is gone.
 */
export function seenSince(rows: readonly ChangedRow[], personId: string | null, inbox: Inbox): SeenChange[] {
  if (personId === null) return [];
  const changes = rows.map(
    ({ table, id, before = null }) =>
      ({ table, id, before, now: inbox.personal.all.get(id) ?? null }) as InboxChange,
  );
  const seen = seenChanges(changes, personId, inbox);
  const there = new Set(seen.map(nameOfRow));
  const gone = rows
    .flatMap((row) => goneFor(personId, row))
    .filter((change) => !there.has(nameOfRow(change)));
  return [...gone, ...seen];
}

/** That a row is there no more, for whom it could have been; none of those of others, and of what nobody is told of. */
function goneFor(personId: string, { table, id, before }: ChangedRow): SeenChange[] {
  if (table === 'spoken' || before !== undefined) return [];
  if (table !== 'personal') return [{ table, gone: id } as SeenChange];
  const { sort, ownerId, rowId } = partsOfOwnedId(id);
  return ownerId === personId ? [{ table, sort, gone: rowId }] : [];
}

/** Of changes with one name the last is how it is. */
export const nameOfRow = (change: SeenChange): string =>
  JSON.stringify([
    change.table,
    'sort' in change ? change.sort : '',
    'put' in change ? change.put.id : change.gone,
  ]);

/** Everything, row by row, as one session sees it. */
export const seenTablesSchema = z.object({
  messages: z.array(messageSchema),
  rooms: z.array(roomSchema),
  faxes: z.array(faxSchema),
  voicemails: z.array(voicemailSchema),
  assignments: z.array(assignmentSchema),
  waiting: z.array(waitingSchema),
  /** What was changed of the office, for whoever runs it. */
  setupLog: z.array(setupEntrySchema),
  /** What the session's person keeps for themselves, with its sort. */
  personal: z.array(z.object({ sort: z.string(), row: personalRowSchema })),
});
export type SeenTables = z.infer<typeof seenTablesSchema>;

const noneSeen: SeenTables = {
  ...{ messages: [], rooms: [], faxes: [], voicemails: [] },
  ...{ assignments: [], waiting: [], setupLog: [], personal: [] },
};

/** All that somebody sees now. */
export function allSeen(personId: string | null, inbox: Inbox): SeenTables {
  if (personId === null) return { ...noneSeen };
  return {
    ...allMessagingSeen(personId, inbox.messaging),
    faxes: allFaxesSeen(personId, inbox.faxing),
    voicemails: allVoicemailsSeen(personId, inbox.mailboxes),
    assignments: allAssignmentsSeen(personId, inbox.assignments),
    waiting: allWaitingSeen(personId, inbox.whoWaits),
    setupLog: wholeSetupLogSeen(personId, inbox.configuration),
    personal: allPersonalSeen(personId, inbox.personal),
  };
}
