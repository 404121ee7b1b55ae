import { FiguresBeside, type FiguresTask } from './figuresBeside';

/** A worker that answers when it is told to. */
class HeldWorker {
  static last: HeldWorker;
  onerror: (() => void) | null = null;
  onmessage: ((event: { data: unknown }) => void) | null = null;
  readonly told: FiguresTask[] = [];
  isTerminated = false;
  constructor() {
    HeldWorker.last = this;
  }
  postMessage(task: FiguresTask): void {
    this.told.push(task);
  }
  terminate(): void {
    this.isTerminated = true;
  }
}

const span = { from: 0, until: 1 };
const { Worker } = globalThis;
beforeAll(() => void Object.assign(globalThis, { Worker: HeldWorker }));
afterAll(() => void Object.assign(globalThis, { Worker }));

it('each answer goes to whoever asked, in whatever order they come', async () => {
  const beside = new FiguresBeside(() => undefined);
  const [one, other] = [beside.flows(span), beside.outCalls(span)];
  HeldWorker.last.onmessage?.({ data: { id: 2, outCalls: [] } });
  HeldWorker.last.onmessage?.({ data: { id: 1, flows: [] } });
  expect(await Promise.all([one, other])).toEqual([[], []]);
});

it('a worker that fails answers nobody who waits, and nobody who asks afterwards', async () => {
  const beside = new FiguresBeside(() => beside.close());
  const waiting = beside.flows(span);
  HeldWorker.last.onerror?.();
  expect(HeldWorker.last.isTerminated).toBe(true);
  expect(await waiting).toBeNull();
  expect(await beside.flows(span)).toBeNull();
  expect(await beside.wentBy(span, [], { kind: 'line', id: 'main' })).toEqual([]);
});
