import isEqual from 'fast-deep-equal';

import { done, handle, refused, type Handlers } from '../handling';
import type { RowChange } from '../rows';
import type { Session } from '../session';
import { ownedIdOf, type KeptPersonal, type OwnedRow, type PersonalRow, type PersonalSorts } from './entity';
import type { PersonalRefusal, PersonalReply, ReadPersonalRequest, SeenPersonal } from './requests';

export type PersonalChange = RowChange<'personal', OwnedRow>;

/**
 * What each person keeps for themselves: only they see it, and only they change it. What sorts of it there are its host says when it
 * opens it. All that it changes is noted until it is taken (`takeChanges`), so that a host can keep it before anybody is told.
 */
export class Personal {
  private sorts: PersonalSorts = {};
  private readonly byId = new Map<string, OwnedRow>();
  private rows: PersonalChange[] = [];

  get all(): ReadonlyMap<string, OwnedRow> {
    return this.byId;
  }

  /** Whether all that is asked for is of sorts that are open. */
  hasSorts({ changes }: ReadPersonalRequest): boolean {
    return changes.every(({ sort }) => this.schemaOf(sort) !== null);
  }

  /**
   * Opens some sorts with what an earlier run has kept of them. What was nobody's becomes that person's, as a change of now, unless
   * they have it already.
   */
  open({ sorts, rows }: KeptPersonal, ownerId: string): void {
    this.sorts = { ...this.sorts, ...sorts };
    for (const { ownerId: whose, ...rest } of rows)
      if (whose !== null) {
        const owned = { ...rest, ownerId: whose };
        this.byId.set(ownedIdOf(owned), owned);
      }
    for (const { ownerId: whose, ...rest } of rows) {
      const owned = { ...rest, ownerId };
      if (whose === null && !this.byId.has(ownedIdOf(owned))) this.change(owned, true);
    }
  }

  /** What a session asks for; nothing has changed where it is refused. Asked twice, it is done once. */
  request(session: Session, request: ReadPersonalRequest, at: number): PersonalReply {
    return handle(this.handlers, { session, request, at }, { code: 'notYours', what: 'belongings' });
  }

  /** The rows that were changed since they were last taken, in order. */
  takeChanges(): PersonalChange[] {
    const { rows } = this;
    this.rows = [];
    return rows;
  }

  private readonly handlers: Handlers<ReadPersonalRequest, PersonalRefusal> = {
    keepOwn: ({ personId }, { changes }) => {
      const read: { owned: OwnedRow; isThere: boolean }[] = [];
      for (const change of changes) {
        const { sort } = change;
        const row = this.rowOf(change);
        if (row === null) return refused({ code: 'notReadable', sort, id: idOf(change) });
        read.push({ owned: { ownerId: personId, sort, row }, isThere: 'put' in change });
      }
      for (const { owned, isThere } of read) this.change(owned, isThere);
      return done;
    },
  };

  /** As it passes its schema; null where it does not. */
  private rowOf(change: SeenPersonal): PersonalRow | null {
    const schema = this.schemaOf(change.sort);
    if (!schema) return null;
    return 'put' in change ? (schema.safeParse(change.put).data ?? null) : { id: change.gone };
  }

  private schemaOf(sort: string): PersonalSorts[string] | null {
    return (Object.hasOwn(this.sorts, sort) ? this.sorts[sort] : undefined) ?? null;
  }

  private change(owned: OwnedRow, isThere: boolean): void {
    const id = ownedIdOf(owned);
    const before = this.byId.get(id) ?? null;
    const now = isThere ? owned : null;
    if (isEqual(before?.row, now?.row)) return;
    if (now) this.byId.set(id, now);
    else this.byId.delete(id);
    this.rows.push({ table: 'personal', id, before, now });
  }
}

const idOf = (change: SeenPersonal) => ('put' in change ? change.put.id : change.gone);
