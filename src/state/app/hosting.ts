import { TabLock } from '@/office/lock';

import type { Begin } from '../tabs';
import type { Duties } from './duties';

interface HostingOptions {
  /** The name under which the office is kept. */
  storage: string;
  /** Left out where a server hosts it: then this does only what one tab does for all. */
  openWorker?: () => Worker;
  begin: () => Begin;
  /** What hosts it is being fetched. */
  onFetch: () => void;
  duties: Duties;
  onFailure: (words: string) => void;
}

/**
 * Hosts the office, in a worker of this tab, as soon as no other tab does, and does then what one tab does for all. The worker goes
 * with the tab; the next one begins it anew from what was kept.
 */
export class Hosting {
  private readonly lock: TabLock;
  private worker: Worker | null = null;

  constructor(private readonly options: HostingOptions) {
    // The name by which versions that ran the office in their page had it: one of those is told to stop.
    this.lock = new TabLock(`${options.storage}-office`, {
      onHeld: () => this.begin(),
      onLost: () => this.end(),
    });
  }

  get isHere(): boolean {
    return this.lock.isHeld;
  }

  start(): void {
    this.lock.want();
  }

  /** Whoever hosts it is silent: asleep, or gone without a word. */
  takeOver(): void {
    if (this.isHere) return this.reopen();
    this.lock.take();
  }

  /** Begins the office anew, where this tab hosts it. */
  reopen(): void {
    if (!this.isHere) return;
    this.worker?.terminate();
    this.openWorker();
  }

  close(): void {
    this.end();
    this.lock.close();
  }

  private begin(): void {
    this.openWorker();
    this.options.duties.begin();
  }

  private end(): void {
    this.worker?.terminate();
    this.worker = null;
    this.options.duties.end();
  }

  private openWorker(): void {
    const { openWorker, begin, onFetch, onFailure } = this.options;
    if (!openWorker) return;
    const worker = openWorker();
    this.worker = worker;
    worker.onerror = (event) => {
      if (this.worker === worker) onFailure(event.message || 'What the office runs on could not be fetched.');
    };
    worker.postMessage(begin());
    onFetch();
  }
}
