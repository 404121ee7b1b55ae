import { z } from 'zod';

import { waitingSchema } from '@/core/inbox/looseEnds';
import { roomSchema } from '@/core/inbox/messages';

import { assignmentSchema } from './assignments';
import type { InboxChange } from './Inbox';

/** Up to which change of the office's rows somebody has been told of all: so many, by one log of them. */
export const markSchema = z.object({ log: z.string(), number: z.number().int().min(0) });
export type Mark = z.infer<typeof markSchema>;

const changedRowSchema = z.object({
  table: z.string(),
  id: z.string(),
  /**
   * As it was, of tables where that says who saw it: a room and what was written in it, and rows whose very id says of whom they are.
   * Left out of the others, whose ids say nothing.
   */
  before: z.union([roomSchema, assignmentSchema, waitingSchema]).nullable().optional(),
});
const withBefore: ReadonlySet<string> = new Set(['rooms', 'assignments', 'waiting']);
const isWithBefore = (
  change: InboxChange,
): change is Extract<InboxChange, { table: 'rooms' | 'assignments' | 'waiting' }> =>
  withBefore.has(change.table);

/** A row that was changed. */
export type ChangedRow = z.infer<typeof changedRowSchema>;

/** Rows that were changed together, as the mark after it says. */
export const revisionSchema = z.object({ ...markSchema.shape, rows: z.array(changedRowSchema) });
export type Revision = z.infer<typeof revisionSchema>;

/** So many revisions are kept; who was told of none of them has to read everything. */
export const revisionsKept = 2_000;

/**
 * Which rows were changed when, so that an app that was away is told of what it has missed and of nothing else. A log has a name of its
 * own: a mark of another log (of an office that was begun anew, or brought in from an archive) says nothing in this one.
 */
export class Revisions {
  /** Without a gap, the newest last. */
  private kept: Revision[] = [];
  private last: Mark;

  /**
   * @param newLog the name of a new log, which nobody has had before
   * @param begun where an earlier run left off
   */
  constructor(
    private readonly newLog: string,
    private readonly begun: Mark = { log: newLog, number: 0 },
  ) {
    this.last = begun;
  }

  get now(): Mark {
    return this.last;
  }

  /**
   * What an earlier run has kept, in any order: it is known as far as it is without a gap. Where the last of it is missing, rows have come
   * from elsewhere, and the log begins anew.
   */
  open(earlier: readonly Revision[]): void {
    const { log, number } = this.begun;
    const byNumber = new Map(earlier.filter((each) => each.log === log).map((each) => [each.number, each]));
    if (number > 0 && !byNumber.has(number)) {
      this.last = { log: this.newLog, number: 0 };
      this.kept = [];
      return;
    }
    const before: Revision[] = [];
    for (let next = byNumber.get(number); next; next = byNumber.get(next.number - 1)) before.push(next);
    this.kept = [...before.reverse(), ...this.kept];
  }

  /** Who sees which rows is otherwise from now on: all marks that were given say nothing any more. */
  renew(log: string): void {
    this.last = { log, number: 0 };
    this.kept = [];
  }

  /** Notes rows that were changed together; gives what is to be kept with them, null where there were none. */
  note(changes: readonly InboxChange[]): Revision | null {
    if (changes.length === 0) return null;
    const rows = changes.map((change): ChangedRow => ({
      ...{ table: change.table, id: change.id },
      ...(isWithBefore(change) && { before: change.before }),
    }));
    const revision = { log: this.last.log, number: this.last.number + 1, rows };
    this.last = { log: revision.log, number: revision.number };
    this.kept.push(revision);
    if (this.kept.length > revisionsKept) this.kept.shift();
    return revision;
  }

  /** Rows that were changed since, each once, as it was then where that is noted; null where it is not known any more. */
  since({ log, number }: Mark): ChangedRow[] | null {
    const missing = this.last.number - number;
    if (log !== this.last.log || missing < 0 || missing > this.kept.length) return null;
    const rows = new Map<string, ChangedRow>();
    for (const revision of this.kept.slice(this.kept.length - missing))
      for (const row of revision.rows) {
        const key = `${row.table} ${row.id}`;
        if (!rows.has(key)) rows.set(key, row);
      }
    return [...rows.values()];
  }
}
