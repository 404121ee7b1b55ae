import { createHash } from 'node:crypto';
import { mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';

import { deliverySchema, progressSchema, type Delivery } from '@/core/inbox/notifications';

const standingSchema = z.object({ progress: progressSchema, endedAt: z.number().nullable() });
/** How far one has come; what it tells stays on the disk, since a voicemail's sound is megabytes. */
export type Standing = z.infer<typeof standingSchema>;

/** As an earlier version kept both in one file. */
const oneFileSchema = standingSchema.extend({ delivery: deliverySchema });

const standingEnd = '.json';
const noticeEnd = '.notice.json';

/** Deliveries on the disk: two files each, how far it has come and what is told. Any act may throw, as a full disk does. */
export class DeliveryFiles {
  constructor(private readonly folder: string) {
    mkdirSync(folder, { recursive: true });
  }

  /** How far all have come; what can't be read is told and left out. One is looked at after the other. */
  readAll(): Standing[] {
    const names = readdirSync(this.folder);
    for (const name of names.filter((each) => each.endsWith('.new'))) rmSync(join(this.folder, name));
    return names
      .filter((name) => name.endsWith(standingEnd) && !name.endsWith(noticeEnd))
      .flatMap((name) => this.readOne(name) ?? []);
  }

  private readOne(name: string): Standing | null {
    try {
      const data: unknown = JSON.parse(readFileSync(join(this.folder, name), 'utf8'));
      const old = oneFileSchema.safeParse(data);
      if (!old.success) return standingSchema.parse(data);
      const { delivery, ...standing } = old.data;
      if (standing.endedAt === null) this.keepNotice(delivery);
      this.keep(standing);
      return standing;
    } catch {
      console.error(`Left out, since it can't be read: ${join(this.folder, name)}`);
      return null;
    }
  }

  keep(standing: Standing): void {
    this.write(`${hashOf(standing.progress.id)}${standingEnd}`, standing);
  }

  keepNotice(delivery: Delivery): void {
    this.write(`${hashOf(delivery.id)}${noticeEnd}`, delivery);
  }

  /** What one tells; null where it can't be read any more. */
  readNotice(id: string): Delivery | null {
    try {
      const text = readFileSync(join(this.folder, `${hashOf(id)}${noticeEnd}`), 'utf8');
      return deliverySchema.parse(JSON.parse(text));
    } catch {
      return null;
    }
  }

  dropNotice(id: string): void {
    rmSync(join(this.folder, `${hashOf(id)}${noticeEnd}`), { force: true });
  }

  drop(id: string): void {
    this.dropNotice(id);
    rmSync(join(this.folder, `${hashOf(id)}${standingEnd}`), { force: true });
  }

  /** Renamed into place, so that a server that stops meanwhile leaves the old one whole. */
  private write(name: string, data: unknown): void {
    const file = join(this.folder, name);
    writeFileSync(`${file}.new`, JSON.stringify(data));
    renameSync(`${file}.new`, file);
  }
}

const hashOf = (id: string) => createHash('sha256').update(id).digest('hex').slice(0, 32);
