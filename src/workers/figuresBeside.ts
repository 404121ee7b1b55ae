import type { FigureCall, FiguresAsked, FiguresFound, Flow, OutCall, Place } from '@/core/calls/figures';
import type { CallRecord } from '@/core/calls/exchange';

export type FiguresTask =
  | { kind: 'add'; records: readonly CallRecord[] }
  | { kind: 'ask'; id: number; asked: FiguresAsked }
  | { kind: 'behind'; id: number; asked: FiguresAsked; key: string }
  | { kind: 'flows'; id: number; span: SpanAsked }
  | { kind: 'outCalls'; id: number; span: SpanAsked }
  | { kind: 'wentBy'; id: number; span: SpanAsked; lineIds: readonly string[]; place: Place };
export type FiguresAnswer = { id: number } & (
  { found: FiguresFound } | { calls: FigureCall[] } | { flows: Flow[] } | { outCalls: OutCall[] }
);

/** Epoch milliseconds: from then, before the other. */
export interface SpanAsked {
  from: number;
  until: number;
}

/** Reckons figures in a worker, which keeps the records it was given. */
export class FiguresBeside {
  private readonly worker = new Worker(new URL('./figures.worker', window.location.href));
  private readonly asked = new Map<number, (answer: FiguresAnswer) => void>();
  private nextId = 1;
  private isClosed = false;

  /** @param onFault no worker can be had now, or it can't go on */
  constructor(onFault: () => void) {
    this.worker.onerror = onFault;
    this.worker.onmessage = ({ data }: MessageEvent<FiguresAnswer>) => {
      this.asked.get(data.id)?.(data);
      this.asked.delete(data.id);
    };
  }

  add(records: readonly CallRecord[]): void {
    this.tell({ kind: 'add', records });
  }

  async ask(asked: FiguresAsked): Promise<FiguresFound | null> {
    const answer = await this.answered((id) => ({ kind: 'ask', id, asked }));
    return 'found' in answer ? answer.found : null;
  }

  async behind(asked: FiguresAsked, key: string): Promise<FigureCall[]> {
    const answer = await this.answered((id) => ({ kind: 'behind', id, asked, key }));
    return 'calls' in answer ? answer.calls : [];
  }

  async flows(span: SpanAsked): Promise<Flow[] | null> {
    const answer = await this.answered((id) => ({ kind: 'flows', id, span }));
    return 'flows' in answer ? answer.flows : null;
  }

  async outCalls(span: SpanAsked): Promise<OutCall[] | null> {
    const answer = await this.answered((id) => ({ kind: 'outCalls', id, span }));
    return 'outCalls' in answer ? answer.outCalls : null;
  }

  /** The calls by those lines that went by a place. */
  async wentBy(span: SpanAsked, lineIds: readonly string[], place: Place): Promise<FigureCall[]> {
    const answer = await this.answered((id) => ({ kind: 'wentBy', id, span, lineIds, place }));
    return 'calls' in answer ? answer.calls : [];
  }

  /** Whoever still waits for an answer, or asks later, has none: null, or no calls. */
  close(): void {
    this.isClosed = true;
    this.worker.terminate();
    for (const [id, answer] of this.asked) answer({ id, calls: [] });
    this.asked.clear();
  }

  private answered(task: (id: number) => FiguresTask): Promise<FiguresAnswer> {
    const id = this.nextId++;
    if (this.isClosed) return Promise.resolve({ id, calls: [] });
    return new Promise((resolve) => {
      this.asked.set(id, resolve);
      this.tell(task(id));
    });
  }

  private tell(task: FiguresTask): void {
    this.worker.postMessage(task);
  }
}
