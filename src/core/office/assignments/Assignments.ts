import type { OfficeIndex } from '@/core/setup';

import { done, handle, refused, type Handlers } from '../handling';
import { isOfTeam } from '../lines';
import type { RowChange } from '../rows';
import type { Session } from '../session';
import { assignmentIdOf, type Assignment } from './entity';
import type { AssignmentRefusal, AssignmentReply, ReadAssignmentRequest } from './requests';

export type AssignmentChange = RowChange<'assignments', Assignment>;

/**
 * Who of the office's teams has taken on whom. Deterministic; time comes with what is asked. All that it changes is noted until it
 * is taken (`takeChanges`), so that a host can keep it before anybody is told.
 */
export class Assignments {
  private readonly byId = new Map<string, Assignment>();
  private rows: AssignmentChange[] = [];

  constructor(
    private readonly officeNow: () => OfficeIndex,
    /** When (epoch milliseconds) somebody last tried to reach that team; null where nothing is known of it. */
    private readonly triedAt: (teamId: string, key: string) => number | null,
  ) {}

  get office(): OfficeIndex {
    return this.officeNow();
  }

  get all(): ReadonlyMap<string, Assignment> {
    return this.byId;
  }

  /** Takes in what was kept by an earlier run; what was asked for meanwhile stays. */
  load(assignments: Iterable<Assignment>): void {
    for (const each of assignments) if (!this.byId.has(each.id)) this.byId.set(each.id, each);
  }

  /** What a session asks for; nothing has changed where it is refused. Asked twice, it is done once. */
  request(session: Session, request: ReadAssignmentRequest, at: number): AssignmentReply {
    return handle(this.handlers, { session, request, at }, { code: 'notYours', what: 'team' });
  }

  /** The rows that were changed since they were last taken, in order. */
  takeChanges(): AssignmentChange[] {
    const { rows } = this;
    this.rows = [];
    return rows;
  }

  private readonly handlers: Handlers<ReadAssignmentRequest, AssignmentRefusal> = {
    takeOn: ({ personId }, { key, teamId, since: asFarAsKnown, insteadOf }, at) => {
      if (!isOfTeam(personId, teamId, this.office)) return refused({ code: 'notYours', what: 'team' });
      const id = assignmentIdOf(teamId, key);
      const before = this.byId.get(id);
      const since = this.triedAt(teamId, key) ?? asFarAsKnown;
      const holder = before && before.at >= since ? before.byId : null;
      if (holder === personId) return done;
      if (holder !== null && holder !== insteadOf) return refused({ code: 'takenBy', byId: holder });
      this.change(id, { id, key, teamId, byId: personId, at });
      return done;
    },

    letGo: ({ personId }, { key, teamId }) => {
      if (!isOfTeam(personId, teamId, this.office)) return refused({ code: 'notYours', what: 'team' });
      const before = this.byId.get(assignmentIdOf(teamId, key));
      if (!before) return done;
      if (before.byId !== personId) return refused({ code: 'notYours', what: 'assignment' });
      this.change(before.id, null);
      return done;
    },
  };

  private change(id: string, now: Assignment | null): void {
    const before = this.byId.get(id) ?? null;
    if (now) this.byId.set(id, now);
    else this.byId.delete(id);
    this.rows.push({ table: 'assignments', id, before, now });
  }
}
