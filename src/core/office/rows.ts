/** A row of a table that was written or dropped: how it was, and how it is now; null where there is none. */
export interface RowChange<Table extends string, Entity> {
  table: Table;
  id: string;
  before: Entity | null;
  now: Entity | null;
}

/** A row as one session is told of it: as it is now, or that there is none for them any more. */
export type RowSeen<Table extends string, Seen> =
  { table: Table; put: Seen } | { table: Table; gone: string };

/**
 * What somebody is told of changed rows that stand each for itself.
 *
 * @param all the rows as they are now
 * @param view the row from their side; null where they see nothing of it
 */
export function rowsSeen<Table extends string, Entity, Seen>(
  changes: readonly RowChange<Table, Entity>[],
  all: ReadonlyMap<string, Entity>,
  view: (row: Entity) => Seen | null,
): RowSeen<Table, Seen>[] {
  return changes.flatMap(({ table, id, before }): RowSeen<Table, Seen>[] => {
    const now = all.get(id);
    const put = now === undefined ? null : view(now);
    if (put !== null) return [{ table, put }];
    // Of what they never saw they are told nothing.
    return before !== null && view(before) !== null ? [{ table, gone: id }] : [];
  });
}
