import type { z } from 'zod';

import type { OfficeLink } from '../link';
import { browserTimer, toHostSchema, type Port, type Timer, type ToApp, type ToHost } from './protocol';

type Asked = z.infer<typeof toHostSchema> & { kind: 'ask' };

/** So many updates are kept for an app that has missed some. */
const mostKept = 1_000;
export const beatMs = 1_000;

interface ChannelHostOptions {
  mostKept?: number;
  timer?: Timer;
}

/**
 * Serves one session's link over a channel that may lose, repeat and delay. What an app asks under an id is done once, however often
 * it comes; every update has a number, and is told again where it was missed.
 */
export class ChannelHost {
  private told = 0;
  /** The last updates, the newest being number `told`. */
  private kept: ToApp[] = [];
  /** What was asked and is not known to have been answered, by its id. */
  private readonly answers = new Map<number, Promise<ToApp>>();
  private answeredUpTo = 0;
  private stopBeating: () => void = () => undefined;
  private readonly stopListening: () => void;
  private isOver = false;

  constructor(
    private readonly link: OfficeLink,
    private readonly port: Port,
    private readonly options: ChannelHostOptions = {},
  ) {
    this.stopListening = link.subscribe((update) => {
      const message: ToApp = { kind: 'update', told: ++this.told, update };
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
      case 'close':
        return this.close();
    }
  }

  private async answer(message: Asked): Promise<void> {
    const { id, answeredUpTo } = message;
    for (const done of this.answers.keys()) if (done <= answeredUpTo) this.answers.delete(done);
    this.answeredUpTo = Math.max(this.answeredUpTo, answeredUpTo);
    // It came late: its answer has arrived long since.
    if (id <= this.answeredUpTo) return;
    const answer = this.answers.get(id) ?? this.carryOut(message);
    this.answers.set(id, answer);
    const said = await answer;
    if (!this.isOver) this.port.say(said);
  }

  private async carryOut({ id, asked }: Asked): Promise<ToApp> {
    try {
      const before = this.told;
      const answer = await this.carry(asked);
      // An act is answered after all that it caused; what is read is of the time before it was.
      const isAct = asked.what === 'send' || asked.what === 'ask';
      return { kind: 'answer', id, told: isAct ? this.told : before, answer };
    } catch (error) {
      return { kind: 'fault', id, words: error instanceof Error ? error.message : 'A fault' };
    }
  }

  private carry(asked: Asked['asked']): Promise<unknown> {
    switch (asked.what) {
      case 'send':
        return this.link.send(asked.command);
      case 'ask':
        return this.link.ask(asked.request);
      case 'snapshot':
        return this.link.snapshot();
      case 'tables':
        return this.link.tables();
    }
  }

  private tellAgain(after: number): void {
    const first = this.told - this.kept.length;
    if (after < first) this.port.say({ kind: 'anew', told: this.told });
    else for (const message of this.kept.slice(after - first)) this.port.say(message);
  }

  private beat(): void {
    this.stopBeating = (this.options.timer ?? browserTimer)(() => {
      this.port.say({ kind: 'beat', told: this.told });
      this.beat();
    }, beatMs);
  }
}

/** Of what can't be read, under which id it was asked, so that whoever waits for the answer hears why there is none. */
function idOf(message: unknown): number | null {
  const { kind, id } = (message ?? {}) as Partial<ToHost & { id: number }>;
  return kind === 'ask' && typeof id === 'number' ? id : null;
}
