import type { OfficeIndex } from '@/core/setup';

import { hasRole, type Session } from '../session';
import type { Assignment } from './entity';
import type { AssignmentRefusal, AssignmentReply, ReadAssignmentRequest } from './requests';

/** A row that was written or dropped: how it was, and how it is now; null where there is none. */
export interface AssignmentChange {
  table: 'assignments';
  id: string;
  before: Assignment | null;
  now: Assignment | null;
}

const done: AssignmentReply = { ok: true };
const refused = (reason: AssignmentRefusal): AssignmentReply => ({ ok: false, reason });

/**
 * Who of the office's teams has taken on whom. Deterministic; time comes with what is asked. All that it changes is noted until it
 * is taken (`takeChanges`), so that a host can keep it before anybody is told.
 */
export class Assignments {
  private readonly byKey = new Map<string, Assignment>();
  private rows: AssignmentChange[] = [];

  constructor(private readonly officeNow: () => OfficeIndex) {}

  get office(): OfficeIndex {
    return this.officeNow();
  }

  get all(): ReadonlyMap<string, Assignment> {
    return this.byKey;
  }

  /** Takes in what was kept by an earlier run; what was asked for meanwhile stays. */
  load(assignments: Iterable<Assignment>): void {
    for (const each of assignments) if (!this.byKey.has(each.id)) this.byKey.set(each.id, each);
  }

  /** What a session asks for; nothing has changed where it is refused. Asked twice, it is done once. */
  request(session: Session, request: ReadAssignmentRequest, at: number): AssignmentReply {
    const { personId } = session;
    if (personId === null || !hasRole(session, 'member')) return refused({ code: 'notYours', what: 'team' });
    const before = this.byKey.get(request.key) ?? null;
    if (request.type === 'letGo') {
      if (!before) return done;
      if (before.byId !== personId) return refused({ code: 'notYours', what: 'assignment' });
      this.change(before.id, null);
      return done;
    }
    const { key, teamId, since, insteadOf } = request;
    if (!isOfTeam(personId, teamId, this.office)) return refused({ code: 'notYours', what: 'team' });
    const holder = before && before.at >= since ? before.byId : null;
    if (holder === personId) return done;
    if (holder !== null && holder !== insteadOf) return refused({ code: 'takenBy', byId: holder });
    this.change(key, { id: key, teamId, byId: personId, at });
    return done;
  }

  /** The rows that were changed since they were last taken, in order. */
  takeChanges(): AssignmentChange[] {
    const { rows } = this;
    this.rows = [];
    return rows;
  }

  private change(id: string, now: Assignment | null): void {
    const before = this.byKey.get(id) ?? null;
    if (now) this.byKey.set(id, now);
    else this.byKey.delete(id);
    this.rows.push({ table: 'assignments', id, before, now });
  }
}

export const isOfTeam = (personId: string, teamId: string, office: OfficeIndex): boolean =>
  office.teams.get(teamId)?.memberIds.includes(personId) ?? false;
