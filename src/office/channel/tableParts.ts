import { nameOfRow, type SeenChange, type SeenTables } from '@/core/office';

import { noRows } from './protocol';

/** So many rows come at once, so that no frame waits for them. */
const most = 400;

/** All rows in parts of a bounded size; of no rows one part without any. */
export function partsOf(tables: SeenTables, size = most): SeenTables[] {
  const parts: SeenTables[] = [];
  let room = 0;
  const table = <Name extends keyof SeenTables>(name: Name) => {
    const rows: SeenTables[Name][number][] = tables[name];
    for (let from = 0; from < rows.length;) {
      if (room === 0) {
        parts.push(noRows());
        room = size;
      }
      const some = rows.slice(from, from + room);
      Object.assign(parts.at(-1) ?? {}, { [name]: some });
      from += some.length;
      room -= some.length;
    }
  };
  (Object.keys(tables) as (keyof SeenTables)[]).forEach(table);
  return parts.length > 0 ? parts : [noRows()];
}

/** Changes in parts of the same size; of none one part without any. */
export function changesInParts(changes: readonly SeenChange[], size = most): SeenChange[][] {
  const parts: SeenChange[][] = [];
  for (let from = 0; from < changes.length; from += size) parts.push(changes.slice(from, from + size));
  return parts.length > 0 ? parts : [[]];
}

/** Of changes of the same row the last. */
export const lastOfEach = (changes: readonly SeenChange[]): SeenChange[] => [
  ...new Map(changes.map((change) => [nameOfRow(change), change])).values(),
];

/** Parts put together, and what has changed since they were read put in its place. */
export function joined(parts: readonly SeenTables[], changes: readonly SeenChange[]): SeenTables {
  const all = noRows();
  for (const name of Object.keys(all) as (keyof SeenTables)[]) {
    const rows = new Map<string, unknown>();
    const keyOf = (row: { id: string }, sort = '') => `${sort} ${row.id}`;
    for (const part of parts)
      for (const each of part[name]) rows.set('row' in each ? keyOf(each.row, each.sort) : keyOf(each), each);
    for (const change of changes) {
      if (change.table !== name) continue;
      const sort = change.table === 'personal' ? change.sort : '';
      if ('gone' in change) rows.delete(keyOf({ id: change.gone }, sort));
      else rows.set(keyOf(change.put, sort), sort === '' ? change.put : { sort, row: change.put });
    }
    Object.assign(all, { [name]: [...rows.values()] });
  }
  return all;
}

/** Rows with what has changed since in its place; the same where nothing has. */
export const rowsWith = (rows: SeenTables, changes: readonly SeenChange[]): SeenTables =>
  changes.length === 0 ? rows : joined([rows], changes);
