import type { z } from 'zod';

import type { CommandResult } from '@/core/calls/exchange';
import type { Mark, SeenChange, SeenTables } from '@/core/office';

import type { OutsideLink } from '../link';
import { CallsTold } from './callParts';
import {
  browserTimer,
  noRows,
  toHostSchema,
  type ChangesPart,
  type Port,
  type TablesPart,
  type Timer,
  type ToApp,
  type ToHost,
} from './protocol';
import { changesInParts, partsOf } from './tableParts';

type Asked = z.infer<typeof toHostSchema> & { kind: 'ask' };

/** So many updates are kept for an app that has missed some. */
const mostKept = 1_000;
export const beatMs = 1_000;
/** A command that was asked for so long ago is not done: by the time its answer came, nobody would wait for it (`commandMs` of the app). */
export const staleMs = 7_000;

interface ChannelHostOptions {
  /** By which name the app is known, also to a host that is begun anew. */
  app?: string;
  mostKept?: number;
  /** How often the number of the last update is told, in milliseconds. */
  beatMs?: number;
  timer?: Timer;
  /** Test seam: epoch milliseconds. */
  now?: () => number;
}

/**
 * Serves one session's link over a channel that may lose, repeat and delay. What an app asks under an id is done once, however often
 * it comes; every update has a number, and is told again where it was missed.
 */
export class ChannelHost {
  private told = 0;
  private readonly calls = new CallsTold();
  /** The last updates, the newest being number `told`. */
  private kept: ToApp[] = [];
  /** What was asked and is not known to have been answered, by its id. */
  private readonly answers = new Map<number, Promise<ToApp>>();
  private answeredUpTo = 0;
  /** Of the reading of all rows that is under way. */
  private parts: readonly SeenTables[] = [];
  /** Of what was changed since a mark. */
  private missing: readonly (readonly SeenChange[])[] | null = [];
  private stopBeating: () => void = () => undefined;
  private readonly stopListening: () => void;
  private isOver = false;

  constructor(
    private readonly link: OutsideLink,
    private readonly port: Port,
    private readonly options: ChannelHostOptions = {},
  ) {
    this.stopListening = link.subscribe((update) => {
      const message: ToApp = { kind: 'update', told: ++this.told, ...this.calls.inParts(update) };
      this.kept.push(message);
      if (this.kept.length > (options.mostKept ?? mostKept)) this.kept.shift();
      port.say(message);
    });
    port.hear((message) => this.hear(message));
    this.beat();
  }

  close(): void {
    if (this.isOver) return;
    this.isOver = true;
    this.stopBeating();
    this.stopListening();
    this.link.close();
    this.port.close();
  }

  private hear(message: unknown): void {
    if (this.isOver) return;
    const read = toHostSchema.safeParse(message);
    if (read.success) return this.take(read.data);
    const id = idOf(message);
    if (id !== null)
      this.port.say({ kind: 'fault', id, words: read.error.issues[0]?.message ?? 'Not readable' });
  }

  private take(message: z.infer<typeof toHostSchema>): void {
    switch (message.kind) {
      case 'ask':
        return void this.answer(message);
      case 'missing':
        return this.tellAgain(message.after);
      case 'got':
        this.forget(message.answeredUpTo);
        // The newest of them is number `told`.
        this.kept.splice(0, this.kept.length - (this.told - Math.min(message.told, this.told)));
        return;
      case 'close':
        return this.close();
    }
  }

  private async answer(message: Asked): Promise<void> {
    const { id, answeredUpTo } = message;
    this.forget(answeredUpTo);
    // It came late: its answer has arrived long since.
    if (id <= this.answeredUpTo) return;
    const answer = this.answers.get(id) ?? this.carryOut(message);
    this.answers.set(id, answer);
    const said = await answer;
    if (!this.isOver) this.port.say(said);
  }

  /** Answers up to that one have come. */
  private forget(answeredUpTo: number): void {
    for (const done of this.answers.keys()) if (done <= answeredUpTo) this.answers.delete(done);
    this.answeredUpTo = Math.max(this.answeredUpTo, answeredUpTo);
  }

  private async carryOut(message: Asked): Promise<ToApp> {
    const { id, asked } = message;
    try {
      const before = this.told;
      const answer = await this.carry(message);
      // An act is answered after all that it caused; what is read is of the time before it was.
      const isRead = ['snapshot', 'own', 'tables', 'since', 'foresee', 'scriptOf'].includes(asked.what);
      return { kind: 'answer', id, told: isRead ? before : this.told, answer };
    } catch (error) {
      return { kind: 'fault', id, words: error instanceof Error ? error.message : 'A fault' };
    }
  }

  private async carry({ id, answeredUpTo, asked, askedAt }: Asked): Promise<unknown> {
    const { app } = this.options;
    const numbered = app === undefined ? undefined : { app, id, answeredUpTo };
    switch (asked.what) {
      case 'send':
        return this.isStale(askedAt) ? tooLate : this.link.send(asked.command, numbered);
      case 'ask':
        return this.link.ask(asked.request, numbered);
      case 'snapshot':
        return this.link.snapshot();
      case 'foresee':
        return this.link.foresee(asked.to);
      case 'own':
        return this.link.own();
      case 'tables':
        return this.readPart(asked.part);
      case 'since':
        return this.readMissing(asked.mark, asked.part);
      case 'play':
        return this.link.play(asked.asked);
      case 'scriptOf':
        return this.link.scriptOf(asked.party);
      case 'askAs':
        return this.link.askAs(asked.personId, asked.request);
    }
  }

  private isStale(askedAt: number | undefined): boolean {
    return askedAt !== undefined && this.now() - askedAt > staleMs;
  }

  private now(): number {
    return (this.options.now ?? Date.now)();
  }

  private async readPart(part: number): Promise<TablesPart> {
    if (part === 0) this.parts = partsOf(await this.link.tables());
    const { length } = this.parts;
    const rows = this.parts[part];
    // The last one is not wanted again: under the same number the same answer is still there.
    if (part + 1 >= length) this.parts = [];
    return rows ? { rows, parts: length } : { rows: noRows(), parts: 0 };
  }

  private async readMissing(mark: Mark, part: number): Promise<ChangesPart | null> {
    if (part === 0) {
      const changes = await this.link.changesSince(mark);
      this.missing = changes && changesInParts(changes);
    }
    const { missing } = this;
    const changes = missing?.[part];
    if (missing && part + 1 >= missing.length) this.missing = [];
    if (missing === null) return null;
    return changes ? { changes: [...changes], parts: missing.length } : { changes: [], parts: 0 };
  }

  private tellAgain(after: number): void {
    const first = this.told - this.kept.length;
    if (after < first) {
      this.calls.forget();
      this.port.say({ kind: 'anew', told: this.told });
    } else for (const message of this.kept.slice(after - first)) this.port.say(message);
  }

  private beat(): void {
    this.stopBeating = (this.options.timer ?? browserTimer)(() => {
      this.port.say({ kind: 'beat', told: this.told, at: this.now() });
      this.beat();
    }, this.options.beatMs ?? beatMs);
  }
}

const tooLate: CommandResult = { ok: false, reason: { code: 'notReached' } };

/** Of what can't be read, under which id it was asked, so that whoever waits for the answer hears why there is none. */
function idOf(message: unknown): number | null {
  const { kind, id } = (message ?? {}) as Partial<ToHost & { id: number }>;
  return kind === 'ask' && typeof id === 'number' ? id : null;
}
