import type { Command, CommandResult } from '@/core/calls/exchange';
import type { InboxReply, InboxRequest, SeenTables } from '@/core/office';

import type { OfficeLink, OfficeUpdate } from '../link';
import {
  answerSchemas,
  browserTimer,
  toAppSchema,
  type Asked,
  type Port,
  type Timer,
  type ToHost,
} from './protocol';

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

interface ChannelLinkOptions {
  timer?: Timer;
  /** What was missed is not kept any more: snapshot and tables have to be read anew. */
  onAnew?: () => void;
}

/** The link of an app to a host at the other end of a channel that may lose, repeat and delay. */
export class ChannelLink implements OfficeLink {
  private lastId = 0;
  private readonly waiting = new Map<number, Waiting>();
  private early: Early[] = [];
  /** The number of the last update that was told here, all before it having been. */
  private told = 0;
  private readonly ahead = new Map<number, OfficeUpdate>();
  private readonly listeners = new Set<(update: OfficeUpdate) => void>();
  /** After which number updates have been missed, and asked for. */
  private missedAfter: number | null = null;
  private stopMissing: () => void = () => undefined;
  private isOver = false;

  constructor(
    private readonly port: Port,
    private readonly options: ChannelLinkOptions = {},
  ) {
    port.hear((message) => this.hear(message));
  }

  send(command: Command): Promise<CommandResult> {
    return this.request({ what: 'send', command });
  }

  ask(request: InboxRequest): Promise<InboxReply> {
    return this.request({ what: 'ask', request });
  }

  snapshot(): Promise<OfficeUpdate> {
    return this.request({ what: 'snapshot' });
  }

  tables(): Promise<SeenTables> {
    return this.request({ what: 'tables' });
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

  private request<Answer>(asked: Asked): Promise<Answer> {
    if (this.isOver) return Promise.reject(new Error('The link was closed.'));
    const id = ++this.lastId;
    const oldest = Math.min(id, ...this.waiting.keys());
    const message: ToHost = { kind: 'ask', id, asked, answeredUpTo: oldest - 1 };
    return new Promise<Answer>((resolve, reject) => {
      this.waiting.set(id, { asked, message, resolve, reject, callOff: () => undefined });
      this.say(id);
    });
  }

  private say(id: number): void {
    const waiting = this.waiting.get(id);
    if (!waiting) return;
    this.port.say(waiting.message);
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
        return this.missWhatIsNotThere(read.data.told);
      case 'anew':
        return this.beginAnew(read.data.told);
      case 'update':
        if (read.data.told > this.told) this.ahead.set(read.data.told, read.data.update);
        this.tell();
        this.missWhatIsNotThere(read.data.told);
        return this.settle();
    }
  }

  /** All that has come, in its order. */
  private tell(): void {
    for (let next = this.ahead.get(this.told + 1); next; next = this.ahead.get(this.told + 1)) {
      this.ahead.delete(++this.told);
      for (const listener of this.listeners) listener(next);
    }
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
    this.told = told;
    for (const number of this.ahead.keys()) if (number <= told) this.ahead.delete(number);
    this.options.onAnew?.();
    this.tell();
    this.settle();
  }

  /** Gives the answers whose updates have been told. */
  private settle(): void {
    const ready = this.early.filter(({ told }) => told <= this.told);
    this.early = this.early.filter(({ told }) => told > this.told);
    for (const { id, told, answer } of ready) {
      const waiting = this.done(id);
      // What was read before that which has been told since would undo it: it is read once more.
      const isRead = waiting?.asked.what === 'snapshot' || waiting?.asked.what === 'tables';
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
