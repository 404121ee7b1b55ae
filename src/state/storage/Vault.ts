import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import type { z } from 'zod';

import { isStorageBlocked, NewerData, UnreadableStorage } from './unreadable';
import { Unwritten } from './Unwritten';

/** `failed`: this browser lets nothing be kept. What could not be written waits and is tried again. */
export type VaultStatus = 'ok' | 'full' | 'failed';

/** Something that could not be read: kept as it was, under a key of its own. */
export interface SetAside {
  key: string;
  count: number;
}

/** A kind of stored thing: its version, its schema, and how each older version becomes the next. */
export interface StoredKind<T> {
  version: number;
  schema: z.ZodType<T>;
  /** `migrations[n]` turns version n into n + 1. */
  migrations?: Readonly<Record<number, (data: unknown) => unknown>>;
}

/** What keeps texts under keys: this browser, or the disk of a server. */
export type Backend = Pick<
  ReturnType<typeof createAsyncStorage>,
  'getMany' | 'setMany' | 'removeMany' | 'getAllKeys'
> & {
  /** Those alone that begin so, where that is less work. */
  getKeys?: (prefix: string) => Promise<string[]>;
};

const retryMs = 5_000;
/** A read that fails is tried again so often, and so soon. */
const readTries = 6;
const readAgainMs = 500;
/** Reading much pauses after so long, so that no frame waits for it. */
const longestStretchMs = 8;
/** Under it stands what was set aside, by the key it was set aside from. */
export const asidePrefix = 'aside/';

/**
 * What the app keeps on this device. Values are lines: a head `{"v":1}`, then one JSON document a line, so that
 * damage to one line costs only that line. Everything read passes its schema; what doesn't is set aside and told.
 */
export class Vault {
  /** What waits to be written, and (null) to be taken out. */
  private pending = new Map<string, string | null>();
  private underway = new Map<string, string | null>();
  private hasRescued = false;
  private writing: Promise<void> | null = null;
  private status: VaultStatus = 'ok';
  private closed = false;

  constructor(
    private readonly onStatus: (status: VaultStatus) => void,
    private readonly onSetAside: (aside: SetAside) => void,
    private readonly backend: Backend,
    private readonly unwritten = new Unwritten(),
    private readonly isBlocked: () => boolean = isStorageBlocked,
  ) {}

  /** What is kept in this browser under that name; `within`: some of it elsewhere. */
  static named(
    name: string,
    onStatus: (status: VaultStatus) => void,
    onSetAside: (aside: SetAside) => void,
    within: (here: Backend) => Backend = (here) => here,
  ): Vault {
    return new Vault(onStatus, onSetAside, within(createAsyncStorage(name)), new Unwritten(undefined, name));
  }

  /**
   * Writes what the page before this one had no time for. Call before all else. Rejects with `NewerData`, and writes nothing, where
   * a newer version has been here since.
   */
  async recover(): Promise<void> {
    const left = this.unwritten.all();
    if (left.size === 0) return;
    const there = await this.fetch([...left.keys()]);
    const isNewer = [...left].some(([key, text]) => headOf(there[key]) > (headOf(text) || Infinity));
    if (isNewer) throw new NewerData();
    this.hasRescued = true;
    await this.change(left);
  }

  /** The page goes now: what is not yet written is left where the next one finds it. */
  rescue(): void {
    if (this.closed) return;
    const left = this.waiting();
    if (left.size === 0) return;
    this.hasRescued = true;
    this.unwritten.keep(left);
  }

  /**
   * Keys that begin so, in order; where the browser keeps nothing, of what waits to be written. Rejects with `UnreadableStorage`,
   * as all reading does.
   */
  async keys(prefix: string): Promise<string[]> {
    const all = new Set<string>();
    const { backend } = this;
    const there = await this.surely(() => backend.getKeys?.(prefix) ?? backend.getAllKeys());
    for (const key of there ?? []) all.add(key);
    for (const [key, text] of this.waiting()) {
      if (text === null) all.delete(key);
      else all.add(key);
    }
    return [...all].filter((key) => key.startsWith(prefix)).sort();
  }

  /** The documents under one key; null where there is none. Rejects with `NewerData`, and touches nothing, where they are newer. */
  async read<T>(key: string, kind: StoredKind<T>): Promise<T[] | null> {
    return (await this.readMany([key], kind)).get(key) ?? null;
  }

  async readMany<T>(keys: readonly string[], kind: StoredKind<T>): Promise<Map<string, T[]>> {
    const found = new Map<string, T[]>();
    const texts = await this.fetch(keys);
    for (const key of keys) {
      const text = texts[key];
      if (text === null || text === undefined) continue;
      const { items, damaged } = await parseLines(text, kind);
      found.set(key, items);
      if (damaged.length > 0) await this.setAside(key, damaged, items, kind);
    }
    return found;
  }

  /** Values as they stand in storage, to be taken elsewhere; keys that have none are left out. */
  async texts(keys: readonly string[]): Promise<Map<string, string>> {
    const found = await this.fetch(keys);
    return new Map(
      Object.entries(found).filter((entry): entry is [string, string] => typeof entry[1] === 'string'),
    );
  }

  /** A text in the stored form, read as far as it can be. Rejects with `NewerData`. */
  static async parse<T>(text: string, kind: StoredKind<T>): Promise<T[]> {
    return (await parseLines(text, kind)).items;
  }

  /** Whether a text in the stored form is one that this version can read, to its last line. */
  static async isReadable<T>(text: string, kind: StoredKind<T>): Promise<boolean> {
    const parsed = await parseLines(text, kind).catch(() => null);
    return parsed !== null && parsed.damaged.length === 0;
  }

  /**
   * Text of a key in the stored form. What its schema would not read again (a length that is no number, say) is left out, as a
   * fault of ours that stands in the console; where nothing is left, the text is empty, and `write` keeps what was there.
   */
  static encode<T>(items: readonly T[], { version, schema }: StoredKind<T>): string {
    const fit = items.filter((item) => isFit(item, schema));
    if (fit.length === 0 && items.length > 0) return '';
    return [JSON.stringify({ v: version }), ...fit.map((item) => JSON.stringify(item))].join('\n');
  }

  /** Writes several keys together (one transaction), after what was asked before. Never rejects: see the status. */
  write(entries: Record<string, string>): Promise<void> {
    return this.change(Object.entries(entries).filter(([, text]) => text !== ''));
  }

  /** Sets aside, as it is, something that could not be dealt with: written together with what goes on without it. */
  keepAside(topic: string, thing: unknown): Promise<void> {
    this.onSetAside({ key: topic, count: 1 });
    const unique = Math.random().toString(36).slice(2);
    return this.write({ [`${asidePrefix}${topic}/${unique}`]: JSON.stringify(thing) });
  }

  /** Takes keys out, after what was asked before; like writing, it is kept in mind until it is done. */
  remove(keys: readonly string[]): Promise<void> {
    return this.change(keys.map((key) => [key, null]));
  }

  private change(changes: Iterable<readonly [string, string | null]>): Promise<void> {
    for (const [key, text] of changes) this.pending.set(key, text);
    this.writing ??= this.writePending();
    return this.writing;
  }

  /** Resolves when all that was asked so far is written, or has failed. */
  async flush(): Promise<void> {
    while (this.writing) await this.writing;
  }

  /**
   * Writes these last of all, in one go, and takes out what is to be gone: whatever the running app still wants to write
   * is left out from then on. Rejects, with nothing changed and the app as before, where there is no room for them.
   */
  async writeLast(entries: Record<string, string>, gone: readonly string[] = []): Promise<void> {
    await this.flush();
    this.closed = true;
    try {
      await this.backend.setMany(entries);
      if (gone.length > 0) await this.backend.removeMany([...gone]);
    } catch (error) {
      this.closed = false;
      void this.write({});
      throw error;
    }
  }

  /** No more writing from here: another tab has taken over. */
  async close(): Promise<void> {
    await this.flush();
    this.closed = true;
  }

  private async fetch(keys: readonly string[]): Promise<Record<string, unknown>> {
    const found: Record<string, unknown> = { ...(await this.surely(() => this.backend.getMany([...keys]))) };
    const waiting = this.waiting();
    for (const key of keys) if (waiting.has(key)) found[key] = waiting.get(key);
    return found;
  }

  /**
   * What storage answers, asked again for a while where it fails. null where the browser lets this site keep nothing; rejects
   * where there may be something that can't be read, since to take that for nothing would be to write over it.
   */
  private async surely<T>(ask: () => Promise<T>): Promise<T | null> {
    for (let tries = 1; ; tries++) {
      try {
        const answer = await ask();
        if (tries > 1 && this.waiting().size === 0) this.setStatus('ok');
        return answer;
      } catch {
        this.setStatus('failed');
        if (this.isBlocked()) return null;
        if (tries === readTries) throw new UnreadableStorage();
        await new Promise((resolve) => setTimeout(resolve, readAgainMs));
      }
    }
  }

  private waiting(): Map<string, string | null> {
    return new Map([...this.underway, ...this.pending]);
  }

  private async writePending(): Promise<void> {
    // Let what belongs to the same moment gather, so that it goes in one transaction.
    await Promise.resolve();
    try {
      while (this.pending.size > 0 && !this.closed) {
        this.underway = this.pending;
        this.pending = new Map();
        try {
          await this.carryOut(this.underway);
          this.underway = new Map();
          this.setStatus('ok');
          if (this.hasRescued && this.pending.size === 0) {
            this.unwritten.clear();
            this.hasRescued = false;
          }
        } catch (error) {
          this.pending = this.waiting();
          this.underway = new Map();
          this.setStatus(/quota|full/i.test(String(error)) ? 'full' : 'failed');
          setTimeout(() => void this.write({}), retryMs);
          return;
        }
      }
    } finally {
      // In the same turn as the last look at what waits, so that nothing comes in between and waits for ever.
      this.writing = null;
    }
  }

  private async carryOut(changes: ReadonlyMap<string, string | null>): Promise<void> {
    const written: Record<string, string> = {};
    const gone: string[] = [];
    for (const [key, text] of changes) {
      if (text === null) gone.push(key);
      else written[key] = text;
    }
    // First what makes room for the rest.
    if (gone.length > 0) await this.backend.removeMany(gone);
    if (Object.keys(written).length > 0) await this.backend.setMany(written);
  }

  private async setAside<T>(
    key: string,
    damaged: readonly string[],
    good: readonly T[],
    kind: StoredKind<T>,
  ): Promise<void> {
    this.onSetAside({ key, count: damaged.length });
    // Beside what was set aside before.
    const aside = `${asidePrefix}${key}`;
    const before = (await this.fetch([aside]))[aside];
    const all = [...(typeof before === 'string' ? [before] : []), ...damaged];
    await this.write({ [aside]: all.join('\n'), [key]: Vault.encode(good, kind) });
  }

  private setStatus(status: VaultStatus): void {
    if (this.status === status) return;
    this.status = status;
    this.onStatus(status);
  }
}

function isFit<T>(item: T, schema: z.ZodType<T>): boolean {
  const { success, error } = schema.safeParse(item);
  if (!success) console.error('Not kept, since it could not be read again:', error.message);
  return success;
}

async function parseLines<T>(text: unknown, kind: StoredKind<T>): Promise<{ items: T[]; damaged: string[] }> {
  if (typeof text !== 'string') return { items: [], damaged: [String(JSON.stringify(text))] };
  const [head = '', ...lines] = text.split('\n');
  const version = versionOf(head);
  if (version !== null && version > kind.version) throw new NewerData();
  const items: T[] = [];
  const damaged: string[] = version === null ? [head] : [];
  let began = performance.now();
  for (const line of lines) {
    if (performance.now() - began > longestStretchMs) {
      await new Promise((resolve) => setTimeout(resolve));
      began = performance.now();
    }
    const parsed = parseLine(line, version ?? kind.version, kind);
    if (parsed === null) damaged.push(line);
    else items.push(parsed.item);
  }
  return { items, damaged };
}

/** The version that a stored text names; 0 where there is none. */
const headOf = (text: unknown): number =>
  typeof text === 'string' ? (versionOf(text.split('\n', 1)[0] ?? '') ?? 0) : 0;

function versionOf(head: string): number | null {
  const value = parseJson(head);
  const version = value && typeof value === 'object' && 'v' in value ? value.v : null;
  return typeof version === 'number' ? version : null;
}

function parseLine<T>(
  line: string,
  version: number,
  { version: current, schema, migrations }: StoredKind<T>,
): { item: T } | null {
  let data = parseJson(line);
  if (data === undefined) return null;
  try {
    for (let from = version; from < current; from++) data = migrations?.[from]?.(data);
  } catch {
    // Damaged so that it can't be brought up to date.
    return null;
  }
  const parsed = schema.safeParse(data);
  return parsed.success ? { item: parsed.data } : null;
}

function parseJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
