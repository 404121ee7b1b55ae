import type { CallRecord } from '@/core/calls/exchange';
import {
  afterRecord,
  answeredForTeam,
  answeredInRoom,
  doneByHand,
  handleOf,
  meaningOf,
  nothingOf,
  putOffUntil,
  reopened,
  waitingIdOf,
  withBrought,
  withReach,
  withTry,
  type Waiting,
} from '@/core/inbox/looseEnds';
import type { OfficeIndex } from '@/core/setup';

import { done, handle, type Handlers } from '../handling';
import type { FaxChange } from '../faxing';
import { isOfTeam } from '../lines';
import type { MessagingChange, MessagingSeen } from '../messaging';
import type { RowChange } from '../rows';
import type { Session } from '../session';
import { meaningsOfFax, meaningsOfMessage, type Meaning } from './meaning';
import type { ReadWaitingRequest, WaitingRefusal, WaitingReply } from './requests';

export type WaitingChange = RowChange<'waiting', Waiting>;

/**
 * Who waits for whom of the office: made of calls, texts, messages and faxes in the moment in which they happen, so that nobody has to
 * be told of them first. Deterministic; time comes with what is asked. All that it changes is noted until it is taken (`takeChanges`),
 * so that a host can keep it before anybody is told.
 */
export class WhoWaits {
  private readonly byId = new Map<string, Waiting>();
  /** Which rows are one person's, and which are of one handle: a change costs what it concerns, however much else there is. */
  private readonly ofPerson = new Map<string, Set<string>>();
  private readonly ofHandle = new Map<string, Set<string>>();
  private rows: WaitingChange[] = [];
  /** Calls that were over before what was kept had been taken in, oldest first; null: it has been. */
  private early: CallRecord[] | null = [];

  constructor(private readonly officeNow: () => OfficeIndex) {}

  get all(): ReadonlyMap<string, Waiting> {
    return this.byId;
  }

  /** Calls that have not been counted yet, since what was kept is not there: to be kept with the office's state until it is. */
  get uncounted(): CallRecord[] {
    return this.early ?? [];
  }

  /** All that is one person's. */
  of(personId: string): Waiting[] {
    return this.withIds(this.ofPerson.get(personId));
  }

  /** When (epoch milliseconds) somebody last tried to reach a team, and has not been answered; null where they have not, or have. */
  lastTriedAt(teamId: string, heldBy: string): number | null {
    const tries = this.withIds(this.ofHandle.get(heldBy)).flatMap((row) => row.tries);
    const ats = tries.filter((tried) => tried.teamId === teamId).map(({ at }) => at);
    return ats.length === 0 ? null : Math.max(...ats);
  }

  /** Takes in what was kept by an earlier run; then what has happened meanwhile is counted. */
  load(rows: Iterable<Waiting>): void {
    for (const row of rows) this.place(row);
    const early = this.uncounted;
    this.early = null;
    for (const record of early) this.recordWritten(record);
  }

  /** A call is over for one of those who were in it, or were called. */
  recordWritten(record: CallRecord): void {
    if (this.early !== null) return void this.early.push(record);
    const office = this.officeNow();
    const { personId, other, callId } = record;
    const heldBy = handleOf(other, callId);
    this.change(personId, heldBy, (row) => afterRecord(row, record, office));
    const { reach } = meaningOf(record, office);
    if (reach?.byId !== null) return;
    // Whoever waited for a team of theirs waits for none of it any more.
    const byColleague = { ...reach, byId: personId };
    for (const row of this.withIds(this.ofHandle.get(heldBy)))
      if (row.personId !== personId)
        this.change(row.personId, heldBy, () =>
          answeredForTeam(row, byColleague, (teamId) => isOfTeam(personId, teamId, office)),
        );
  }

  /** Texts, messages and faxes that came, or got there. */
  follow(
    { messages, faxes }: { messages: readonly MessagingChange[]; faxes: readonly FaxChange[] },
    seen: MessagingSeen,
  ): void {
    for (const change of messages) {
      if (change.table !== 'messages') continue;
      for (const meaning of meaningsOfMessage(change, seen)) this.take(meaning);
    }
    for (const change of faxes) for (const meaning of meaningsOfFax(change, seen.office)) this.take(meaning);
  }

  /** What a session asks for; nothing has changed where it is refused. Asked twice, it is done once. */
  request(session: Session, request: ReadWaitingRequest, at: number): WaitingReply {
    return handle(this.handlers, { session, request, at }, { code: 'notYours', what: 'belongings' });
  }

  /** The rows that were changed since they were last taken, in order. */
  takeChanges(): WaitingChange[] {
    const { rows } = this;
    this.rows = [];
    return rows;
  }

  private readonly handlers: Handlers<ReadWaitingRequest, WaitingRefusal> = {
    closeWaiting: ({ personId }, { handles, followUpIds }, at) => {
      for (const each of handles)
        this.change(personId, each, (row) =>
          row.tries.length === 0 && followUpIds.length === 0 ? row : doneByHand(row, at, followUpIds),
        );
      return done;
    },

    putWaitingOff: ({ personId }, { handles, until }, at) => {
      for (const each of handles) this.change(personId, each, (row) => putOffUntil(row, until, at));
      return done;
    },

    reopenWaiting: ({ personId }, { handles }) => {
      const rows = handles.flatMap((each) => this.byId.get(waitingIdOf(personId, each)) ?? []);
      const last = Math.max(...rows.map(({ closed }) => closed?.at ?? -Infinity));
      for (const { handle: each, closed } of rows)
        if (closed?.at === last) this.change(personId, each, reopened);
      return done;
    },

    bringWaiting: ({ personId }, { rows, doneBefore }) => {
      for (const brought of rows) this.change(personId, brought.handle, (row) => withBrought(row, brought));
      if (doneBefore === null) return done;
      for (const { handle: each } of this.of(personId))
        this.change(personId, each, (row) => {
          const tries = row.tries.filter(({ openedAt }) => openedAt > doneBefore);
          return tries.length === row.tries.length ? row : { ...row, tries, furtherTries: 0 };
        });
      return done;
    },
  };

  private take(meaning: Meaning): void {
    switch (meaning.kind) {
      case 'tried': {
        const { forIds, other, tried } = meaning;
        for (const personId of forIds)
          this.change(personId, handleOf(other, tried.id), (row) => withTry(row, tried, other));
        return;
      }
      case 'reached': {
        const { forIds, other, id, at, byId } = meaning;
        for (const personId of forIds) {
          const by = personId === byId ? null : byId;
          const reach = { at, began: at, how: 'text', talkMs: 0, byId: by } as const;
          this.change(personId, handleOf(other, id), (row) => withReach(row, reach));
        }
        return;
      }
      case 'wroteInRoom':
        for (const { handle: each } of this.of(meaning.byId))
          this.change(meaning.byId, each, (row) => answeredInRoom(row, meaning.roomId, meaning.at));
    }
  }

  private change(personId: string, heldBy: string, changed: (row: Waiting) => Waiting): void {
    const id = waitingIdOf(personId, heldBy);
    const before = this.byId.get(id);
    const row = before ?? nothingOf(personId, heldBy);
    const now = changed(row);
    if (now === row) return;
    this.place(now);
    this.rows.push({ table: 'waiting', id, before: before ?? null, now });
  }

  private place(row: Waiting): void {
    this.byId.set(row.id, row);
    idsIn(this.ofPerson, row.personId).add(row.id);
    idsIn(this.ofHandle, row.handle).add(row.id);
  }

  private withIds(ids: Iterable<string> = []): Waiting[] {
    return [...ids].flatMap((id) => this.byId.get(id) ?? []);
  }
}

function idsIn(index: Map<string, Set<string>>, key: string): Set<string> {
  const ids = index.get(key) ?? new Set();
  index.set(key, ids);
  return ids;
}
