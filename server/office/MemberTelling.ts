import { RateLimiterMemory } from 'rate-limiter-flexible';

import {
  destinationSchema,
  mailOf,
  mailOfCode,
  placeSchema,
  missedHappened,
  tellingOf,
  textHappened,
  toldSchema,
  voicemailHappened,
  webhookBodyOf,
  webhookBodyOfCode,
  type Delivery,
  type Destination,
  type Happened,
  type Place,
  type Progress,
  type Told,
  type TryResult,
} from '@/core/inbox/notifications';
import { invitationMail } from '@/core/inbox/invitations';
import { voicemailIdOf } from '@/core/inbox/voicemail';
import type { Call } from '@/core/calls/exchange';
import { hearsMailbox, type Inbox, type InboxChange, type InboxRequest, type Session } from '@/core/office';
import { ownedIdOf, seenChanges } from '@/core/office/machine';
import { joinContacts, PeopleIndex } from '@/core/people/contacts';
import type { HostedOffice, OfficeStep } from '@/office/hosted';
import type { AnswerOfTelling, AskedOfTelling } from '@/office/socket';
import { keptKinds } from '@/state/kept';
import type { Backend, StoredSound } from '@/state/storage';

import { Confirmations } from '../telling/Confirmations';
import { Deliveries, type DeliveriesOptions } from '../telling/Deliveries';
import type { SendMail } from '../telling/sendMail';
import type { SendWebhook } from '../telling/sendWebhook';

/** So much of one person is told elsewhere within a day. */
const toldPerDay = 500;
const daySeconds = 24 * 3600;
/** The last words of a voicemail are on their way when its call is over. */
const soundComesMs = 5_000;
const mostSoundCharacters = 12_000_000;

interface MemberTellingOptions extends Pick<DeliveriesOptions, 'now' | 'setTimer'> {
  office: HostedOffice;
  /** Where it is kept which places are whose. */
  backend: Pick<Backend, 'getMany' | 'setMany'>;
  /** Where deliveries lie until they have arrived. */
  folder: string;
  /** null: the office has no mail server. */
  sendMail: SendMail | null;
  /** The office’s own mail address. */
  mailFrom: string;
  sendWebhook: SendWebhook;
  soundOf: (id: string) => Promise<StoredSound | null>;
  onFault: (error: unknown) => void;
}

type Happening = Pick<OfficeStep, 'rows' | 'events'>;

/**
 * Tells elsewhere, by mail and to other programs, what comes in for members, whether they are there or not. What is to be told is a row of
 * theirs (`told`), which says how far it has come; only places that they have confirmed are told anything.
 */
export class MemberTelling {
  private readonly deliveries: Deliveries;
  private readonly confirmations: Confirmations;
  private readonly quota = new RateLimiterMemory({ points: toldPerDay, duration: daySeconds });
  private readonly destinations = new Map<string, Map<string, Destination>>();
  private inbox: Inbox | null = null;
  /** What happened before rows were there. */
  private readonly early: Happening[] = [];

  constructor(private readonly options: MemberTellingOptions) {
    const { office, backend, folder, now, setTimer } = options;
    this.confirmations = new Confirmations({ backend, now: now ?? Date.now });
    this.deliveries = new Deliveries({
      ...{ folder, tell: (delivery) => this.send(delivery) },
      ...{ ...(now && { now }), ...(setTimer && { setTimer }) },
      onProgress: (progress) => this.progressed(progress),
    });
    office.beforeKept((happening) => this.follow(happening));
    void office.inbox().then((inbox) => this.open(inbox), options.onFault);
  }

  /** Rows that follow from what has happened: what is to be told of it. They are kept together with it. */
  follow({ rows, events }: Happening): { session: Session; request: InboxRequest }[] {
    const { inbox } = this;
    if (!inbox) {
      // Rows are changed by nobody before they are there.
      this.early.push({ rows: [], events });
      return [];
    }
    return [...this.destinations].flatMap(([personId, places]) => {
      if (places.size === 0) return [];
      const happened = [
        ...newsIn(rows, personId, inbox, this.options.office),
        ...events.flatMap((event) => {
          if (event.type !== 'recordWritten' || event.record.personId !== personId) return [];
          const isLeft = inbox.mailboxes.all.has(voicemailIdOf(event.record) ?? '');
          return isLeft ? [] : (missedHappened(event.record) ?? []);
        }),
      ];
      return happened.flatMap((each) => this.toldRows(personId, each).map((told) => keeping(personId, told)));
    });
  }

  /** Something has happened in the office, and is kept. */
  changed({ rows }: Pick<Happening, 'rows'>): void {
    if (!this.inbox) return;
    for (const row of rows) if (row.table === 'personal') this.changedOwn(row.id, row.now);
  }

  /** What a member asks of where they are told. `origin`: by which the office is reached. */
  async answer(session: Session | null, asked: AskedOfTelling, origin: string): Promise<AnswerOfTelling> {
    const { personId } = session ?? { personId: null };
    if (personId === null) return { refused: 'Only who is signed in is told anything.' };
    switch (asked.what) {
      case 'places': {
        const all = [...(this.destinations.get(personId)?.values() ?? [])];
        const are = await Promise.all(
          all.map(({ place }) => this.confirmations.isConfirmed(personId, place)),
        );
        return {
          confirmed: all.flatMap(({ id }, at) => (are[at] ? [id] : [])),
          sendsMail: this.options.sendMail !== null,
        };
      }
      case 'sendCode':
      case 'confirm': {
        const { data: place } = placeSchema.safeParse(asked.place);
        if (!place) return { refused: 'That is no place that can be told anything.' };
        if (asked.what === 'sendCode') return this.sendCode(personId, place);
        const why = await this.confirmations.confirm(personId, place, asked.code);
        return why === null ? { done: true } : { refused: why };
      }
      case 'invite':
        return this.invite(personId, asked, origin);
    }
  }

  close(): void {
    this.deliveries.close();
  }

  private open(inbox: Inbox): void {
    this.inbox = inbox;
    for (const [id, row] of inbox.personal.all) this.changedOwn(id, row);
    this.takeUp(inbox);
    for (const happening of this.early.splice(0))
      for (const { session, request } of this.follow(happening))
        void this.options.office.askFor(session, request).catch(this.options.onFault);
  }

  /** How far what was on its way has come meanwhile; where another process had the office, its disk is not here. */
  private takeUp(inbox: Inbox): void {
    for (const { ownerId, sort, row } of inbox.personal.all.values()) {
      const told = sort === 'told' ? toldSchema.safeParse(row).data : undefined;
      if (told?.progress?.state !== 'waiting') continue;
      const [known] = this.deliveries.progressOf([idOf(ownerId, told.id)]);
      if (!known) void this.handOver(ownerId, told).catch(this.options.onFault);
      else if (known.state !== 'waiting') this.progressed(known);
    }
  }

  private changedOwn(id: string, now: { ownerId: string; sort: string; row: object } | null): void {
    const { sort, ownerId, rowId } = partsOf(id, now);
    if (sort === 'destinations') {
      const places = this.destinations.get(ownerId) ?? new Map<string, Destination>();
      this.destinations.set(ownerId, places);
      const read = destinationSchema.safeParse(now?.row);
      if (read.success) places.set(rowId, read.data);
      else places.delete(rowId);
    }
    const told = sort === 'told' ? toldSchema.safeParse(now?.row).data : undefined;
    if (told?.progress === null) void this.handOver(ownerId, told).catch(this.options.onFault);
  }

  private toldRows(personId: string, happened: Happened): Told[] {
    const { office } = this.options;
    const index = office.seen().office;
    const people = new PeopleIndex(index, this.contactsOf(personId));
    const destinations = [...(this.destinations.get(personId)?.values() ?? [])];
    const around = { office: index, personId, people };
    return tellingOf(happened, destinations, around, office.clockTime).filter(
      ({ id }) => !this.toldOf(personId, id),
    );
  }

  private contactsOf(personId: string) {
    const rows = [...(this.inbox?.personal.all.values() ?? [])].filter(({ ownerId }) => ownerId === personId);
    const of = <Sort extends 'people' | 'changes' | 'joins'>(sort: Sort) =>
      rows.flatMap((each) => {
        const read = each.sort === sort ? keptKinds[sort].schema.safeParse(each.row) : null;
        return read?.success ? [read.data] : [];
      });
    const byId = <Row extends { id: string }>(all: readonly Row[]) =>
      Object.fromEntries(all.map((row) => [row.id, row]));
    return joinContacts(
      of('people').map(({ cards }) => cards),
      { changes: byId(of('changes')), joins: byId(of('joins')) },
    );
  }

  /** Puts it on its way, once it is kept that it is to be; also what the app itself wants told, or told again. */
  private async handOver(personId: string, told: Told): Promise<void> {
    const id = idOf(personId, told.id);
    const [known] = this.deliveries.progressOf([id]);
    if (known) {
      const again = this.deliveries.again(id);
      return again ? this.progressed(again) : undefined;
    }
    const refuse = (problem: string) =>
      this.progressed({ id, state: 'failed', tries: 0, problem, nextAt: null });
    if (!(await this.confirmations.isConfirmed(personId, told.place)))
      return refuse('It is told nothing before the code that was sent there has been typed.');
    if (!(await this.mayTell(personId)))
      return refuse(`More than ${toldPerDay} were to be told within a day.`);
    const { notice, place, soundId } = told;
    const delivery = { id, place, notice: { ...notice, soundWav: null }, soundId };
    const progress = this.deliveries.take(delivery, soundId === null ? 0 : soundComesMs);
    if (progress) this.progressed(progress);
    else refuse('The server’s disk is full.');
  }

  private async send({ id, notice, place, soundId = null }: Delivery): Promise<TryResult> {
    const told = { ...notice, soundWav: await this.soundFor(partsOfId(id).personId, soundId) };
    return this.sendTo(place, id, () => ({ mail: mailOf(told), body: webhookBodyOf(told) }));
  }

  private sendTo(
    place: Place,
    id: string,
    written: () => { mail: ReturnType<typeof mailOf>; body: string },
  ): Promise<TryResult> | TryResult {
    const { sendMail, sendWebhook } = this.options;
    if (place.kind === 'webhook') return sendWebhook(id, written().body, place.url, place.secret);
    if (sendMail) return sendMail(id, written().mail, place.address);
    return { ok: false, forGood: true, problem: 'This office has no mail server.' };
  }

  /** Of a voicemail that is theirs to hear: which one is told is theirs to say. */
  private async soundFor(personId: string, soundId: string | null): Promise<string | null> {
    const voicemail = this.inbox?.mailboxes.all.get(soundId ?? '');
    const { office } = this.options.office.seen();
    if (!voicemail || !hearsMailbox(voicemail.mailboxId, personId, office)) return null;
    const sound = await this.options.soundOf(voicemail.id);
    return sound && sound.wav.length <= mostSoundCharacters ? sound.wav : null;
  }

  /** By mail, at once: whoever asks sees whether it went. */
  private async invite(
    personId: string,
    { token, to }: Extract<AskedOfTelling, { what: 'invite' }>,
    origin: string,
  ): Promise<AnswerOfTelling> {
    const { sendMail, mailFrom, office } = this.options;
    if (!sendMail) return { refused: 'This office has no mail server.' };
    const { data: place } = placeSchema.safeParse({ kind: 'mail', address: to.trim() });
    if (place?.kind !== 'mail') return { refused: 'That is no mail address.' };
    const { calls, office: index } = office.seen();
    const linkOf = ({ meeting }: Call) =>
      meeting?.links.find((each) => each.token === token && each.forLegId === null);
    // They may hold another call meanwhile.
    const call = [...calls.values()].find(
      (each) => linkOf(each) && each.legs.some((leg) => leg.personId === personId && leg.state !== 'cleared'),
    );
    const link = call && linkOf(call);
    const now = office.clockTime;
    if (!call || !link || link.until <= now)
      return { refused: 'That link is good no more. Make another one.' };
    if (!(await this.mayTell(personId))) return { refused: 'Too much was sent today. Try again tomorrow.' };
    const mail = invitationMail({
      ...{ meetingId: call.id, officeName: index.setup.name, zone: index.setup.zone },
      ...{ personName: index.people.get(personId)?.name ?? '', from: mailFrom, to: place.address },
      ...{ address: `${origin}/guest#${token}`, now, until: link.until },
    });
    const sent = await sendMail(`invite-${call.id}-${Date.now()}`, mail, place.address);
    return sent.ok ? { done: true } : { refused: sent.problem };
  }

  private mayTell(personId: string): Promise<boolean> {
    return this.quota.consume(personId).then(
      () => true,
      () => false,
    );
  }

  private async sendCode(personId: string, place: Place): Promise<AnswerOfTelling> {
    if (place.kind === 'mail' && !this.options.sendMail)
      return { refused: 'This office has no mail server.' };
    const code = await this.confirmations.newCode(personId, place);
    if (code === null) return { refused: 'Too many codes were sent today. Try again tomorrow.' };
    const { setup, people } = this.options.office.seen().office;
    const asked = { code, officeName: setup.name, personName: people.get(personId)?.name ?? '' };
    const sent = await this.sendTo(place, `code-${Date.now()}-${personId}`, () => ({
      ...{ mail: mailOfCode(asked), body: webhookBodyOfCode(asked) },
    }));
    return sent.ok ? { done: true } : { refused: sent.problem };
  }

  private progressed(progress: Progress): void {
    const { personId, toldId } = partsOfId(progress.id);
    const told = this.toldOf(personId, toldId);
    if (told) this.keep(personId, { ...told, progress: { ...progress, id: toldId } });
  }

  private toldOf(personId: string, id: string): Told | null {
    const row = this.inbox?.personal.all.get(
      ownedIdOf({ sort: 'told', ownerId: personId, row: { id } }),
    )?.row;
    return toldSchema.safeParse(row).data ?? null;
  }

  private keep(personId: string, told: Told): void {
    const { session, request } = keeping(personId, told);
    void this.options.office.askFor(session, request).catch(this.options.onFault);
  }
}

/** How somebody would ask for a row of theirs. */
function keeping(personId: string, told: Told): { session: Session; request: InboxRequest } {
  return {
    session: { id: 'telling', personId, deviceId: null, roles: ['member'] },
    request: { type: 'keepOwn', changes: [{ table: 'personal', sort: 'told', put: told }] },
  };
}

/** Texts and voicemails that have come for somebody. */
function newsIn(
  rows: readonly InboxChange[],
  personId: string,
  inbox: Inbox,
  office: HostedOffice,
): Happened[] {
  const isNew = (row: InboxChange) =>
    (row.table === 'messages' || row.table === 'voicemails') && row.before === null;
  return seenChanges(rows.filter(isNew), personId, inbox).flatMap((change) => {
    if ('gone' in change) return [];
    if (change.table === 'messages') return textHappened(change.put) ?? [];
    const isHeard =
      change.table === 'voicemails' && hearsMailbox(change.put.mailboxId, personId, office.seen().office);
    return isHeard ? voicemailHappened(change.put) : [];
  });
}

function partsOf(id: string, now: { ownerId: string; sort: string } | null) {
  const [sort = '', ownerId = '', rowId = ''] = JSON.parse(id) as string[];
  return { sort: now?.sort ?? sort, ownerId: now?.ownerId ?? ownerId, rowId };
}

const idOf = (personId: string, toldId: string) => JSON.stringify([personId, toldId]);
function partsOfId(id: string): { personId: string; toldId: string } {
  const [personId = '', toldId = ''] = JSON.parse(id) as string[];
  return { personId, toldId };
}
