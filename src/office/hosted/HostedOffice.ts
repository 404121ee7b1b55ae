import isEqual from 'fast-deep-equal';

import {
  commandSchema,
  type Agent,
  type Call,
  type Command,
  type CommandResult,
  type ExchangeEvent,
  type LegState,
} from '@/core/calls/exchange';
import { Exchange } from '@/core/calls/exchange/machine';
import {
  allPersonalSeen,
  emptyInbox,
  Inbox,
  isOfPersonal,
  isSeenAlike,
  Revisions,
  type ChangedRow,
} from '@/core/office/machine';
import {
  accessRequestSchema,
  inboxRequestSchema,
  officeRequestSchema,
  type AccessChange,
  type AccessRequest,
  type AccessRow,
  type InboxChange,
  type InboxRequest,
  type OfficeReply,
  type OfficeRequest,
  type KeptInbox,
  type KeptPersonal,
  type Mark,
  type OfficeSeen,
  type Revision,
  type SeenTables,
  type Session,
} from '@/core/office';
import type { Network } from '@/core/calls/quality';
import type { Device, OfficeSetup } from '@/core/setup';

import type { Clock } from '../clock';
import type { CarrierCast, FaxCast } from '../carrier';
import type { Script, Speech, StandInCast } from '../standins';
import { StandIns } from '../standins/machine';
import {
  officeUpdateSchema,
  playingSchema,
  type Numbered,
  type OfficeState,
  type OfficeUpdate,
  type OutsideLink,
  type Playing,
  type ReadPlaying,
} from '../link';
import { Answered } from './Answered';
import { Away, beatMs } from './Away';
import { Desk } from './Desk';
import { FaxTraffic } from './FaxTraffic';
import { MailboxVisits } from './MailboxVisits';
import { Opening } from './Opening';
import { SessionLink, type OfficeOfAll } from './SessionLink';
import { SessionLinks } from './SessionLinks';
import { Sights, type SightOfCall } from './Sights';
import { Telling } from './Telling';
import { TextTraffic } from './TextTraffic';
import { untakenOf } from './toldBefore';

export interface HostedOfficeOptions {
  setup: OfficeSetup;
  cast: StandInCast & CarrierCast & FaxCast;
  clock: Clock;
  /** Its colleagues are real, also those whose app is not signed in now: what is written to them they find. */
  isReal?: boolean;
  /** Which devices are signed in without anybody having come: those that are played; left out: all. */
  signsIn?: (device: Device) => boolean;
  /** Where an earlier run left off. */
  state?: Partial<OfficeState>;
  /** Its messages, rooms, faxes and voicemails; calls do not wait for them. */
  inbox?: KeptInbox | Promise<KeptInbox>;
  /** Who was let in by then. */
  access?: readonly AccessRow[];
  /** How costly it is to guess a PIN (`Desk`). */
  pinCost?: number;
  /** Whether this device has a network, over which texts and faxes go. */
  isOnline?: () => boolean;
  /** Keeps what an update has changed: whatever it was, nobody is told of it, and nothing is answered, before that is done. */
  keep?: (step: OfficeStep) => void | Promise<void>;
  /** How long what was asked took until it was kept, in milliseconds. */
  onDone?: (what: 'send' | 'ask', ms: number) => void;
  /** While a phone of an app is in a call: the state is to be written, from which a later run knows how long nobody was there. */
  onBeat?: () => void;
  /** Of how many apps it is remembered what they were answered last; left out: of as many as one device has. */
  appsRemembered?: number;
  /** How long what concerns nobody in particular is gathered (`SessionLinks`), in milliseconds; left out: told at once. */
  gatherMs?: number;
  /** Test seam for the browser's timer. */
  setTimer?: (run: () => void, ms: number) => () => void;
}

/** An update, with the rows that it changed: everybody's, as they are kept. */
export interface OfficeStep extends OfficeUpdate {
  rows: readonly InboxChange[];
  /** What is to be kept of their having changed; null where none did. */
  revision: Revision | null;
  /** What it changed of who is let in, as it is kept. */
  accessRows: readonly AccessChange[];
  /** Where they are rows of. */
  of: Inbox;
  /** Calls as they are to be kept; null: they have ended. */
  calls: ReadonlyMap<string, Call | null>;
  /** What apps were answered, as it is to be kept; null: they are forgotten. */
  answered: ReturnType<Answered['takeChanges']>;
  /** Who sees the calls that it tells of. */
  sights: ReadonlyMap<string, SightOfCall>;
  /** Something that stands in no event has changed: everybody is told. */
  isForAll: boolean;
}

/** Something that is asked for because something else has happened. */
interface Following {
  session: Session;
  request: InboxRequest;
}

const longestTimerMs = 60_000;
const browserTimer = (run: () => void, ms: number) => {
  const id = setTimeout(run, ms);
  return () => clearTimeout(id);
};

/**
 * The office and its stand-ins, at the clock's pace. Of calls it is itself a link that may do and sees everything, as
 * its host does; whoever uses it gets a link of their own session.
 */
export class HostedOffice implements OfficeOfAll {
  private readonly exchange: Exchange;
  private readonly standIns: StandIns;
  private readonly inboxNow: Inbox;
  /** Who is let in. */
  readonly desk: Desk;
  private readonly visits: MailboxVisits;
  private readonly texts: TextTraffic;
  private readonly faxes: FaxTraffic;
  /** The rows of earlier runs, and what each keeps for themselves. */
  private readonly rows = new Opening();
  private readonly belongings = new Opening();
  private readonly revisions: Revisions;
  private readonly telling = new Telling<OfficeStep>();
  private readonly links: SessionLinks;
  readonly sights: Sights;
  /** As it was told last. */
  private toldAgents: Agent[];
  private follow: ((happened: Pick<OfficeStep, 'events' | 'rows'>) => Following[]) | null = null;
  private cancelTimer: () => void = () => undefined;
  private readonly stopListening: () => void;
  private events: ExchangeEvent[] = [];
  private speech: Speech[] = [];
  private readonly away: Away;
  private readonly answered: Answered;
  /** Settled once all that has happened so far is kept. */
  private lastKept: Promise<void> = Promise.resolve();
  private isStarted = false;
  /** Devices that apps are signed in as, each as often as there are apps. */
  private readonly apps = new Map<string, number>();

  constructor(private readonly options: HostedOfficeOptions) {
    this.exchange = new Exchange(options.state?.setup ?? options.setup, options.state?.exchange);
    this.toldAgents = plainAgents(this.exchange.agents);
    this.sights = new Sights(() => this.exchange);
    this.links = new SessionLinks({
      gatherMs: options.gatherMs ?? 0,
      setTimer: options.setTimer ?? browserTimer,
      runners: () => this.exchange.setup.people.flatMap(({ id, administers }) => (administers ? [id] : [])),
    });
    this.telling.subscribe((step) => this.links.tell(step));
    this.standIns = new StandIns(options.cast, options.state?.standIns);
    this.desk = new Desk({
      ...{ office: () => this.exchange.office, now: () => options.clock.now(), settle: () => this.publish() },
      ...{ kept: options.access, cost: options.pinCost },
    });
    const around = {
      office: () => this.exchange.office,
      isOnline: options.isOnline ?? (() => true),
      isHere: (personId: string) => options.isReal === true || this.isHere(personId),
      member: () => this.member(),
    };
    this.inboxNow = new Inbox(
      around.office,
      (personId, callId) =>
        this.exchange.calls.get(callId)?.legs.some((leg) => leg.personId === personId) ?? false,
      (setup, at) => this.reconfigure(setup, at),
    );
    this.visits = new MailboxVisits({
      ...{ office: around.office, inbox: this.inboxNow, desk: this.desk },
      ...{ legOf: (id) => this.exchange.legOf(id), now: () => options.clock.now() },
      act: (legId, act) => {
        const { why, events } = this.exchange.inVisit(legId, act, options.clock.now());
        this.note(events);
        return why;
      },
      settle: () => this.publish(),
      whenOpen: (act) => this.rows.whenOpen(act),
    });
    const { messaging, faxing } = this.inboxNow;
    this.texts = new TextTraffic(options.cast, messaging, around, options.state?.carrier);
    this.faxes = new FaxTraffic(options.cast, faxing, around.isOnline, options.state?.faxCarrier);
    for (const record of options.state?.uncounted ?? []) this.inboxNow.whoWaits.recordWritten(record);
    this.revisions = new Revisions(newLog(), options.state?.mark);
    this.answered = new Answered(options.state?.answered, options.appsRemembered);
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
    if (this.exchange.signedIn.size === 0) this.signIn(this.exchange.setup.devices, now);
    this.visits.takeUp([...this.exchange.calls.values()].flatMap(({ legs }) => legs));
    this.catchUp();
  }

  /** The instant up to which everything has happened, in epoch milliseconds. */
  get now(): number {
    return this.exchange.now;
  }

  get clockTime(): number {
    return this.options.clock.now();
  }

  /** The office as that session may use and see it. */
  linkFor(session: Session): OutsideLink {
    const { deviceId } = session;
    if (deviceId === null) return new SessionLink(this, session, this.links, () => undefined);
    this.apps.set(deviceId, (this.apps.get(deviceId) ?? 0) + 1);
    return new SessionLink(this, session, this.links, () => {
      const others = (this.apps.get(deviceId) ?? 0) - 1;
      if (others > 0) this.apps.set(deviceId, others);
      else this.apps.delete(deviceId);
    });
  }

  /** Tells what has happened so far, once it is kept: one thing after the other. */
  onceKept(tell: () => void): void {
    if (this.options.keep) void this.lastKept.then(tell);
    else tell();
  }

  /** The office as rights and views are decided by. */
  seen(): OfficeSeen {
    const { exchange } = this;
    return {
      office: exchange.office,
      calls: exchange.calls,
      legOf: (id) => exchange.legOf(id),
      devicesInUse: this.apps,
    };
  }

  answerTo(numbered: Numbered): OfficeReply | CommandResult | null {
    return this.answered.to(numbered) as OfficeReply | CommandResult | null;
  }

  get network(): Network {
    return this.standIns.network;
  }

  /** Devices that calls reach. */
  get signedIn(): ReadonlySet<string> {
    return this.exchange.signedIn;
  }

  async send(command: Command, numbered?: Numbered): Promise<CommandResult> {
    const since = performance.now();
    const read = commandSchema.parse(command);
    const now = this.options.clock.now();
    this.runUntil(now);
    const { result, events } = this.exchange.send(read, now);
    this.note(events);
    this.runUntil(now);
    if (numbered) this.answered.note(numbered, result);
    await this.publish();
    this.options.onDone?.('send', performance.now() - since);
    return result;
  }

  /** Does what somebody plays, once all that was due before it has happened. */
  async play(asked: Playing): Promise<void> {
    const read = playingSchema.parse(asked);
    const act = async () => {
      const now = this.options.clock.now();
      this.runUntil(now);
      this.carryOut(read, now);
      this.runUntil(now);
      await this.publish(true);
    };
    // What comes in is put among what was kept.
    return read.kind === 'textIn' || read.kind === 'faxIn' ? this.rows.whenOpen(act) : act();
  }

  isHere(personId: string): boolean {
    return this.exchange.office.devicesOf(personId).some(({ id }) => this.apps.has(id));
  }

  /** What a session asks for beside calls. */
  async askFor(session: Session, asked: OfficeRequest, numbered?: Numbered): Promise<OfficeReply> {
    const request = officeRequestSchema.parse(asked);
    if (isOfAccess(request)) {
      return this.desk.request(session, request, (reply) => {
        if (numbered) this.answered.note(numbered, reply);
      });
    }
    const since = performance.now();
    const act = async () => {
      const now = this.options.clock.now();
      this.runUntil(now);
      const reply = this.inboxNow.request(session, request, now);
      this.runUntil(now);
      if (numbered) this.answered.note(numbered, reply);
      await this.publish();
      this.options.onDone?.('ask', performance.now() - since);
      return reply;
    };
    if (!isOfPersonal(request)) return this.rows.whenOpen(act);
    // What is of sorts that are there is done at once.
    return this.inboxNow.personal.hasSorts(request) ? act() : this.belongings.whenOpen(act);
  }

  /** Places where apps are signed in come and go: that changes nothing of how the office is configured, and is logged with who is let in. */
  async register(change: (setup: OfficeSetup) => OfficeSetup): Promise<void> {
    const now = this.options.clock.now();
    this.runUntil(now);
    const setup = change(this.exchange.setup);
    if (setup !== this.exchange.setup) this.reconfigure(setup, now);
    await this.publish();
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

  /** What follows from what has happened is asked for before that is kept, so that both are kept together. */
  beforeKept(follow: NonNullable<typeof this.follow>): void {
    this.follow = follow;
  }

  /** All rows, once they are there. */
  inbox(): Promise<Inbox> {
    return this.rows.whenOpen(() => this.belongings.whenOpen(async () => this.inboxNow));
  }

  changedSince(mark: Mark): ChangedRow[] | null {
    return this.revisions.since(mark);
  }

  /** There is a network again, or none: what waits goes out. */
  connectionChanged(): void {
    this.catchUp();
  }

  ownOf(personId: string): SeenTables['personal'] {
    return allPersonalSeen(personId, this.inboxNow.personal);
  }

  async scriptOf(party: string): Promise<Script> {
    return this.standIns.scriptOf(party);
  }

  subscribe(listener: (step: OfficeStep) => void): () => void {
    return this.telling.subscribe(listener);
  }

  snapshot(): OfficeUpdate {
    return plain({
      at: this.exchange.now,
      isWhole: true,
      events: [],
      changedCalls: [...this.exchange.calls.values()],
      endedCallIds: [],
      speech: [],
      changes: [],
      setup: this.exchange.setup,
      access: this.desk.access.seen,
      mark: this.revisions.now,
      signedIn: [...this.signedIn],
      agents: [...this.exchange.agents],
      network: this.standIns.network,
    });
  }

  save(): OfficeState {
    return {
      ...{ ...this.head(), exchange: this.exchange.save(), answered: this.answered.save() },
      setup: this.exchange.setup,
    };
  }

  /**
   * All but calls, answers, who is signed in and how it is configured, for a host that keeps each of these by itself. To be read at once: it goes on
   * changing.
   */
  head(): OfficeState {
    return {
      exchange: { ...this.exchange.besideCalls(), signedIn: [], calls: [] },
      standIns: this.standIns.save(),
      carrier: this.texts.carrier.save(),
      faxCarrier: this.faxes.carrier.save(),
      uncounted: this.inboxNow.whoWaits.uncounted,
      mark: this.revisions.now,
    };
  }

  close(): void {
    this.isStarted = false;
    this.cancelTimer();
    this.stopListening();
    this.telling.close();
    this.links.close();
  }

  private carryOut(asked: ReadPlaying, now: number): void {
    switch (asked.kind) {
      case 'script':
        return this.standIns.setScript(asked.party, asked.script, now);
      case 'network':
        return this.standIns.setNetwork(asked.network);
      case 'textIn':
        return this.texts.carrier.receive(asked.text, now);
      case 'textScript':
        return this.texts.carrier.setScript(asked.number, asked.script);
      case 'faxIn':
        return this.faxes.carrier.receive(asked.fax, now);
      case 'faxScript':
        return this.faxes.carrier.setScript(asked.number, asked.script);
    }
  }

  private catchUp(): void {
    const now = this.options.clock.now();
    this.runUntil(now);
    void this.publish();
    this.beat();
  }

  private beat(): void {
    if (this.isTalking) this.options.onBeat?.();
  }

  /** Apps that are in a call. */
  private *talking(): Iterable<string> {
    for (const { legs } of this.exchange.calls.values())
      for (const { endpoint, state } of legs)
        if (endpoint.kind === 'device' && this.apps.has(endpoint.deviceId) && isInCall(state))
          yield endpoint.deviceId;
  }

  private get isTalking(): boolean {
    return !this.options.clock.isStanding && !this.talking()[Symbol.iterator]().next().done;
  }

  private openInbox(kept: KeptInbox): void {
    const { now, calls } = this.exchange;
    // Of an earlier version; it is in the rows once it has been taken in.
    const { spoken: said, texts, faxes, ...untaken } = untakenOf(this.options.state?.owed ?? []);
    const around = { ownerId: this.member(), isLive: (callId: string) => calls.has(callId), at: now };
    this.inboxNow.load({ ...kept, spoken: [...kept.spoken, ...said] }, { ...around, untaken });
    this.revisions.open(kept.revisions ?? []);
    this.texts.open(texts);
    this.faxes.open(now, faxes);
    this.rows.done();
  }

  /** What the apps talked on while nobody was there has been ended by the network, at its time. */
  private endWhatExpired(now: number): void {
    const expiredAt = this.away.isBackAt(now, this.options.clock.isStanding);
    if (expiredAt === null) return;
    this.runUntil(expiredAt);
    for (const deviceId of new Set(this.talking()))
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

  /** The office is another one from now on; phones that are new in it sign in. */
  private reconfigure(setup: OfficeSetup, at: number): void {
    const before = this.exchange.office;
    this.note(this.exchange.reconfigure(setup, at));
    this.desk.access.officeChanged();
    this.signIn(
      setup.devices.filter(({ id }) => !before.devices.has(id)),
      at,
    );
    if (!isSeenAlike(before.setup, setup)) this.revisions.renew(newLog());
  }

  private signIn(devices: readonly Device[], at: number): void {
    for (const device of devices)
      if (this.options.signsIn?.(device) ?? true)
        this.note(this.exchange.send({ type: 'signIn', deviceId: device.id }, at).events);
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
    return leg?.endpoint.kind === 'device' && this.apps.has(leg.endpoint.deviceId);
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
    const touched: Call[] = [];
    for (const callId of new Set(events.flatMap((event) => ('callId' in event ? [event.callId] : [])))) {
      const call = this.exchange.calls.get(callId);
      if (call) touched.push(call);
      else this.inboxNow.callEnded(callId, this.exchange.now);
    }
    this.visits.hear(events);
    this.standIns.observe(events, this.exchange.calls);
    this.standIns.giveUpOnFailure(this.exchange.now, touched);
  }

  /** Resolves once what it tells is kept. */
  private async publish(always = false): Promise<void> {
    this.schedule();
    const { events, speech } = this;
    const rows = this.withWhatFollows(this.inboxNow.takeChanges());
    const accessRows = this.desk.access.takeChanges();
    const isQuiet = [events, speech, rows, accessRows].every(({ length }) => length === 0);
    // What changes nothing may ask again for what is being kept.
    if (isQuiet && !always) return this.lastKept;
    this.events = [];
    this.speech = [];
    const revision = this.revisions.note(rows);
    const isConfigured = events.some(({ type }) => type === 'configured');
    const touched = new Set(events.flatMap((event) => ('callId' in event ? [event.callId] : [])));
    if (isConfigured) for (const id of this.sights.otherwise()) touched.add(id);
    const sights = this.sights.note([...touched, ...speech.map(({ callId }) => callId)]);
    const update = plain({
      at: this.exchange.now,
      isWhole: false,
      events,
      changedCalls: [...touched].flatMap((id) => this.exchange.calls.get(id) ?? []),
      endedCallIds: [...touched].filter((id) => !this.exchange.calls.has(id)),
      speech,
      changes: [],
      mark: this.revisions.now,
      setup: isConfigured ? this.exchange.setup : null,
      access: isConfigured || accessRows.length > 0 ? this.desk.access.seen : null,
      signedIn: null,
      agents: this.newAgents(),
      network: this.standIns.network,
    });
    const step = {
      ...{ ...update, rows, accessRows, revision, of: this.inboxNow, sights, isForAll: always },
      ...{ calls: this.takeChangedCalls(), answered: this.answered.takeChanges() },
    };
    const { keep } = this.options;
    if (keep) this.lastKept = Promise.all([this.lastKept, keep(step)]).then(() => undefined);
    const kept = this.lastKept;
    this.telling.tell(step);
    await kept;
  }

  private withWhatFollows(rows: InboxChange[]): InboxChange[] {
    const { events } = this;
    if (!this.follow || (events.length === 0 && rows.length === 0)) return rows;
    for (const { session, request } of this.follow({ events, rows }))
      this.inboxNow.request(session, inboxRequestSchema.parse(request), this.exchange.now);
    return [...rows, ...this.inboxNow.takeChanges()];
  }

  private takeChangedCalls(): Map<string, Call | null> {
    const { exchange } = this;
    return new Map([...exchange.takeChangedIds()].map((id) => [id, exchange.calls.get(id) ?? null]));
  }

  /** What members of queues' teams have said of themselves, where that has changed since it was told last. */
  private newAgents(): Agent[] | null {
    const agents = plainAgents(this.exchange.agents);
    if (isEqual(agents, this.toldAgents)) return null;
    this.toldAgents = agents;
    return agents;
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
    const { isTalking } = this;
    const realMs = next === Infinity ? null : this.options.clock.realMsUntil(next);
    if (realMs === null && !isTalking) return;
    const setTimer = this.options.setTimer ?? browserTimer;
    const longest = isTalking ? beatMs : longestTimerMs;
    this.cancelTimer = setTimer(() => this.catchUp(), Math.min(realMs ?? longest, longest));
  }
}

const accessTypes = new Set<string>(accessRequestSchema.options.map(({ shape }) => shape.type.value));
const isOfAccess = (request: { type: string }): request is AccessRequest => accessTypes.has(request.type);

const isInCall = (state: LegState) => state === 'connected' || state === 'held';

const plainAgents = (agents: readonly Agent[]): Agent[] => agents.map((agent) => ({ ...agent }));

const newLog = () => Math.random().toString(36).slice(2);

/** What crosses the link is a copy that has passed the schema, as it would be from a server. */
function plain(update: OfficeUpdate): OfficeUpdate {
  return officeUpdateSchema.parse(update);
}
