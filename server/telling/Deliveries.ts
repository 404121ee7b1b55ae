import { mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { createHash } from 'node:crypto';
import { z } from 'zod';

import {
  afterTry,
  begun,
  deliverySchema,
  progressSchema,
  type Delivery,
  type Progress,
  type TryResult,
} from '@/core/notices';

const keptSchema = z.object({
  delivery: deliverySchema,
  progress: progressSchema,
  endedAt: z.number().nullable(),
});
type Kept = z.infer<typeof keptSchema>;

const dayMs = 24 * 3_600_000;
/** How long it is known how a delivery ended. */
const rememberMs = 7 * dayMs;
const mostKept = 5_000;

export interface DeliveriesOptions {
  /** Where they are kept, a file each, so that a server that is started anew goes on with them. */
  folder: string;
  tell: (delivery: Delivery) => Promise<TryResult>;
  now?: () => number;
  setTimer?: (run: () => void, ms: number) => () => void;
}

const realTimer = (run: () => void, ms: number) => {
  const timer = setTimeout(run, ms);
  timer.unref();
  return () => clearTimeout(timer);
};

/** What is to be told elsewhere: each once, tried again with growing pauses. */
export class Deliveries {
  private readonly kept = new Map<string, Kept>();
  private readonly underway = new Set<string>();
  private readonly now: () => number;
  private readonly setTimer: NonNullable<DeliveriesOptions['setTimer']>;
  private cancelTimer: () => void = () => undefined;

  constructor(private readonly options: DeliveriesOptions) {
    this.now = options.now ?? Date.now;
    this.setTimer = options.setTimer ?? realTimer;
    mkdirSync(options.folder, { recursive: true });
    for (const name of readdirSync(options.folder)) this.read(join(options.folder, name));
    this.forgetOld();
    this.schedule();
  }

  /** Takes one on. One that is known already stays as it is. `null`: there are too many. */
  take(delivery: Delivery): Progress | null {
    const known = this.kept.get(delivery.id);
    if (known) return known.progress;
    this.forgetOld();
    if (this.kept.size >= mostKept) return null;
    const progress = begun(delivery.id, this.now());
    this.keep({ delivery, progress, endedAt: null });
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
      this.keep({
        ...known,
        progress: { ...known.progress, state: 'waiting', nextAt: this.now() },
        endedAt: null,
      });
      this.schedule();
    }
    return this.kept.get(id)?.progress ?? null;
  }

  close(): void {
    this.cancelTimer();
  }

  private schedule(): void {
    this.cancelTimer();
    const times = [...this.kept].flatMap(([id, { progress }]) =>
      progress.nextAt === null || this.underway.has(id) ? [] : [progress.nextAt],
    );
    if (times.length === 0) return;
    this.cancelTimer = this.setTimer(() => this.tryDue(), Math.max(0, Math.min(...times) - this.now()));
  }

  private tryDue(): void {
    for (const [id, { progress }] of this.kept)
      if (progress.nextAt !== null && progress.nextAt <= this.now() && !this.underway.has(id))
        void this.try(id);
    this.schedule();
  }

  private async try(id: string): Promise<void> {
    const before = this.kept.get(id);
    if (!before) return;
    this.underway.add(id);
    const result = await this.options.tell(before.delivery).catch((error: unknown): TryResult => {
      return { ok: false, forGood: false, problem: String(error) };
    });
    this.underway.delete(id);
    const progress = afterTry(before.progress, result, this.now());
    // The sound of what has arrived is not needed any more.
    const delivery = progress.state === 'delivered' ? withoutSound(before.delivery) : before.delivery;
    this.keep({ delivery, progress, endedAt: progress.nextAt === null ? this.now() : null });
    this.schedule();
  }

  private keep(kept: Kept): void {
    const { id } = kept.delivery;
    this.kept.set(id, kept);
    const file = this.fileOf(id);
    // Renamed into place, so that a server that stops meanwhile leaves the old one whole.
    writeFileSync(`${file}.new`, JSON.stringify(kept));
    renameSync(`${file}.new`, file);
  }

  private read(file: string): void {
    try {
      const kept = keptSchema.parse(JSON.parse(readFileSync(file, 'utf8')));
      this.kept.set(kept.delivery.id, kept);
    } catch {
      console.error(`Left out, since it can't be read: ${file}`);
    }
  }

  private forgetOld(): void {
    for (const [id, { endedAt }] of this.kept) {
      if (endedAt === null || this.now() - endedAt < rememberMs) continue;
      this.kept.delete(id);
      rmSync(this.fileOf(id), { force: true });
    }
  }

  private fileOf(id: string): string {
    return join(this.options.folder, `${createHash('sha256').update(id).digest('hex').slice(0, 32)}.json`);
  }
}

const withoutSound = ({ notice, ...delivery }: Delivery): Delivery => ({
  ...delivery,
  notice: { ...notice, soundWav: null },
});
