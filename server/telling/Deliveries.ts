import { afterTry, begun, type Delivery, type Progress, type TryResult } from '@/core/inbox/notifications';

import { DeliveryFiles, type Standing } from './DeliveryFiles';

const dayMs = 24 * 3_600_000;
/** How long it is known how a delivery ended. */
const rememberMs = 7 * dayMs;
const mostKept = 5_000;
/** So many are told at the same time: each may hold a voicemail's sound in memory. */
const mostUnderway = 4;

export interface DeliveriesOptions {
  /** Where they are kept, so that a server that is started anew goes on with them. */
  folder: string;
  tell: (delivery: Delivery) => Promise<TryResult>;
  now?: () => number;
  setTimer?: (run: () => void, ms: number) => () => void;
  /** How far one has come, after each try. */
  onProgress?: (progress: Progress) => void;
  mostKept?: number;
}

const realTimer = (run: () => void, ms: number) => {
  const timer = setTimeout(run, ms);
  timer.unref();
  return () => clearTimeout(timer);
};

/** What is to be told elsewhere: each once, tried again with growing pauses. Nothing one of them does ends another. */
export class Deliveries {
  private readonly kept = new Map<string, Standing>();
  private readonly underway = new Set<string>();
  private readonly files: DeliveryFiles;
  private readonly now: () => number;
  private readonly setTimer: NonNullable<DeliveriesOptions['setTimer']>;
  private cancelTimer: () => void = () => undefined;

  constructor(private readonly options: DeliveriesOptions) {
    this.now = options.now ?? Date.now;
    this.setTimer = options.setTimer ?? realTimer;
    this.files = new DeliveryFiles(options.folder);
    for (const standing of this.files.readAll()) this.kept.set(standing.progress.id, standing);
    this.forgetOld();
    this.schedule();
  }

  /**
   * Takes one on. One that is known already stays as it is. Where there are too many, another makes room: whoever handed
   * that one over still has it, and hands it over anew. `null`: it can't be kept, since the disk is full.
   *
   * @param afterMs when it is first tried
   */
  take(delivery: Delivery, afterMs = 0): Progress | null {
    const known = this.kept.get(delivery.id);
    if (known) return known.progress;
    this.forgetOld();
    if (this.kept.size >= (this.options.mostKept ?? mostKept)) this.makeRoom();
    const progress = begun(delivery.id, this.now() + afterMs);
    try {
      this.files.keepNotice(delivery);
      this.files.keep({ progress, endedAt: null });
    } catch (error) {
      complain(error);
      this.drop(delivery.id);
      return null;
    }
    this.kept.set(delivery.id, { progress, endedAt: null });
    this.schedule();
    return progress;
  }

  progressOf(ids: readonly string[]): Progress[] {
    return ids.flatMap((id) => this.kept.get(id)?.progress ?? []);
  }

  /** Tries one now that waits or was given up. */
  again(id: string): Progress | null {
    const known = this.kept.get(id);
    if (!known) return null;
    if (known.progress.state !== 'delivered') {
      this.keep({ progress: { ...known.progress, state: 'waiting', nextAt: this.now() }, endedAt: null });
      this.schedule();
    }
    return this.kept.get(id)?.progress ?? null;
  }

  close(): void {
    this.cancelTimer();
  }

  private schedule(): void {
    this.cancelTimer();
    if (this.underway.size >= mostUnderway) return;
    let next = Infinity;
    for (const [id, { progress }] of this.kept)
      if (progress.nextAt !== null && !this.underway.has(id)) next = Math.min(next, progress.nextAt);
    if (next === Infinity) return;
    this.cancelTimer = this.setTimer(() => this.tryDue(), Math.max(0, next - this.now()));
  }

  private tryDue(): void {
    for (const [id, { progress }] of this.kept) {
      if (this.underway.size >= mostUnderway) break;
      if (progress.nextAt !== null && progress.nextAt <= this.now() && !this.underway.has(id))
        void this.try(id);
    }
    this.schedule();
  }

  /** Never rejects. */
  private async try(id: string): Promise<void> {
    const before = this.kept.get(id);
    if (!before) return;
    const delivery = this.files.readNotice(id);
    // Forgotten here, it is handed over anew by whoever still has it.
    if (!delivery) return this.drop(id);
    this.underway.add(id);
    const result = await this.tell(delivery);
    this.underway.delete(id);
    const progress = afterTry(before.progress, result, this.now());
    this.keep({ progress, endedAt: progress.nextAt === null ? this.now() : null });
    this.options.onProgress?.(progress);
    // What has arrived is not needed any more.
    if (progress.state === 'delivered') attempt(() => this.files.dropNotice(id));
    this.schedule();
  }

  private async tell(delivery: Delivery): Promise<TryResult> {
    try {
      return await this.options.tell(delivery);
    } catch (error) {
      complain(error);
      return { ok: false, forGood: false, problem: 'It could not be sent.' };
    }
  }

  /** On a full disk it is known in memory, and told once more after a restart. */
  private keep(standing: Standing): void {
    this.kept.set(standing.progress.id, standing);
    attempt(() => this.files.keep(standing));
  }

  private forgetOld(): void {
    for (const [id, { endedAt }] of this.kept)
      if (endedAt !== null && this.now() - endedAt >= rememberMs) this.drop(id);
  }

  /** One that is over goes first, the oldest; else the one that was tried in vain most often. */
  private makeRoom(): void {
    let [goes, most] = ['', -Infinity];
    for (const [id, { progress, endedAt }] of this.kept) {
      if (this.underway.has(id)) continue;
      const rank = endedAt === null ? progress.tries : 1_000 + this.now() - endedAt;
      if (rank > most) [goes, most] = [id, rank];
    }
    this.drop(goes);
  }

  private drop(id: string): void {
    this.kept.delete(id);
    attempt(() => this.files.drop(id));
  }
}

function attempt(act: () => void): void {
  try {
    act();
  } catch (error) {
    complain(error);
  }
}

const complain = (error: unknown) =>
  console.error(`Deliveries: ${error instanceof Error ? error.message : String(error)}`);
