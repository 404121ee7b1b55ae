import isEqual from 'fast-deep-equal';

import {
  readRow,
  rowOf,
  withRow,
  type Edit,
  type SetupEntry,
  type SetupRow,
  type SetupTable,
} from '../edits';
import type { OfficeSetup } from '../setup';

/** Why nothing was changed. */
export type SetupRefusal =
  | { code: 'rowNotReadable'; table: SetupTable; id: string; field: string; words: string }
  /** It is otherwise than whoever asks has seen it, in those fields; of one that was retired, or is to be, all are the same. */
  | { code: 'changedMeanwhile'; table: SetupTable; id: string; fields: string[] }
  /** It is as it is asked for already. */
  | { code: 'nothingToChange' }
  | { code: 'unknownEntry' };

export type SetupOutcome =
  { ok: true; setup: OfficeSetup; entry: SetupEntry } | { ok: false; reason: SetupRefusal };

interface Asked {
  /** The id of the entry that it becomes. */
  id: string;
  byId: string;
  /** Epoch milliseconds. */
  at: number;
  undoes?: string;
}

/**
 * What an office is configured with after a change, all of it or nothing. What somebody else has changed of the same rows meanwhile, and
 * this does not touch, stays as they have it.
 */
export function changeSetup(
  setup: OfficeSetup,
  edits: readonly Edit[],
  { id: entryId, byId, at, undoes }: Asked,
): SetupOutcome {
  let changed = setup;
  const rows: SetupEntry['rows'] = [];
  for (const edit of edits) {
    const { table, id } = edit;
    const before = rowOf(changed, table, id);
    const merged = mergedRow(before, edit);
    if (!merged.ok)
      return { ok: false, reason: { code: 'changedMeanwhile', table, id, fields: merged.fields } };
    const read = merged.row && readRow(table, id, merged.row);
    if (read && !read.ok)
      return {
        ok: false,
        reason: { code: 'rowNotReadable', table, id, field: read.field, words: read.words },
      };
    const after = read ? read.row : null;
    if (isEqual(before, after)) continue;
    changed = withRow(changed, { table, id, after });
    rows.push({ table, id, before, after });
  }
  if (rows.length === 0) return { ok: false, reason: { code: 'nothingToChange' } };
  return { ok: true, setup: changed, entry: { id: entryId, at, byId, undoes: undoes ?? null, rows } };
}

/** Takes one entry back; what was changed of its rows since stays, unless it is the very same. */
export function undoEntry(setup: OfficeSetup, entry: SetupEntry, asked: Omit<Asked, 'undoes'>): SetupOutcome {
  const edits = entry.rows.map((row) => ({ ...row, before: row.after, after: row.before })).reverse();
  return changeSetup(setup, edits, { ...asked, undoes: entry.id });
}

/** Everything that these entries changed as it was before them. @param since in their order */
export function backBefore(setup: OfficeSetup, since: readonly SetupEntry[], asked: Asked): SetupOutcome {
  const back = new Map<string, Edit>();
  for (const { rows } of since)
    for (const { table, id, before, after } of rows) {
      const key = `${table} ${id}`;
      const known = back.get(key);
      back.set(key, { table, id, before: after, after: known ? known.after : before });
    }
  return changeSetup(setup, [...back.values()].reverse(), asked);
}

type Merged = { ok: true; row: SetupRow | null } | { ok: false; fields: string[] };

/** The row as it was asked for, with what others have changed of it meanwhile. */
function mergedRow(theirs: SetupRow | null, edit: Edit): Merged {
  const [before, after] = [withoutBlanks(edit.before), withoutBlanks(edit.after)];
  if (isEqual(theirs, before) || isEqual(theirs, after)) return { ok: true, row: after };
  if (isEqual(before, after)) return { ok: true, row: theirs };
  if (theirs === null || before === null || after === null) return { ok: false, fields: [] };
  const merged: Record<string, unknown> = {};
  const fields: string[] = [];
  for (const field of new Set([...Object.keys(after), ...Object.keys(theirs), ...Object.keys(before)])) {
    const isMine = !isEqual(after[field], before[field]);
    const isTheirs = !isEqual(theirs[field], before[field]);
    if (isMine && isTheirs && !isEqual(after[field], theirs[field])) fields.push(field);
    const value = isMine ? after[field] : theirs[field];
    if (value !== undefined) merged[field] = value;
  }
  return fields.length > 0 ? { ok: false, fields } : { ok: true, row: merged };
}

/** A field that is there and undefined is not there. */
const withoutBlanks = (row: SetupRow | null): SetupRow | null =>
  row && Object.fromEntries(Object.entries(row).filter(([, value]) => value !== undefined));
