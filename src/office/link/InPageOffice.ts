import {
  Exchange,
  limits,
  type Command,
  type CommandResult,
  type ExchangeEvent,
} from '@/core/calls/exchange';
import type { OfficeSeen, Session } from '@/core/office';
import type { OfficeSetup } from '@/core/setup';
import type { Network } from '@/core/calls/quality';

import type { Clock } from '../clock';
import {
  FaxCarrier,
  TextCarrier,
  type CarrierCast,
  type FaxCast,
  type FaxScript,
  type FaxTold,
  type IncomingFax,
  type IncomingText,
  type OutgoingFax,
  type OutgoingText,
  type TextEvent,
  type TextScript,
} from '../carrier';
import { StandIns, type Script, type Speech, type StandInCast } from '../standins';
import {
  officeRequestSchema,
  officeUpdateSchema,
  type OfficeLink,
  type OfficeState,
  type OfficeUpdate,
  type Owed,
  type Taken,
} from './link';
import { SessionLink } from './SessionLink';

export interface InPageOfficeOptions {
  setup: OfficeSetup;
  cast: StandInCast & CarrierCast & FaxCast;
  clock: Clock;
  /** Where an earlier run left off. */
  state?: Partial<OfficeState>;
  /** Nothing is owed any more: the state is to be written without it. */
  onSettled?: () => void;
  /** While a phone of an app is in a call: the state is to be written, from which a later run knows how long nobody was there. */
  onBeat?: () => void;
  /** Test seam for the browser's timer. */
  setTimer?: (run: () => void, ms: number) => () => void;
}

const longestTimerMs = 60_000;
/** While an app is in a call, it is noted so often that it is still there. */
const beatMs = 30_000;
const browserTimer = (run: () => void, ms: number) => {
  const id = setTimeout(run, ms);
  return () => clearTimeout(id);
};

/**
 * The exchange and its stand-ins run in the page, at the clock's pace. It is itself a link that may do and sees everything, as its
 * host does; whoever uses it gets a link of their own session.
 */
export class InPageOffice implements OfficeLink {
  private readonly exchange: Exchange;
  private readonly standIns: StandIns;
  private readonly carrier: TextCarrier;
  private readonly faxCarrier: FaxCarrier;
  private readonly listeners = new Set<(update: OfficeUpdate) => void>();
  private cancelTimer: () => void = () => undefined;
  private readonly stopListening: () => void;
  private events: ExchangeEvent[] = [];
  private speech: Speech[] = [];
  private texts: TextEvent[] = [];
  private taken: Taken[] = [];
  private faxes: FaxTold[] = [];
  private unkept: Owed[];
  /** When the app was last known to be there; null: just now. */
  private seenAt: number | null;
  /** Devices that apps are signed in as. */
  private readonly devicesInUse = new Set<string>();

  constructor(private readonly options: InPageOfficeOptions) {
    this.exchange = new Exchange(options.state?.setup ?? options.setup, options.state?.exchange);
    this.standIns = new StandIns(options.cast, options.state?.standIns);
    this.carrier = new TextCarrier(options.cast, options.state?.carrier);
    this.faxCarrier = new FaxCarrier(options.cast, options.state?.faxCarrier);
    this.unkept = options.state?.owed ?? [];
    this.seenAt = options.state?.exchange?.now ?? null;
    this.stopListening = options.clock.subscribe(() => {
      // Time that is moved on by hand has passed for nobody.
      this.seenAt = null;
      this.catchUp();
    });
  }

  /** Begins to keep time; at the very first start every device signs in. Call once the listeners are there. */
  start(): void {
    const now = this.options.clock.now();
    if (this.exchange.signedIn.size === 0)
      for (const { id } of this.exchange.setup.devices)
        this.note(this.exchange.send({ type: 'signIn', deviceId: id }, now).events);
    this.catchUp();
  }

  /** The office as that session may use and see it. */
  linkFor(session: Session): OfficeLink {
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
    this.publish();
    return result;
  }

  async setScript(party: string, script: Script): Promise<void> {
    const request = officeRequestSchema.parse({ kind: 'script', party, script });
    const now = this.options.clock.now();
    this.runUntil(now);
    if (request.kind === 'script') this.standIns.setScript(request.party, request.script, now);
    this.runUntil(now);
    this.publish(true);
  }

  async setNetwork(network: Network): Promise<void> {
    const request = officeRequestSchema.parse({ kind: 'network', network });
    if (request.kind === 'network') this.standIns.setNetwork(request.network);
    this.publish(true);
  }

  async sendText(text: OutgoingText): Promise<'taken' | 'refused' | 'unreachable'> {
    const request = officeRequestSchema.parse({ kind: 'text', text });
    const now = this.options.clock.now();
    this.runUntil(now);
    const answer = request.kind === 'text' ? this.carrier.send(request.text, now) : 'refused';
    this.publish(true);
    return answer;
  }

  async receiveText(text: IncomingText): Promise<void> {
    const request = officeRequestSchema.parse({ kind: 'textIn', text });
    const now = this.options.clock.now();
    if (request.kind === 'textIn') this.carrier.receive(request.text, now);
    this.runUntil(now);
    this.publish(true);
  }

  async sendFax(fax: OutgoingFax): Promise<void> {
    const request = officeRequestSchema.parse({ kind: 'fax', fax });
    const now = this.options.clock.now();
    this.runUntil(now);
    if (request.kind === 'fax') this.faxCarrier.send(request.fax, now);
    this.runUntil(now);
    this.publish(true);
  }

  async stopFax(id: string): Promise<void> {
    const request = officeRequestSchema.parse({ kind: 'faxStop', id });
    const now = this.options.clock.now();
    this.runUntil(now);
    if (request.kind === 'faxStop') this.faxCarrier.stop(request.id, now);
    this.runUntil(now);
    this.publish(true);
  }

  async receiveFax(fax: IncomingFax): Promise<void> {
    const request = officeRequestSchema.parse({ kind: 'faxIn', fax });
    const now = this.options.clock.now();
    if (request.kind === 'faxIn') this.faxCarrier.receive(request.fax, now);
    this.runUntil(now);
    this.publish(true);
  }

  async setFaxScript(number: string, script: FaxScript): Promise<void> {
    const request = officeRequestSchema.parse({ kind: 'faxScript', number, script });
    if (request.kind === 'faxScript') this.faxCarrier.setScript(request.number, request.script);
    this.publish(true);
  }

  faxScriptOf(number: string): FaxScript {
    return this.faxCarrier.scriptOf(number);
  }

  async take(taken: Taken): Promise<void> {
    const request = officeRequestSchema.parse({ kind: 'take', taken });
    if (request.kind === 'take') this.taken.push(request.taken);
    this.publish(true);
  }

  async setTextScript(number: string, script: TextScript): Promise<void> {
    const request = officeRequestSchema.parse({ kind: 'textScript', number, script });
    if (request.kind === 'textScript') this.carrier.setScript(request.number, request.script);
    this.publish(true);
  }

  textScriptOf(number: string): TextScript {
    return this.carrier.scriptOf(number);
  }

  scriptOf(party: string): Script {
    return this.standIns.scriptOf(party);
  }

  owed(): readonly Owed[] {
    return this.unkept;
  }

  settle(): void {
    if (this.unkept.length === 0) return;
    this.unkept = [];
    this.options.onSettled?.();
  }

  subscribe(listener: (update: OfficeUpdate) => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  snapshot(): OfficeUpdate {
    return plain({
      at: this.exchange.now,
      events: [],
      changedCalls: [...this.exchange.calls.values()],
      endedCallIds: [],
      speech: [],
      texts: [],
      taken: [],
      faxes: [],
      setup: this.exchange.setup,
      signedIn: [...this.exchange.signedIn],
      network: this.standIns.network,
    });
  }

  save(): OfficeState {
    return {
      exchange: this.exchange.save(),
      standIns: this.standIns.save(),
      carrier: this.carrier.save(),
      faxCarrier: this.faxCarrier.save(),
      setup: this.exchange.setup,
      owed: this.unkept,
    };
  }

  close(): void {
    this.cancelTimer();
    this.stopListening();
    this.listeners.clear();
  }

  private catchUp(): void {
    const now = this.options.clock.now();
    this.runUntil(now);
    this.publish();
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

  /** Asleep, or closed: what the apps talked on has been ended by the network meanwhile, at its time. */
  private endWhatExpired(now: number): void {
    const { seenAt } = this;
    this.seenAt = Math.max(seenAt ?? now, now);
    if (seenAt === null || this.options.clock.isStanding) return;
    const expiredAt = seenAt + limits.sessionMs;
    if (expiredAt > now) return;
    this.runUntil(expiredAt);
    for (const deviceId of this.talking())
      this.note(this.exchange.send({ type: 'expire', deviceId }, expiredAt).events);
  }

  private runUntil(to: number): void {
    this.endWhatExpired(to);
    for (;;) {
      const due = this.exchange.nextTimerAt();
      const planned = this.standIns.nextAt();
      const next = Math.min(due ?? Infinity, planned ?? Infinity, this.nextFromCarriers());
      if (next > to) break;
      this.note(this.exchange.advance(next));
      this.takeTexts(this.carrier.takeDue(next), next);
      this.faxes.push(...this.faxCarrier.takeDue(next));
      const act = this.standIns.takeDue(next);
      if (act?.command && !this.isInUse(act.command)) this.note(this.exchange.send(act.command, next).events);
      if (act?.speech && !this.isInUse(act.speech)) this.speech.push(act.speech);
    }
    this.note(this.exchange.advance(to));
  }

  /** An app is signed in as that phone: no stand-in lifts it or speaks there. */
  private isInUse(at: object): boolean {
    const leg = 'legId' in at && typeof at.legId === 'string' ? this.exchange.legOf(at.legId) : null;
    return leg?.endpoint.kind === 'device' && this.devicesInUse.has(leg.endpoint.deviceId);
  }

  private nextFromCarriers(): number {
    return Math.min(this.carrier.nextAt() ?? Infinity, this.faxCarrier.nextAt() ?? Infinity);
  }

  private takeTexts(due: readonly TextEvent[], at: number): void {
    for (const event of due) {
      if (event.kind === 'callsBack') this.callBack(event.extension, at);
      else this.texts.push(event);
    }
  }

  /** The colleague calls from their desk phone whoever of this office uses the app. */
  private callBack(extension: string, at: number): void {
    const { people, devices } = this.exchange.setup;
    const from = people.find((person) => person.extension === extension);
    const desk = devices.find(({ kind, personId }) => kind === 'desk' && personId === from?.id);
    const app = devices.find(({ kind }) => kind === 'app');
    const to = people.find(({ id }) => id === app?.personId)?.extension;
    if (!desk || to === undefined) return;
    const command = { type: 'make', from: { kind: 'device', deviceId: desk.id }, to } as const;
    this.note(this.exchange.send(command, at).events);
  }

  private note(events: ExchangeEvent[]): void {
    if (events.length === 0) return;
    this.events.push(...events);
    this.standIns.observe(events, this.exchange.calls);
    this.standIns.giveUpOnFailure(this.exchange.now, this.exchange.calls.values());
  }

  private publish(always = false): void {
    this.schedule();
    const { events, speech, texts, taken, faxes } = this;
    const isQuiet = [events, speech, texts, faxes].every(({ length }) => length === 0);
    if (isQuiet && !always) return;
    this.events = [];
    this.speech = [];
    this.texts = [];
    this.taken = [];
    this.faxes = [];
    const touched = new Set(events.flatMap((event) => ('callId' in event ? [event.callId] : [])));
    const update = plain({
      at: this.exchange.now,
      events,
      changedCalls: [...touched].flatMap((id) => this.exchange.calls.get(id) ?? []),
      endedCallIds: [...touched].filter((id) => !this.exchange.calls.has(id)),
      speech,
      texts,
      taken,
      faxes,
      setup: events.some(({ type }) => type === 'configured') ? this.exchange.setup : null,
      signedIn: [...this.exchange.signedIn],
      network: this.standIns.network,
    });
    this.owe(update);
    for (const listener of this.listeners) listener(update);
  }

  /** Keeps in mind what has to be kept by others, until they say that it is. */
  private owe({ at, events, endedCallIds, speech, texts, taken, faxes }: OfficeUpdate): void {
    const kept = events.filter(({ type }) => type === 'recordWritten');
    if ([kept, speech, texts, taken, faxes].every(({ length }) => length === 0)) return;
    const spokenIn = new Set(speech.map(({ callId }) => callId));
    const changedCalls = [...spokenIn].flatMap((id) => this.exchange.calls.get(id) ?? []);
    this.unkept = [
      ...this.unkept,
      { at, events: kept, changedCalls, endedCallIds, speech, texts, taken, faxes },
    ];
  }

  private schedule(): void {
    this.cancelTimer();
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
