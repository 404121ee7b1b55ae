import {
  cannotFax,
  faxAfter,
  faxAgain,
  isOver,
  isUnderway,
  nextFaxes,
  nextFaxAt,
  writtenFax,
  type FaxEvent,
} from '@/core/inbox/fax';
import type { OfficeIndex } from '@/core/setup';

import { done, handle, refused, type Handlers } from '../handling';
import { usesLine } from '../lines';
import type { RowChange } from '../rows';
import { hasRole, type Session } from '../session';
import { faxFromOnePerson, type KeptFax, type OfficeFax } from './entity';
import type { FaxingRefusal, FaxingReply, ReadFaxingRequest } from './requests';
import { viewOfFax } from './view';

export type FaxChange = RowChange<'faxes', OfficeFax>;

const notYours = (what: Extract<FaxingRefusal, { code: 'notYours' }>['what']) =>
  refused({ code: 'notYours', what } as const);

/**
 * The office's faxes: each is there once, for all whom it concerns. Deterministic; time comes with what is asked. All that it
 * changes is noted until it is taken (`takeChanges`), so that a host can keep it before anybody is told. Pages are kept apart.
 */
export class Faxing {
  private readonly faxesById = new Map<string, OfficeFax>();
  /** Those that still go out: what the carrier is asked about costs what waits, however much else there is. */
  private readonly outgoing = new Map<string, OfficeFax>();
  private stops: string[] = [];
  private rows: FaxChange[] = [];

  constructor(private readonly officeNow: () => OfficeIndex) {}

  get office(): OfficeIndex {
    return this.officeNow();
  }

  get all(): ReadonlyMap<string, OfficeFax> {
    return this.faxesById;
  }

  /** Takes in what was kept by an earlier run; those of a version in which an office was one person's are `ownerId`'s. */
  load(faxes: Iterable<KeptFax>, ownerId: string): void {
    for (const kept of faxes) {
      const isOld = 'ofOnePerson' in kept;
      const fax = isOld ? faxFromOnePerson(kept.ofOnePerson, ownerId) : kept;
      if (this.faxesById.has(fax.id)) continue;
      if (isOld) this.put(fax);
      else this.place(fax);
    }
  }

  /** What a session asks for; nothing has changed where it is refused. Asked twice under one id, it is done once. */
  request(session: Session, request: ReadFaxingRequest, at: number): FaxingReply {
    return handle(this.handlers, { session, request, at }, { code: 'notYours', what: 'fax' });
  }

  /** The faxes the carrier is to be given now: of each line that sends none the oldest whose time has come. */
  nextToSend(now: number): OfficeFax[] {
    return nextFaxes(this.outgoing.values(), now);
  }

  /** When (epoch milliseconds) one that waits for its time may go; null where none does. */
  nextSendAt(now: number): number | null {
    return nextFaxAt(this.outgoing.values(), now);
  }

  /** Those on their way. */
  underway(): OfficeFax[] {
    return [...this.outgoing.values()].filter(isUnderway);
  }

  /** Those whose line is to be let go of, each once. */
  takeStops(): string[] {
    const { stops } = this;
    this.stops = [];
    return stops;
  }

  /** What the carrier told of one that goes out. */
  told(event: FaxEvent): void {
    const fax = this.faxesById.get(event.id);
    const now = fax && faxAfter(fax, event);
    if (!now || now === fax) return;
    this.put(now);
  }

  /** One that came in. */
  arrived(fax: OfficeFax): void {
    if (this.faxesById.has(fax.id)) return;
    this.put(fax);
  }

  /** The rows that were changed since they were last taken, in order. */
  takeChanges(): FaxChange[] {
    const { rows } = this;
    this.rows = [];
    return rows;
  }

  private readonly handlers: Handlers<ReadFaxingRequest, FaxingRefusal> = {
    sendFax: ({ personId }, { type: _, ...given }, at) => {
      const before = this.faxesById.get(given.id);
      if (before) return before.fromId === personId ? done : refused({ code: 'idTaken' });
      if (!usesLine(personId, given.lineId, this.office)) return notYours('line');
      const problem = cannotFax(given.number);
      if (problem !== null) return refused({ code: 'cannotFax', problem });
      this.put(faxFromOnePerson(writtenFax({ ...given, at }), personId));
      return done;
    },

    sendFaxAgain: ({ personId }, { id }) =>
      this.ofTheirs(id, personId, (fax) => {
        if (fax.state === 'failed' || fax.state === 'stopped' || fax.state === 'waiting')
          this.put(faxAgain(fax));
        return done;
      }),

    stopFax: ({ personId }, { id }) =>
      this.ofTheirs(id, personId, (fax) => {
        if (!isUnderway(fax)) return refused({ code: 'notUnderway' });
        if (!this.stops.includes(id)) this.stops.push(id);
        return done;
      }),

    takeBackFax: ({ personId }, { id }) =>
      this.ofTheirs(id, personId, (fax) => {
        if (isUnderway(fax) || fax.state === 'done') return refused({ code: 'underway' });
        this.drop(id);
        return done;
      }),

    markFaxesRead: ({ personId }, { ids }, at) => {
      for (const id of ids) {
        const fax = this.faxesById.get(id);
        if (!fax || personId in fax.readBy || !viewOfFax(fax, personId, this.office)) continue;
        this.put({ ...fax, readBy: { ...fax.readBy, [personId]: at } });
      }
      return done;
    },

    forgetFaxes: (session, { ids }) => {
      if (!hasRole(session, 'administrator')) return notYours('office');
      for (const id of ids) this.drop(id);
      return done;
    },

    bringFaxes: (session, { faxes }) => {
      if (!hasRole(session, 'administrator')) return notYours('office');
      for (const fax of faxes)
        if (!this.faxesById.has(fax.id)) this.put(faxFromOnePerson(fax, session.personId));
      return done;
    },
  };

  /** What somebody may send again, stop or take back: what they send. */
  private ofTheirs(id: string, personId: string, act: (fax: OfficeFax) => FaxingReply): FaxingReply {
    const fax = this.faxesById.get(id);
    if (!fax || !viewOfFax(fax, personId, this.office)) return refused({ code: 'unknownFax' });
    return fax.fromId === personId ? act(fax) : notYours('fax');
  }

  private put(fax: OfficeFax): void {
    const before = this.faxesById.get(fax.id) ?? null;
    this.place(fax);
    this.rows.push({ table: 'faxes', id: fax.id, before, now: fax });
  }

  private place(fax: OfficeFax): void {
    this.faxesById.set(fax.id, fax);
    if (isOver(fax)) this.outgoing.delete(fax.id);
    else this.outgoing.set(fax.id, fax);
  }

  private drop(id: string): void {
    const before = this.faxesById.get(id);
    if (!before) return;
    this.faxesById.delete(id);
    this.outgoing.delete(id);
    this.rows.push({ table: 'faxes', id, before, now: null });
  }
}
