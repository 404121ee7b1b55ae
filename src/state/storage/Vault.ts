import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import type { z } from 'zod';

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

type Backend = Pick<
  ReturnType<typeof createAsyncStorage>,
  'getMany' | 'setMany' | 'removeMany' | 'getAllKeys'
>;

const retryMs = 5_000;
/** Reading much pauses after so long, so that no frame waits for it. */
const longestStretchMs = 8;
const asidePrefix = 'aside/';

/**
 * What the app keeps on this device. Values are lines: a head `{"v":1}`, then one JSON document a line, so that
 * damage to one line costs only that line. Everything read passes its schema; what doesn't is set aside and told.
 */
export class Vault {
  private pending = new Map<string, string>();
  private writing: Promise<void> | null = null;
  private status: VaultStatus = 'ok';
  private closed = false;

  constructor(
    private readonly onStatus: (status: VaultStatus) => void,
    private readonly onSetAside: (aside: SetAside) => void,
    private readonly backend: Backend = createAsyncStorage('cendro'),
  ) {}

  /** Keys that begin so, in order. Empty where storage can't be opened. */
  async keys(prefix: string): Promise<string[]> {
    try {
      return (await this.backend.getAllKeys()).filter((key) => String(key).startsWith(prefix)).sort();
    } catch {
      this.setStatus('failed');
      return [];
    }
  }

  /** The documents under one key; null where there is none. */
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

  /** Text of a key in the stored form. */
  static encode<T>(items: readonly T[], { version }: StoredKind<T>): string {
    return [JSON.stringify({ v: version }), ...items.map((item) => JSON.stringify(item))].join('\n');
  }

  /** Writes several keys together (one transaction), after what was asked before. Never rejects: see the status. */
  write(entries: Record<string, string>): Promise<void> {
    for (const [key, text] of Object.entries(entries)) this.pending.set(key, text);
    this.writing ??= this.writePending().finally(() => (this.writing = null));
    return this.writing;
  }

  async remove(keys: readonly string[]): Promise<void> {
    await this.flush();
    await this.backend.removeMany([...keys]);
  }

  /** Resolves when all that was asked so far is written, or has failed. */
  async flush(): Promise<void> {
    while (this.writing) await this.writing;
  }

  /** No more writing from here: another tab has taken over. */
  async close(): Promise<void> {
    await this.flush();
    this.closed = true;
  }

  private async fetch(keys: readonly string[]): Promise<Record<string, unknown>> {
    try {
      return await this.backend.getMany([...keys]);
    } catch {
      this.setStatus('failed');
      return {};
    }
  }

  private async writePending(): Promise<void> {
    // Let what belongs to the same moment gather, so that it goes in one transaction.
    await Promise.resolve();
    while (this.pending.size > 0 && !this.closed) {
      const batch = this.pending;
      this.pending = new Map();
      try {
        await this.backend.setMany(Object.fromEntries(batch));
        this.setStatus('ok');
      } catch (error) {
        this.pending = new Map([...batch, ...this.pending]);
        this.setStatus(/quota|full/i.test(String(error)) ? 'full' : 'failed');
        setTimeout(() => void this.write({}), retryMs);
        return;
      }
    }
  }

  private async setAside<T>(
    key: string,
    damaged: readonly string[],
    good: readonly T[],
    kind: StoredKind<T>,
  ): Promise<void> {
    this.onSetAside({ key, count: damaged.length });
    await this.write({ [`${asidePrefix}${key}`]: damaged.join('\n'), [key]: Vault.encode(good, kind) });
  }

  private setStatus(status: VaultStatus): void {
    if (this.status === status) return;
    this.status = status;
    this.onStatus(status);
  }
}

async function parseLines<T>(text: unknown, kind: StoredKind<T>): Promise<{ items: T[]; damaged: string[] }> {
  if (typeof text !== 'string') return { items: [], damaged: [String(JSON.stringify(text))] };
  const [head = '', ...lines] = text.split('\n');
  const version = versionOf(head);
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
  if (data === undefined || version > current) return null;
  for (let from = version; from < current; from++) data = migrations?.[from]?.(data);
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
