import { Exchange, type Command, type CommandResult, type ExchangeEvent } from '@/core/exchange';
import type { OfficeSetup } from '@/core/office';
import type { Network } from '@/core/quality';

import type { Clock } from '../clock';
import { StandIns, type Script, type Speech, type StandInCast } from '../standins';
import {
  officeRequestSchema,
  officeUpdateSchema,
  type OfficeLink,
  type OfficeState,
  type OfficeUpdate,
} from './link';

export interface InPageOfficeOptions {
  setup: OfficeSetup;
  cast: StandInCast;
  clock: Clock;
  /** Where an earlier run left off. */
  state?: Partial<OfficeState>;
  /** Test seam for the browser's timer. */
  setTimer?: (run: () => void, ms: number) => () => void;
}

const longestTimerMs = 60_000;
const browserTimer = (run: () => void, ms: number) => {
  const id = setTimeout(run, ms);
  return () => clearTimeout(id);
};

/** The exchange and its stand-ins run in the page, at the clock's pace. */
export class InPageOffice implements OfficeLink {
  private readonly exchange: Exchange;
  private readonly standIns: StandIns;
  private readonly listeners = new Set<(update: OfficeUpdate) => void>();
  private cancelTimer: () => void = () => undefined;
  private readonly stopListening: () => void;
  private events: ExchangeEvent[] = [];
  private speech: Speech[] = [];

  constructor(private readonly options: InPageOfficeOptions) {
    this.exchange = new Exchange(options.state?.setup ?? options.setup, options.state?.exchange);
    this.standIns = new StandIns(options.cast, options.state?.standIns);
    this.stopListening = options.clock.subscribe(() => this.catchUp());
  }

  /** Signs every device in that is not, and begins to keep time. Call once the listeners are there. */
  start(): void {
    const now = this.options.clock.now();
    for (const { id } of this.exchange.setup.devices) {
      if (!this.exchange.signedIn.has(id))
        this.note(this.exchange.send({ type: 'signIn', deviceId: id }, now).events);
    }
    this.catchUp();
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

  scriptOf(party: string): Script {
    return this.standIns.scriptOf(party);
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
      setup: this.exchange.setup,
      network: this.standIns.network,
    });
  }

  save(): OfficeState {
    return { exchange: this.exchange.save(), standIns: this.standIns.save(), setup: this.exchange.setup };
  }

  close(): void {
    this.cancelTimer();
    this.stopListening();
    this.listeners.clear();
  }

  private catchUp(): void {
    this.runUntil(this.options.clock.now());
    this.publish();
  }

  private runUntil(to: number): void {
    for (;;) {
      const due = this.exchange.nextTimerAt();
      const planned = this.standIns.nextAt();
      const next = Math.min(due ?? Infinity, planned ?? Infinity);
      if (next > to) break;
      this.note(this.exchange.advance(next));
      const act = this.standIns.takeDue(next);
      if (act?.command) this.note(this.exchange.send(act.command, next).events);
      if (act?.speech) this.speech.push(act.speech);
    }
    this.note(this.exchange.advance(to));
  }

  private note(events: ExchangeEvent[]): void {
    if (events.length === 0) return;
    this.events.push(...events);
    this.standIns.observe(events, this.exchange.calls);
    this.standIns.giveUpOnFailure(this.exchange.now, this.exchange.calls.values());
  }

  private publish(always = false): void {
    this.schedule();
    const { events, speech } = this;
    if (events.length === 0 && speech.length === 0 && !always) return;
    this.events = [];
    this.speech = [];
    const touched = new Set(events.flatMap((event) => ('callId' in event ? [event.callId] : [])));
    const update = plain({
      at: this.exchange.now,
      events,
      changedCalls: [...touched].flatMap((id) => this.exchange.calls.get(id) ?? []),
      endedCallIds: [...touched].filter((id) => !this.exchange.calls.has(id)),
      speech,
      setup: events.some(({ type }) => type === 'configured') ? this.exchange.setup : null,
      network: this.standIns.network,
    });
    for (const listener of this.listeners) listener(update);
  }

  private schedule(): void {
    this.cancelTimer();
    const next = Math.min(this.exchange.nextTimerAt() ?? Infinity, this.standIns.nextAt() ?? Infinity);
    if (next === Infinity) return;
    const realMs = this.options.clock.realMsUntil(next);
    if (realMs === null) return;
    const setTimer = this.options.setTimer ?? browserTimer;
    this.cancelTimer = setTimer(() => this.catchUp(), Math.min(realMs, longestTimerMs));
  }
}

/** What crosses the link is a copy that has passed the schema, as it would be from a server. */
function plain(update: OfficeUpdate): OfficeUpdate {
  return officeUpdateSchema.parse(update);
}
