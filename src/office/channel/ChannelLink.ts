import isEqual from 'fast-deep-equal';

import type { Command, CommandResult } from '@/core/calls/exchange';
import type { RouteTrace } from '@/core/plans/routing';
import type { InboxRequest, OfficeReply, OfficeRequest, Mark, SeenChange, SeenTables } from '@/core/office';

import type { OfficeUpdate, OutsideLink, Playing } from '../link';
import type { Script } from '../standins';
import { CallsHeard, type InParts } from './callParts';
import {
  answerSchemas,
  browserTimer,
  toAppSchema,
  type Asked,
  type ChangesPart,
  type Port,
  type TablesPart,
  type Timer,
  type ToHost,
} from './protocol';
import { joined, lastOfEach } from './tableParts';

/** Without an answer, it is said again after that long. */
export const againMs = 1_000;

interface Waiting {
  asked: Asked;
  message: ToHost;
  resolve: (answer: never) => void;
  reject: (error: Error) => void;
  callOff: () => void;
}

/** An answer that has come before updates which it follows. */
interface Early {
  id: number;
  told: number;
  answer: unknown;
}

/** Something that was asked and has not been answered, so that it can be asked in the place of an app that is gone. */
export interface Unanswered {
  id: number;
  request: OfficeRequest;
}

interface ChannelLinkOptions {
  timer?: Timer;
  /** What was missed is not kept any more: the rows have to be read anew. Calls are told as they are. */
  onAnew?: () => void;
  /** What is done in calls can’t wait: unanswered for so long it is not asked again, and refused. Left out: it waits. */
  commandMs?: number;
  /** Test seam: milliseconds on any clock that goes forward. */
  now?: () => number;
}

/** The link of an app to a host at the other end of a channel that may lose, repeat and delay. */
export class ChannelLink implements OutsideLink {
  private lastId = 0;
  private readonly waiting = new Map<number, Waiting>();
  private early: Early[] = [];
  /** The number of the last update that was told here, all before it having been. */
  private told = 0;
  private readonly ahead = new Map<number, InParts>();
  private readonly calls = new CallsHeard();
  private readonly listeners = new Set<(update: OfficeUpdate) => void>();
  /** After which number updates have been missed, and asked for. */
  private missedAfter: number | null = null;
  /** Up to where rows are known here; null before anything was told. */
  private mark: Mark | null = null;
  /** Up to where they were when updates were missed that nobody will tell; null where none were. */
  private missedSince: Mark | null = null;
  /** One more whenever everything has to be read anew. */
  private readings = 0;
  private stopMissing: () => void = () => undefined;
  /** What it has said last of what has come. */
  private got: ToHost | null = null;
  /**
   * How much the host's time is ahead of the clock here. A beat that was long on its way tells too little: the most that was told is the nearest
   * (the filter of RFC 5905 §10, for one way); null before there was a beat.
   */
  private hostIsAheadBy: number | null = null;
  private isOver = false;

  constructor(
    private port: Port,
    private readonly options: ChannelLinkOptions = {},
  ) {
    this.listen();
  }

  /** Goes on with a host that was begun anew: what was asked is asked again, and everything has to be read. */
  moveTo(port: Port): void {
    this.missedSince ??= this.mark;
    this.port.close();
    this.port = port;
    this.stopMissing();
    this.missedAfter = null;
    this.told = 0;
    this.got = null;
    this.hostIsAheadBy = null;
    this.ahead.clear();
    this.calls.forget();
    // Answers wait for updates that nobody will tell any more.
    for (const early of this.early) early.told = 0;
    this.listen();
    this.readings++;
    this.settle();
    for (const id of [...this.waiting.keys()]) this.say(id);
    this.readAnew();
  }

  /** Whether something has been asked and not been answered. */
  isWaiting(): boolean {
    return this.waiting.size > 0;
  }

  /** Asks under a number that was given before, by an app of the same name. */
  askUnder(id: number, request: OfficeRequest): Promise<OfficeReply> {
    this.lastId = Math.max(this.lastId, id - 1);
    return this.request({ what: 'ask', request });
  }

  /** What has been asked beside calls and not been answered yet. */
  unanswered(): Unanswered[] {
    return [...this.waiting].flatMap(([id, { asked }]) =>
      asked.what === 'ask' ? [{ id, request: asked.request }] : [],
    );
  }

  send(command: Command): Promise<CommandResult> {
    const done = this.request<CommandResult>({ what: 'send', command });
    const { commandMs } = this.options;
    if (commandMs === undefined) return done;
    const id = this.lastId;
    const tooLate = new Promise<CommandResult>((resolve) => {
      const callOff = (this.options.timer ?? browserTimer)(() => {
        if (this.done(id)) resolve({ ok: false, reason: { code: 'notReached' } });
      }, commandMs);
      void done.finally(callOff).catch(() => undefined);
    });
    return Promise.race([done, tooLate]);
  }

  ask(request: OfficeRequest): Promise<OfficeReply> {
    return this.request({ what: 'ask', request });
  }

  snapshot(): Promise<OfficeUpdate> {
    return this.request({ what: 'snapshot' });
  }

  foresee(to: string): Promise<RouteTrace | null> {
    return this.request({ what: 'foresee', to });
  }

  own(): Promise<SeenTables['personal']> {
    return this.request({ what: 'own' });
  }

  /** Reads the rows part by part. What is told meanwhile is put in its place, which needs all of it to have come. */
  async tables(): Promise<SeenTables> {
    for (;;) {
      const changes: SeenChange[] = [];
      const stop = this.subscribe((update) => changes.push(...update.changes));
      const parts: SeenTables[] = [];
      const reading = this.readings;
      let left = 1;
      while (left > 0 && reading === this.readings) {
        const read = await this.request<TablesPart>({ what: 'tables', part: parts.length });
        if (read.parts === 0) break;
        parts.push(read.rows);
        left = read.parts - parts.length;
      }
      stop();
      if (left === 0 && reading === this.readings) return joined(parts, changes);
    }
  }

  async changesSince(mark: Mark): Promise<SeenChange[] | null> {
    for (;;) {
      const changes: SeenChange[] = [];
      const reading = this.readings;
      let [part, left] = [0, 1];
      while (left > 0 && reading === this.readings) {
        const read = await this.request<ChangesPart | null>({ what: 'since', mark, part });
        if (read === null) return null;
        if (read.parts === 0) break;
        changes.push(...read.changes);
        left = read.parts - ++part;
      }
      if (left === 0 && reading === this.readings) return changes;
    }
  }

  /** With what is told meanwhile, in its place. */
  async missed(): Promise<SeenChange[] | null> {
    const since = this.missedSince;
    if (since === null) return null;
    const told: SeenChange[] = [];
    const stop = this.subscribe((update) => told.push(...update.changes));
    const changes = await this.changesSince(since);
    stop();
    if (this.missedSince === since) this.missedSince = null;
    return changes && lastOfEach([...changes, ...told]);
  }

  play(asked: Playing): Promise<void> {
    return this.request({ what: 'play', asked });
  }

  scriptOf(party: string): Promise<Script> {
    return this.request({ what: 'scriptOf', party });
  }

  askAs(personId: string, request: InboxRequest): Promise<OfficeReply> {
    return this.request({ what: 'askAs', personId, request });
  }

  subscribe(listener: (update: OfficeUpdate) => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  close(): void {
    if (this.isOver) return;
    this.isOver = true;
    this.stopMissing();
    this.port.say({ kind: 'close' } satisfies ToHost);
    this.port.close();
    this.listeners.clear();
    for (const { callOff, reject } of this.waiting.values()) {
      callOff();
      reject(new Error('The link was closed.'));
    }
    this.waiting.clear();
  }

  private listen(): void {
    const { port } = this;
    port.hear((message) => {
      if (port === this.port) this.hear(message);
    });
  }

  private request<Answer>(asked: Asked): Promise<Answer> {
    if (this.isOver) return Promise.reject(new Error('The link was closed.'));
    const id = ++this.lastId;
    const oldest = Math.min(id, ...this.waiting.keys());
    const message: ToHost = { kind: 'ask', id, asked, answeredUpTo: oldest - 1, ...this.stamp(asked) };
    return new Promise<Answer>((resolve, reject) => {
      this.waiting.set(id, { asked, message, resolve, reject, callOff: () => undefined });
      this.say(id);
    });
  }

  /** What can't wait is not to be done once nobody waits for it any more. */
  private stamp({ what }: Asked): { askedAt?: number } {
    if (what !== 'send' || this.options.commandMs === undefined || this.hostIsAheadBy === null) return {};
    return { askedAt: this.clock() + this.hostIsAheadBy };
  }

  private clock(): number {
    return (this.options.now ?? (() => performance.now()))();
  }

  private say(id: number): void {
    const waiting = this.waiting.get(id);
    if (!waiting) return;
    this.port.say(waiting.message);
    waiting.callOff();
    waiting.callOff = (this.options.timer ?? browserTimer)(() => this.say(id), againMs);
  }

  private hear(message: unknown): void {
    const read = toAppSchema.safeParse(message);
    // What can't be read is as good as lost: it is asked for again.
    if (this.isOver || !read.success) return;
    switch (read.data.kind) {
      case 'answer':
        this.early.push(read.data);
        this.missWhatIsNotThere(read.data.told);
        return this.settle();
      case 'fault':
        return this.fail(read.data.id, read.data.words);
      case 'beat':
        this.hostIsAheadBy = Math.max(this.hostIsAheadBy ?? -Infinity, read.data.at - this.clock());
        this.sayWhatHasCome();
        return this.missWhatIsNotThere(read.data.told);
      case 'anew':
        return this.beginAnew(read.data.told);
      case 'update':
        if (read.data.told > this.told) this.ahead.set(read.data.told, read.data);
        this.tell();
        this.missWhatIsNotThere(read.data.told);
        return this.settle();
    }
  }

  /** All that has come, in its order. */
  private tell(): void {
    for (let next = this.ahead.get(this.told + 1); next; next = this.ahead.get(this.told + 1)) {
      this.ahead.delete(++this.told);
      this.follow(next.update.mark);
      const update = this.calls.whole(next);
      if (update) for (const listener of this.listeners) listener(update);
      else this.readAnew();
    }
  }

  /** Up to where rows are known; where the office begins another log of them, they are seen otherwise, and have to be read anew. */
  private follow(mark: Mark): void {
    const before = this.mark;
    this.mark = mark;
    if (before === null || before.log === mark.log) return;
    this.missedSince ??= before;
    this.readings++;
    this.options.onAnew?.();
  }

  /** Whoever asks nothing more for long says so too, so that the host need not keep what it was told. */
  private sayWhatHasCome(): void {
    const answeredUpTo = Math.min(this.lastId + 1, ...this.waiting.keys()) - 1;
    const got = { kind: 'got', answeredUpTo, told: this.told } as const satisfies ToHost;
    if (isEqual(got, this.got)) return;
    this.got = got;
    this.port.say(got);
  }

  /** What is not there is asked for once, and again when it has not come for a while. */
  private missWhatIsNotThere(told: number): void {
    if (told <= this.told || this.missedAfter === this.told) return;
    this.missedAfter = this.told;
    this.port.say({ kind: 'missing', after: this.told } satisfies ToHost);
    this.stopMissing();
    this.stopMissing = (this.options.timer ?? browserTimer)(() => {
      this.missedAfter = null;
      this.missWhatIsNotThere(told);
    }, againMs);
  }

  private beginAnew(told: number): void {
    if (told <= this.told) return;
    this.missedSince ??= this.mark;
    this.told = told;
    this.readings++;
    this.calls.forget();
    for (const number of this.ahead.keys()) if (number <= told) this.ahead.delete(number);
    this.tell();
    this.settle();
    this.readAnew();
  }

  /** What was missed is told as everything that is; rows the app reads again by itself. */
  private readAnew(): void {
    void this.snapshot().then(
      (update) => this.listeners.forEach((listener) => listener(update)),
      () => undefined,
    );
    this.options.onAnew?.();
  }

  /** Gives the answers whose updates have been told. */
  private settle(): void {
    const ready = this.early.filter(({ told }) => told <= this.told);
    this.early = this.early.filter(({ told }) => told > this.told);
    for (const { id, told, answer } of ready) {
      const waiting = this.done(id);
      // What was read before that which has been told since would undo it: it is read once more.
      const isRead = waiting?.asked.what === 'snapshot' || waiting?.asked.what === 'own';
      if (waiting && isRead && told < this.told) {
        this.request<never>(waiting.asked).then(waiting.resolve, waiting.reject);
        continue;
      }
      const read = waiting && answerSchemas[waiting.asked.what].safeParse(answer);
      if (read?.success) waiting?.resolve(read.data as never);
      else waiting?.reject(new Error('The answer could not be read.'));
    }
  }

  private fail(id: number, words: string): void {
    this.done(id)?.reject(new Error(words));
  }

  /** Whoever waited for it, once. */
  private done(id: number): Waiting | undefined {
    const waiting = this.waiting.get(id);
    waiting?.callOff();
    this.waiting.delete(id);
    return waiting;
  }
}
