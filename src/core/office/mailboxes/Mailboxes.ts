import type { Call, CallRecord } from '@/core/calls/exchange';
import { voicemailIdOf, type Voicemail } from '@/core/inbox/voicemail';
import type { OfficeIndex } from '@/core/setup';

import { done, handle, refused, type Handlers } from '../handling';
import type { RowChange } from '../rows';
import { hasRole, type Session } from '../session';
import { saidIn, voicemailOf, type Spoken } from './entity';
import type { MailboxRefusal, MailboxReply, ReadMailboxRequest } from './requests';
import { hearsMailbox, viewOfVoicemail } from './view';

export type VoicemailChange = RowChange<'voicemails', Voicemail>;
export type MailboxChange = VoicemailChange | RowChange<'spoken', Spoken>;

const notYours = (what: Extract<MailboxRefusal, { code: 'notYours' }>['what']) =>
  refused({ code: 'notYours', what } as const);

/**
 * The office's mailboxes, people's and teams': each voicemail is there once, with what was said. Deterministic; time comes with what
 * is asked. All that it changes is noted until it is taken (`takeChanges`), so that a host can keep it before anybody is told.
 */
export class Mailboxes {
  private readonly voicemailsById = new Map<string, Voicemail>();
  private readonly spokenIn = new Map<string, Spoken>();
  private rows: MailboxChange[] = [];

  constructor(private readonly officeNow: () => OfficeIndex) {}

  get office(): OfficeIndex {
    return this.officeNow();
  }

  get all(): ReadonlyMap<string, Voicemail> {
    return this.voicemailsById;
  }

  /**
   * Takes in what was kept by an earlier run; calls may have gone on, and ended, meanwhile. What was said in those that are over
   * belongs to the voicemails they left. `records`: of calls whose message an earlier version had not taken in.
   */
  load(
    voicemails: Iterable<Voicemail>,
    spoken: Iterable<Spoken>,
    { isLive, records }: { isLive: (callId: string) => boolean; records: Iterable<CallRecord> },
  ): void {
    const whole = new Set<string>();
    for (const voicemail of voicemails) {
      if (voicemail.said.length > 0) whole.add(voicemail.id);
      if (!this.voicemailsById.has(voicemail.id)) this.voicemailsById.set(voicemail.id, voicemail);
    }
    const logs = [...spoken];
    for (const { callId, heard } of logs) {
      const since = this.spokenIn.get(callId);
      const merged = { callId, heard: [...heard, ...(since?.heard ?? [])] };
      if (since) this.putSpoken(merged);
      else this.spokenIn.set(callId, merged);
    }
    for (const record of records) {
      const made = this.voicemailsById.size;
      this.recordWritten(record);
      if (this.voicemailsById.size > made) whole.add(voicemailIdOf(record) ?? '');
    }
    for (const { callId } of logs) {
      if (isLive(callId)) continue;
      const heard = this.spokenIn.get(callId)?.heard ?? [];
      for (const voicemail of this.voicemailsById.values())
        if (voicemail.callId === callId && !whole.has(voicemail.id))
          this.put({ ...voicemail, said: saidIn(voicemail, [...heard, ...voicemail.said]) });
      this.callEnded(callId);
    }
  }

  /** What a session asks for; nothing has changed where it is refused. Asked twice under one id, it is done once. */
  request(session: Session, request: ReadMailboxRequest, at: number): MailboxReply {
    return handle(this.handlers, { session, request, at }, { code: 'notYours', what: 'mailbox' });
  }

  /** Somebody speaks in a call: a mailbox that is in it hears them. */
  said({ at, clip }: { at: number; clip: string }, call: Call): void {
    const isListening = call.legs.some(
      ({ endpoint, state }) =>
        state === 'connected' && (endpoint.kind === 'mailbox' || endpoint.kind === 'teamMailbox'),
    );
    if (!isListening) return;
    const before = this.spokenIn.get(call.id) ?? null;
    const heard = [...(before?.heard ?? []), { kind: 'clip', at, clip } as const];
    this.putSpoken({ callId: call.id, heard });
  }

  /** A call is over, and may have left a message; several records of it leave the same one. */
  recordWritten(record: CallRecord): void {
    const heard = this.spokenIn.get(record.callId)?.heard ?? [];
    const voicemail = voicemailOf(record, this.office, heard);
    if (!voicemail || this.voicemailsById.has(voicemail.id)) return;
    this.arrived(voicemail);
  }

  /** What was said in it is with its voicemails now. */
  callEnded(callId: string): void {
    const before = this.spokenIn.get(callId);
    if (!before) return;
    this.spokenIn.delete(callId);
    this.rows.push({ table: 'spoken', id: callId, before, now: null });
  }

  /** The rows that were changed since they were last taken, in order. */
  takeChanges(): MailboxChange[] {
    const { rows } = this;
    this.rows = [];
    return rows;
  }

  private readonly handlers: Handlers<ReadMailboxRequest, MailboxRefusal> = {
    markVoicemail: ({ personId }, { id, isHeard }, at) =>
      this.inTheirs(id, personId, (voicemail) => ({ ...voicemail, heardAt: isHeard ? at : null })),

    putVoicemailAway: ({ personId }, { id }, at) =>
      this.inTheirs(id, personId, (voicemail) => ({
        ...voicemail,
        deletedAt: voicemail.deletedAt ?? at,
      })),

    bringVoicemailBack: ({ personId }, { id }) =>
      this.inTheirs(id, personId, (voicemail) => ({ ...voicemail, deletedAt: null })),

    /** Also by who spoke it, or passed it on. */
    transcribeVoicemail: ({ personId }, { id, transcript }) => {
      const voicemail = this.voicemailsById.get(id);
      if (!voicemail) return refused({ code: 'unknownVoicemail' });
      if (!viewOfVoicemail(voicemail, personId, this.office)) return notYours('mailbox');
      this.put({ ...voicemail, transcript });
      return done;
    },

    passVoicemailOn: ({ personId }, { id, copyId, toPersonId, word }) => {
      const voicemail = this.voicemailsById.get(id);
      if (!voicemail) return refused({ code: 'unknownVoicemail' });
      if (!hearsMailbox(voicemail.mailboxId, personId, this.office)) return notYours('mailbox');
      if (!this.office.people.has(toPersonId)) return refused({ code: 'unknownPerson' });
      const before = this.voicemailsById.get(copyId);
      if (before) return before.forwarded?.byId === personId ? done : refused({ code: 'idTaken' });
      this.arrived({
        ...voicemail,
        ...{ id: copyId, mailboxId: toPersonId, heardAt: null, deletedAt: null },
        forwarded: { byId: personId, word },
      });
      return done;
    },

    leaveVoicemail: ({ personId }, { id, toPersonId, durationMs }, at) => {
      const me = this.office.people.get(personId);
      if (!me || !this.office.people.has(toPersonId)) return refused({ code: 'unknownPerson' });
      const before = this.voicemailsById.get(id);
      if (before) return before.from.personId === personId ? done : refused({ code: 'idTaken' });
      this.arrived({
        ...{ id, callId: id, mailboxId: toPersonId, lineId: null, at, durationMs, isUrgent: false },
        from: { number: me.extension, name: me.name, personId },
        ...{ heardAt: null, deletedAt: null, transcript: null, forwarded: null, said: [] },
      });
      return done;
    },

    forgetVoicemails: (session, { ids }) => {
      if (!hasRole(session, 'administrator')) return notYours('office');
      for (const id of ids) this.drop(id);
      return done;
    },

    bringVoicemails: (session, { voicemails }) => {
      if (!hasRole(session, 'administrator')) return notYours('office');
      for (const voicemail of voicemails) if (!this.voicemailsById.has(voicemail.id)) this.put(voicemail);
      return done;
    },
  };

  /** What somebody may do with a voicemail that lies in a mailbox of theirs. */
  private inTheirs(id: string, personId: string, changed: (before: Voicemail) => Voicemail): MailboxReply {
    const voicemail = this.voicemailsById.get(id);
    if (!voicemail) return refused({ code: 'unknownVoicemail' });
    if (!hearsMailbox(voicemail.mailboxId, personId, this.office)) return notYours('mailbox');
    this.put(changed(voicemail));
    return done;
  }

  private arrived(voicemail: Voicemail): void {
    this.put(voicemail);
  }

  private put(now: Voicemail): void {
    const before = this.voicemailsById.get(now.id) ?? null;
    this.voicemailsById.set(now.id, now);
    this.rows.push({ table: 'voicemails', id: now.id, before, now });
  }

  private putSpoken(now: Spoken): void {
    const before = this.spokenIn.get(now.callId) ?? null;
    this.spokenIn.set(now.callId, now);
    this.rows.push({ table: 'spoken', id: now.callId, before, now });
  }

  private drop(id: string): void {
    const before = this.voicemailsById.get(id);
    if (!before) return;
    this.voicemailsById.delete(id);
    this.rows.push({ table: 'voicemails', id, before, now: null });
  }
}
