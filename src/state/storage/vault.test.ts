import { sampleOffice } from '@sample';
import { z } from 'zod';

import { Exchange } from '@/core/calls/exchange/machine';

import {
  NewerData,
  officeKind,
  recordKind,
  settingsKind,
  UnreadableStorage,
  Vault,
  workKinds,
  type SetAside,
  type StoredKind,
  type VaultStatus,
} from '.';
import { Unwritten } from './Unwritten';

const kind: StoredKind<{ id: string; ring: number }> = {
  version: 2,
  schema: z.object({ id: z.string(), ring: z.number() }),
  migrations: { 1: (data) => ({ ...(data as object), ring: 20 }) },
};

/** Storage in memory that can be full, and counts its transactions. */
class Memory {
  entries: Record<string, string> = {};
  transactions: string[][] = [];
  isFull = false;
  getAllKeys = async () => Object.keys(this.entries);
  getMany = async (keys: string[]) => Object.fromEntries(keys.map((key) => [key, this.entries[key] ?? null]));
  setMany = async (entries: Record<string, string>) => {
    if (this.isFull) throw new Error('QuotaExceededError: the quota has been exceeded');
    this.transactions.push(Object.keys(entries));
    Object.assign(this.entries, entries);
  };
  removeMany = async (keys: string[]) => keys.forEach((key) => delete this.entries[key]);
}

/** What a page can write at once, of which `room` characters are free. */
class Local {
  constructor(private readonly room = Infinity) {}
  private readonly items = new Map<string, string>();
  get length() {
    return this.items.size;
  }
  key = (index: number) => [...this.items.keys()][index] ?? null;
  getItem = (key: string) => this.items.get(key) ?? null;
  removeItem = (key: string) => void this.items.delete(key);
  setItem(key: string, text: string) {
    if (text.length > this.room) throw new Error('QuotaExceededError');
    this.items.set(key, text);
  }
}

function open({ memory = new Memory(), local = new Local() } = {}) {
  const statuses: VaultStatus[] = [];
  const asides: SetAside[] = [];
  const vault = new Vault(
    (status) => statuses.push(status),
    (aside) => asides.push(aside),
    memory,
    new Unwritten(local),
  );
  return { memory, local, vault, statuses, asides };
}

const a = { id: 'a', ring: 5 };
const b = { id: 'b', ring: 6 };

describe('what is kept', () => {
  it.each(Array.from({ length: 12 }, (_, turns) => turns))(
    'is written whenever it comes, also %i turns after what came before',
    async (turns) => {
      const { vault, memory } = open();
      void vault.write({ first: Vault.encode([{ id: 'a', ring: 1 }], kind) });
      for (let turn = 0; turn < turns; turn++) await Promise.resolve();
      void vault.write({ second: Vault.encode([{ id: 'b', ring: 2 }], kind) });
      await vault.flush();
      expect(Object.keys(memory.entries)).toEqual(['first', 'second']);
    },
  );

  it('is read as it was written', async () => {
    const { vault } = open();
    await vault.write({ plan: Vault.encode([a, b], kind) });
    expect(await vault.read('plan', kind)).toEqual([a, b]);
    expect(await vault.read('nothing', kind)).toBeNull();
  });

  it('has passed its schema: what could not be read again leaves what was there, and the rest is written', async () => {
    const faults = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    const { vault } = open();
    await vault.write({ plan: Vault.encode([a], kind) });
    await vault.write({ plan: Vault.encode([{ id: 'a', ring: Infinity }], kind) });
    expect(await vault.read('plan', kind)).toEqual([a]);
    await vault.write({ plan: Vault.encode([{ id: 'a', ring: NaN }, b], kind) });
    expect(await vault.read('plan', kind)).toEqual([b]);
    await vault.write({ plan: Vault.encode([], kind) });
    expect(await vault.read('plan', kind)).toEqual([]);
    expect(faults).toHaveBeenCalledTimes(2);
    faults.mockRestore();
  });

  it('goes in one transaction when it belongs to one moment', async () => {
    const { memory, vault } = open();
    void vault.write({ one: '1' });
    await vault.write({ two: '2' });
    expect(memory.transactions).toEqual([['one', 'two']]);
  });

  it('of an older version is migrated', async () => {
    const { memory, vault } = open();
    memory.entries['plan'] = '{"v":1}\n{"id":"a"}';
    expect(await vault.read('plan', kind)).toEqual([{ id: 'a', ring: 20 }]);
  });

  it.each([
    ['a broken line', '{"v":2}\n{"id":"a","ring":5}\n{"id":"b","ri\n{"id":"b","ring":6}', 1],
    ['a line of another shape', '{"v":2}\n{"id":"a","ring":5}\n{"id":7}\n{"id":"b","ring":6}', 1],
    ['a broken head', '{"v\n{"id":"a","ring":5}\n{"id":"b","ring":6}', 1],
  ])('with %s loses only that, keeps it aside and tells', async (_, text, count) => {
    const { memory, vault, asides } = open();
    memory.entries['plan'] = text;
    expect(await vault.read('plan', kind)).toEqual([a, b]);
    await vault.flush();
    expect(asides).toEqual([{ key: 'plan', count }]);
    expect(memory.entries['aside/plan']).toBe(text.split('\n').find((line) => !/"ring":\d|"v":2/.test(line)));
    expect(await vault.read('plan', kind)).toEqual([a, b]);
    expect(asides).toHaveLength(1);
  });

  it('from a later version is neither read nor touched', async () => {
    const { memory, vault, asides } = open();
    const newer = '{"v":3}\n{"id":"a","ring":5}';
    memory.entries['plan'] = newer;
    await expect(vault.read('plan', kind)).rejects.toThrow(NewerData);
    await vault.flush();
    expect(memory.entries).toEqual({ plan: newer });
    expect(asides).toEqual([]);
    expect(await Vault.isReadable(newer, kind)).toBe(false);
  });

  it('that a migration stumbles over is set aside, and so is what is damaged later', async () => {
    const { memory, vault, asides } = open();
    const stumbles = {
      ...kind,
      migrations: {
        1: () => {
          throw new TypeError('no such field');
        },
      },
    };
    memory.entries['plan'] = '{"v":1}\n{"id":"a"}';
    expect(await vault.read('plan', stumbles)).toEqual([]);
    await vault.flush();
    memory.entries['plan'] = '{"v":2}\n{"id":"a","ring":5}\nbroken';
    expect(await vault.read('plan', kind)).toEqual([a]);
    await vault.flush();
    expect(memory.entries['aside/plan']).toBe('{"id":"a"}\nbroken');
    expect(asides).toHaveLength(2);
  });

  describe('in a storage that does not answer', () => {
    beforeEach(() => jest.useFakeTimers());
    afterEach(() => jest.useRealTimers());
    const failing = (times: number) => {
      const memory = new Memory();
      memory.entries['plan'] = '{"v":2}\n{"id":"a","ring":5}';
      const { getMany } = memory;
      let left = times;
      memory.getMany = async (keys) => {
        if (left-- > 0) throw new Error('UnknownError: Internal error.');
        return getMany(keys);
      };
      return memory;
    };

    it('is asked for again, and is what it was', async () => {
      const { vault, statuses } = open({ memory: failing(3) });
      const reading = vault.read('plan', kind);
      await jest.runAllTimersAsync();
      expect(await reading).toEqual([a]);
      expect(statuses).toEqual(['failed', 'ok']);
    });

    it('is never taken for nothing: who reads is refused', async () => {
      const { vault } = open({ memory: failing(Infinity) });
      const reading = expect(vault.read('plan', kind)).rejects.toThrow(UnreadableStorage);
      await jest.runAllTimersAsync();
      await reading;
    });
  });
});

describe('a full storage', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());

  it('is told, and nothing is lost once there is room', async () => {
    const { memory, vault, statuses } = open();
    memory.isFull = true;
    await vault.write({ one: 'old' });
    await vault.write({ one: 'new', two: '2' });
    expect(statuses).toEqual(['full']);
    memory.isFull = false;
    await jest.runAllTimersAsync();
    expect(memory.entries).toEqual({ one: 'new', two: '2' });
    expect(statuses).toEqual(['full', 'ok']);
  });

  it('is made room in by what is taken out', async () => {
    const { memory, vault } = open();
    memory.entries = { old: 'x' };
    memory.isFull = true;
    void vault.remove(['old']);
    await vault.write({ one: '1' });
    expect(memory.entries).toEqual({});
    memory.isFull = false;
    await jest.runAllTimersAsync();
    expect(memory.entries).toEqual({ one: '1' });
  });

  it('a storage that is taken over by another tab is not written to any more', async () => {
    const { memory, vault } = open();
    await vault.close();
    await vault.write({ late: 'x' });
    expect(memory.entries).toEqual({});
  });
});

describe('a page that goes before all is written', () => {
  /** Storage whose answers never come, as for a page that is gone. */
  class Gone extends Memory {
    override setMany = () => new Promise<void>(() => undefined);
  }

  it('leaves what was underway and what was waiting to the next page', async () => {
    const { vault, local } = open({ memory: new Gone() });
    void vault.write({ plan: Vault.encode([a], kind), note: 'old' });
    await Promise.resolve();
    await Promise.resolve();
    void vault.write({ note: 'new' });
    vault.rescue();
    const next = open({ local });
    await next.vault.recover();
    expect(await next.vault.read('plan', kind)).toEqual([a]);
    expect(next.memory.entries['note']).toBe('new');
    expect(local).toHaveLength(0);
  });

  it('writes nothing over what a newer version has written since', async () => {
    const { vault, local } = open({ memory: new Gone() });
    void vault.write({ plan: Vault.encode([a], kind) });
    vault.rescue();
    const memory = new Memory();
    const newer = '{"v":3}\n{"id":"a","ring":5}';
    memory.entries = { plan: newer };
    const next = open({ memory, local });
    await expect(next.vault.recover()).rejects.toThrow(NewerData);
    await next.vault.flush();
    expect(memory.entries).toEqual({ plan: newer });
    expect(local).toHaveLength(1);
  });

  it('leaves what was to be taken out, so that it does not come back', async () => {
    const memory = new Gone();
    memory.entries = { plan: Vault.encode([a], kind), other: 'x' };
    memory.removeMany = () => new Promise<void>(() => undefined);
    const { vault, local } = open({ memory });
    void vault.remove(['plan']);
    expect(await vault.keys('')).toEqual(['other']);
    expect(await vault.read('plan', kind)).toBeNull();
    vault.rescue();
    const left = new Memory();
    left.entries = { ...memory.entries };
    const next = open({ memory: left, local });
    await next.vault.recover();
    expect(left.entries).toEqual({ other: 'x' });
    expect(local).toHaveLength(0);
  });

  it('overwrites nothing later when it comes back and goes on', async () => {
    const { vault, local, memory } = open();
    void vault.write({ note: 'old' });
    vault.rescue();
    expect(local).toHaveLength(1);
    await vault.write({ note: 'new' });
    expect(local).toHaveLength(0);
    expect(memory.entries).toEqual({ note: 'new' });
  });

  it('keeps the small though there is no room for the large', async () => {
    const { vault, local } = open({ memory: new Gone(), local: new Local(100) });
    void vault.write({ large: 'x'.repeat(101), small: 'y' });
    vault.rescue();
    const next = open({ local });
    await next.vault.recover();
    expect(next.memory.entries).toEqual({ small: 'y' });
  });

  it('is read by the next one even where storage is full', async () => {
    jest.useFakeTimers();
    const { vault, local } = open({ memory: new Gone() });
    void vault.write({ plan: Vault.encode([b], kind) });
    vault.rescue();
    const full = new Memory();
    full.isFull = true;
    const next = open({ memory: full, local });
    await next.vault.recover();
    expect(await next.vault.keys('pl')).toEqual(['plan']);
    expect(await next.vault.read('plan', kind)).toEqual([b]);
    expect(local).toHaveLength(1);
    jest.useRealTimers();
  });
});

describe('what version 1 kept', () => {
  const oldFollowUp = {
    kind: 'followUp',
    id: 'f',
    at: 0,
    callId: 'c',
    number: null,
    name: 'Peg Anstey',
    text: 'Call back',
    dueAt: 5,
    doneAt: null,
  };

  it('a call that was live is restored whole, and a record has the fields of today', () => {
    const leg = {
      id: 'l2',
      callId: 'c1',
      endpoint: { kind: 'device', deviceId: 'maren-app' },
      role: 'caller',
      state: 'connected',
      stateSince: 1,
      createdAt: 1,
      answeredAt: null,
      clearedAt: null,
      muted: false,
      digitsSent: '',
      mailboxPhase: null,
      cause: null,
    };
    const trace = {
      ownerId: 'ilse',
      lineId: null,
      legs: [{ deviceId: 'ilse-desk', personId: 'ilse', stage: 0, fromSeconds: 0, toSeconds: 25 }],
      finish: { kind: 'busy' },
      finishSeconds: 25,
      steps: [],
    };
    const call = {
      id: 'c1',
      kind: 'internal',
      dialled: '201',
      lineId: null,
      withheld: false,
      postDial: null,
      startedAt: 1,
      answeredAt: null,
      legs: [leg],
      ringing: { trace, startedAt: 1, progress: ['l3'] },
      finish: null,
      failure: null,
      messageMs: 0,
      timers: [],
    };
    const office = {
      exchange: { now: 5, nextId: 9, signedIn: [], calls: [call] },
      standIns: { nextOrder: 1, pending: [], menus: {}, changed: {} },
    };
    const migrated = officeKind.schema.parse(officeKind.migrations?.[1]?.(office));
    const exchange = new Exchange(sampleOffice, migrated.exchange);
    expect(exchange.calls.get('c1')?.legs[0]).toMatchObject({ personId: 'maren', room: 'floor' });

    const record = {
      id: 'c1-maren',
      callId: 'c1',
      personId: 'maren',
      direction: 'in',
      lineId: null,
      other: { number: null, name: null, personId: null },
      startedAt: 1,
      answeredAt: null,
      endedAt: 2,
      outcome: 'missed',
      cause: 'noAnswer',
      deviceId: null,
      answeredById: null,
      withheld: true,
      digitsSent: '',
      finish: null,
      messageMs: 0,
      path: [],
      trace,
    };
    expect(recordKind.schema.parse(recordKind.migrations?.[1]?.(record))).toMatchObject({
      acts: [],
      costMicros: 0,
    });
    const settings = { theme: 'dark', presentedLineId: null, withhold: false };
    const { migrations } = settingsKind;
    const former = migrations?.[3]?.(migrations[2]?.(migrations[1]?.(settings)));
    const settled = migrations?.[5]?.(migrations[4]?.(former));
    expect(settingsKind.schema.parse(settled)).toMatchObject({
      theme: 'dark',
      way: null,
      formerHabits: [
        { id: 'caller', withhold: false, shownFor: {} },
        { id: 'favourites', keys: [] },
        { id: 'met', acts: [] },
        { id: 'replies', texts: [] },
        { id: 'keepDays', voicemails: 60, recordings: null },
      ],
    });
    const { schema, kind } = workKinds.work;
    expect(schema.parse(kind.migrations?.[1]?.(oldFollowUp))).toMatchObject({
      priority: 'usual',
    });
  });
});
