import { Exchange, type Command, type CommandResult, type ExchangeEvent } from '@/core/calls/exchange';
import {
  emptyInbox,
  Inbox,
  inboxRequestSchema,
  isOfPersonal,
  type InboxChange,
  type InboxReply,
  type InboxRequest,
  type KeptInbox,
  type KeptPersonal,
  type OfficeSeen,
  type Session,
} from '@/core/office';
import type { OfficeSetup } from '@/core/setup';
import type { Network } from '@/core/calls/quality';

import type { Clock } from '../clock';
import type { CarrierCast, FaxCast, FaxScript, IncomingFax, IncomingText, TextScript } from '../carrier';
import { StandIns, type Script, type Speech, type StandInCast } from '../standins';
import {
  officeRequestSchema,
  officeUpdateSchema,
  type OutsideLink,
  type OfficeRequest,
  type OfficeRequestOf,
  type ReadOfficeRequest,
  type OfficeState,
  type OfficeUpdate,
} from './link';
import { Away, beatMs } from './Away';
import { FaxTraffic } from './FaxTraffic';
import { Opening } from './Opening';
import { SessionLink, type OfficeOfAll } from './SessionLink';
import { Telling } from './Telling';
import { TextTraffic } from './TextTraffic';
import { untakenOf } from './toldBefore';

export interface InPageOfficeOptions {
  setup: OfficeSetup;
  cast: StandInCast & CarrierCast & FaxCast;
  clock: Clock;
  /** Where an earlier run left off. */
  state?: Partial<OfficeState>;
  /** Its messages, rooms, faxes and voicemails; calls do not wait for them. */
  inbox?: KeptInbox | Promise<KeptInbox>;
  /** Whether this device has a network, over which texts and faxes go. */
  isOnline?: () => boolean;
  /** Keeps what an update has changed, asked before anybody is told of it. What is asked for is answered once it is kept. */
  keep?: (step: OfficeStep) => void | Promise<void>;
  /** While a phone of an app is in a call: the state is to be written, from which a later run knows how long nobody was there. */
  onBeat?: () => void;
  /** Test seam for the browser's timer. */
  setTimer?: (run: () => void, ms: number) => () => void;
}

/** An update, with the rows that it changed: everybody's, as they are kept. */
export interface OfficeStep extends OfficeUpdate {
  rows: readonly InboxChange[];
  /** Where they are rows of. */
  of: Inbox;
}

const longestTimerMs = 60_000;
const browserTimer = (run: () => void, ms: number) => {
  const id = setTimeout(run, ms);
  return () => clearTimeout(id);
};

/**
 * The office and its stand-ins run in the page, at the clock's pace. Of calls it is itself a link that may do and sees everything, as
 * its host does; whoever uses it gets a link of their own session.
 */
export class InPageOffice implements OfficeOfAll {
  private readonly exchange: Exchange;
  private readonly standIns: StandIns;
  private readonly inboxNow: Inbox;
  private readonly texts: TextTraffic;
  private readonly faxes: FaxTraffic;
  /** The rows of earlier runs, and what each keeps for themselves. */
  private readonly rows = new Opening();
  private readonly belongings = new Opening();
  private readonly telling = new Telling<OfficeStep>();
  private cancelTimer: () => void = () => undefined;
  private readonly stopListening: () => void;
  private events: ExchangeEvent[] = [];
  private speech: Speech[] = [];
  private readonly away: Away;
  /** Settled once all that was told is kept. */
  private lastKept: Promise<void> = Promise.resolve();
  private isStarted = false;
  /** Devices that apps are signed in as. */
  private readonly devicesInUse = new Set<string>();

  constructor(private readonly options: InPageOfficeOptions) {
    this.exchange = new Exchange(options.state?.setup ?? options.setup, options.state?.exchange);
    this.standIns = new StandIns(options.cast, options.state?.standIns);
    const around = {
      office: () => this.exchange.office,
      isOnline: options.isOnline ?? (() => true),
      isHere: (personId: string) => this.isHere(personId),
      member: () => this.member(),
    };
    this.inboxNow = new Inbox(
      around.office,
      (personId, callId) =>
        this.exchange.calls.get(callId)?.legs.some((leg) => leg.personId === personId) ?? false,
    );
    const { messaging, faxing } = this.inboxNow;
    this.texts = new TextTraffic(options.cast, messaging, around, options.state?.carrier);
    this.faxes = new FaxTraffic(options.cast, faxing, around.isOnline, options.state?.faxCarrier);
    for (const record of options.state?.uncounted ?? []) this.inboxNow.whoWaits.recordWritten(record);
    this.away = new Away(options.state?.exchange?.now ?? null);
    const { inbox = emptyInbox } = options;
    if (inbox instanceof Promise)
      void inbox.then((kept) => {
        this.openInbox(kept);
        if (this.isStarted) this.catchUp();
      });
    else this.openInbox(inbox);
    this.stopListening = options.clock.subscribe(() => {
      this.away.forget();
      this.catchUp();
    });
  }

  /** Begins to keep time; at the very first start every device signs in. Call once the listeners are there. */
  start(): void {
    this.isStarted = true;
    const now = this.options.clock.now();
    if (this.exchange.signedIn.size === 0)
      for (const { id } of this.exchange.setup.devices)
        this.note(this.exchange.send({ type: 'signIn', deviceId: id }, now).events);
    this.catchUp();
  }

  /** The office as that session may use and see it. */
  linkFor(session: Session): OutsideLink {
    const { deviceId } = session;
    if (deviceId !== null) this.devicesInUse.add(deviceId);
    return new SessionLink(this, session, () => deviceId !== null && this.devicesInUse.delete(deviceId));
  }

  /** The office as rights and views are decided by. */
  seen(): OfficeSeen {
    const { exchange, devicesInUse } = this;
    return {
      office: exchange.office,
      calls: exchange.calls,
      legOf: (id) => exchange.legOf(id),
      devicesInUse,
    };
  }

  async send(command: Command): Promise<CommandResult> {
    const request = officeRequestSchema.parse({ kind: 'command', command });
    if (request.kind !== 'command') throw new Error('Not a command');
    const now = this.options.clock.now();
    this.runUntil(now);
    const { result, events } = this.exchange.send(request.command, now);
    this.note(events);
    this.runUntil(now);
    void this.publish();
    return result;
  }

  setScript(party: string, script: Script): Promise<void> {
    return this.play({ kind: 'script', party, script }, (asked, now) =>
      this.standIns.setScript(asked.party, asked.script, now),
    );
  }

  setNetwork(network: Network): Promise<void> {
    return this.play({ kind: 'network', network }, (asked) => this.standIns.setNetwork(asked.network));
  }

  isHere(personId: string): boolean {
    return this.exchange.office.devicesOf(personId).some(({ id }) => this.devicesInUse.has(id));
  }

  /** What a session asks for beside calls. */
  async askFor(session: Session, asked: InboxRequest): Promise<InboxReply> {
    const request = inboxRequestSchema.parse(asked);
    const act = async () => {
      const now = this.options.clock.now();
      this.runUntil(now);
      const reply = this.inboxNow.request(session, request, now);
      this.runUntil(now);
      await this.publish();
      return reply;
    };
    if (!isOfPersonal(request)) return this.rows.whenOpen(act);
    // What is of sorts that are there is done at once.
    return this.inboxNow.personal.hasSorts(request) ? act() : this.belongings.whenOpen(act);
  }

  /**
   * Brings rows that each keeps for themselves, of some sorts; until then nobody can change them. Resolves once what that changed is
   * kept. `isLast`: there are no more sorts.
   */
  openPersonal(kept: KeptPersonal, isLast: boolean): Promise<void> {
    this.inboxNow.personal.open(kept, this.member());
    if (isLast) this.belongings.done();
    return this.publish();
  }

  /** All messages, rooms and faxes, once they are there. */
  inbox(): Promise<Inbox> {
    return this.rows.whenOpen(async () => this.inboxNow);
  }

  /** There is a network again, or none: what waits goes out. */
  connectionChanged(): void {
    this.catchUp();
  }

  receiveText(text: IncomingText): Promise<void> {
    return this.rows.whenOpen(() =>
      this.play({ kind: 'textIn', text }, (asked, now) => this.texts.carrier.receive(asked.text, now)),
    );
  }

  receiveFax(fax: IncomingFax): Promise<void> {
    return this.rows.whenOpen(() =>
      this.play({ kind: 'faxIn', fax }, (asked, now) => this.faxes.carrier.receive(asked.fax, now)),
    );
  }

  setFaxScript(number: string, script: FaxScript): Promise<void> {
    return this.play({ kind: 'faxScript', number, script }, (asked) =>
      this.faxes.carrier.setScript(asked.number, asked.script),
    );
  }

  setTextScript(number: string, script: TextScript): Promise<void> {
    return this.play({ kind: 'textScript', number, script }, (asked) =>
      this.texts.carrier.setScript(asked.number, asked.script),
    );
  }

  scriptOf(party: string): Script {
    return this.standIns.scriptOf(party);
  }

  subscribe(listener: (step: OfficeStep) => void): () => void {
    return this.telling.subscribe(listener);
  }

  snapshot(): OfficeUpdate {
    return plain({
      at: this.exchange.now,
      events: [],
      changedCalls: [...this.exchange.calls.values()],
      endedCallIds: [],
      speech: [],
      changes: [],
      setup: this.exchange.setup,
      signedIn: [...this.exchange.signedIn],
      network: this.standIns.network,
    });
  }

  save(): OfficeState {
    return {
      exchange: this.exchange.save(),
      standIns: this.standIns.save(),
      carrier: this.texts.carrier.save(),
      faxCarrier: this.faxes.carrier.save(),
      setup: this.exchange.setup,
      uncounted: this.inboxNow.whoWaits.uncounted,
    };
  }

  close(): void {
    this.isStarted = false;
    this.cancelTimer();
    this.stopListening();
    this.telling.close();
  }

  /** Does what somebody plays, or asks of a carrier, once all that was due before it has happened. */
  private async play<Kind extends OfficeRequest['kind']>(
    asked: OfficeRequestOf<Kind>,
    act: (read: ReadOfficeRequest<Kind>, now: number) => void,
  ): Promise<void> {
    const read = officeRequestSchema.parse(asked) as ReadOfficeRequest<Kind>;
    const now = this.options.clock.now();
    this.runUntil(now);
    act(read, now);
    this.runUntil(now);
    await this.publish(true);
  }

  private catchUp(): void {
    const now = this.options.clock.now();
    this.runUntil(now);
    void this.publish();
    this.beat();
  }

  private beat(): void {
    if (!this.options.clock.isStanding && this.talking().length > 0) this.options.onBeat?.();
  }

  /** Apps that are in a call. */
  private talking(): string[] {
    return [...this.devicesInUse].filter((id) =>
      [...this.exchange.legsAt(id)].some(({ state }) => state === 'connected' || state === 'held'),
    );
  }

  private openInbox(kept: KeptInbox): void {
    const { now, calls } = this.exchange;
    // Of an earlier version; it is in the rows once it has been taken in.
    const { spoken: said, texts, faxes, ...untaken } = untakenOf(this.options.state?.owed ?? []);
    const around = { ownerId: this.member(), isLive: (callId: string) => calls.has(callId), at: now };
    this.inboxNow.load({ ...kept, spoken: [...kept.spoken, ...said] }, { ...around, untaken });
    this.texts.open(texts);
    this.faxes.open(now, faxes);
    this.rows.done();
  }

  /** What the apps talked on while nobody was there has been ended by the network, at its time. */
  private endWhatExpired(now: number): void {
    const expiredAt = this.away.isBackAt(now, this.options.clock.isStanding);
    if (expiredAt === null) return;
    this.runUntil(expiredAt);
    for (const deviceId of this.talking())
      this.note(this.exchange.send({ type: 'expire', deviceId }, expiredAt).events);
  }

  private runUntil(to: number): void {
    this.endWhatExpired(to);
    for (;;) {
      const due = this.exchange.nextTimerAt();
      const planned = this.standIns.nextAt();
      const earliest = Math.min(due ?? Infinity, planned ?? Infinity, this.nextFromCarriers());
      if (earliest > to) break;
      // Texts and faxes wait for what was kept of them: theirs may have been due before now.
      const next = Math.max(earliest, this.exchange.now);
      this.note(this.exchange.advance(next));
      this.runTraffic(next);
      const act = this.standIns.takeDue(next);
      if (act?.command && !this.isInUse(act.command)) this.note(this.exchange.send(act.command, next).events);
      if (act?.speech && !this.isInUse(act.speech)) this.say(act.speech);
    }
    this.note(this.exchange.advance(to));
    this.runTraffic(to);
  }

  private say(speech: Speech): void {
    this.speech.push(speech);
    const call = this.exchange.calls.get(speech.callId);
    if (call) this.inboxNow.mailboxes.said(speech, call);
  }

  private runTraffic(at: number): void {
    this.faxes.run(at);
    for (const { extension, toId } of this.texts.run(at)) this.callBack(extension, toId ?? this.member(), at);
  }

  /** An app is signed in as that phone: no stand-in lifts it or speaks there. */
  private isInUse(at: object): boolean {
    const leg = 'legId' in at && typeof at.legId === 'string' ? this.exchange.legOf(at.legId) : null;
    return leg?.endpoint.kind === 'device' && this.devicesInUse.has(leg.endpoint.deviceId);
  }

  private nextFromCarriers(): number {
    const { now } = this.exchange;
    return Math.min(this.texts.nextAt(now), this.faxes.nextAt(now));
  }

  /** The colleague calls from their desk phone whoever asked for it. */
  private callBack(extension: string, toId: string, at: number): void {
    const { people, devices } = this.exchange.setup;
    const from = people.find((person) => person.extension === extension);
    const desk = devices.find(({ kind, personId }) => kind === 'desk' && personId === from?.id);
    const to = people.find(({ id }) => id === toId)?.extension;
    if (!desk || to === undefined) return;
    const command = { type: 'make', from: { kind: 'device', deviceId: desk.id }, to } as const;
    this.note(this.exchange.send(command, at).events);
  }

  /** Whose app it is, where one is asked for without a name. */
  private member(): string {
    return this.exchange.setup.devices.find(({ kind }) => kind === 'app')?.personId ?? '';
  }

  private note(events: ExchangeEvent[]): void {
    if (events.length === 0) return;
    this.events.push(...events);
    for (const event of events) {
      if (event.type === 'textOwed') this.inboxNow.messaging.owed(event);
      if (event.type === 'recordWritten') this.inboxNow.recordWritten(event.record);
    }
    for (const event of events)
      if ('callId' in event && !this.exchange.calls.has(event.callId))
        this.inboxNow.callEnded(event.callId, this.exchange.now);
    this.standIns.observe(events, this.exchange.calls);
    this.standIns.giveUpOnFailure(this.exchange.now, this.exchange.calls.values());
  }

  /** Resolves once what it tells is kept. */
  private async publish(always = false): Promise<void> {
    this.schedule();
    const { events, speech } = this;
    const rows = this.inboxNow.takeChanges();
    const isQuiet = [events, speech, rows].every(({ length }) => length === 0);
    // What changes nothing may ask again for what is being kept.
    if (isQuiet && !always) return this.lastKept;
    this.events = [];
    this.speech = [];
    const touched = new Set(events.flatMap((event) => ('callId' in event ? [event.callId] : [])));
    const update = plain({
      at: this.exchange.now,
      events,
      changedCalls: [...touched].flatMap((id) => this.exchange.calls.get(id) ?? []),
      endedCallIds: [...touched].filter((id) => !this.exchange.calls.has(id)),
      speech,
      changes: [],
      setup: events.some(({ type }) => type === 'configured') ? this.exchange.setup : null,
      signedIn: [...this.exchange.signedIn],
      network: this.standIns.network,
    });
    const step = { ...update, rows, of: this.inboxNow };
    this.lastKept = Promise.resolve(this.options.keep?.(step));
    const kept = this.lastKept;
    this.telling.tell(step);
    await kept;
  }

  private schedule(): void {
    this.cancelTimer();
    // What is due waits for the start, whatever is opened before.
    if (!this.isStarted) return;
    const next = Math.min(
      this.exchange.nextTimerAt() ?? Infinity,
      this.standIns.nextAt() ?? Infinity,
      this.nextFromCarriers(),
    );
    const isTalking = !this.options.clock.isStanding && this.talking().length > 0;
    const realMs = next === Infinity ? null : this.options.clock.realMsUntil(next);
    if (realMs === null && !isTalking) return;
    const setTimer = this.options.setTimer ?? browserTimer;
    const longest = isTalking ? beatMs : longestTimerMs;
    this.cancelTimer = setTimer(() => this.catchUp(), Math.min(realMs ?? longest, longest));
  }
}

/** What crosses the link is a copy that has passed the schema, as it would be from a server. */
function plain(update: OfficeUpdate): OfficeUpdate {
  return officeUpdateSchema.parse(update);
}
