import { TabLock } from './TabLock';

/** Channels of one browser: what one says, all others hear a moment later. */
class FakeChannel {
  static all = new Set<FakeChannel>();
  onmessage: (event: { data: unknown }) => void = () => undefined;
  constructor() {
    FakeChannel.all.add(this);
  }
  postMessage(data: unknown) {
    for (const other of FakeChannel.all)
      if (other !== this)
        void Promise.resolve().then(() => FakeChannel.all.has(other) && other.onmessage({ data }));
  }
  close() {
    FakeChannel.all.delete(this);
  }
}

/** Web Locks as the specification has them, as far as one exclusive lock goes. */
class FakeLocks {
  private holder: { steal: () => void } | null = null;
  private waiting: (() => void)[] = [];

  request(
    _: string,
    { ifAvailable, steal }: { ifAvailable?: boolean; steal?: boolean },
    run: (lock: object | null) => unknown,
  ) {
    return new Promise((resolve, reject) => {
      const take = () => {
        this.holder = { steal: () => reject(new Error('AbortError')) };
        const mine = this.holder;
        void Promise.resolve(run({})).then((value) => {
          if (this.holder === mine) this.holder = null;
          this.waiting.shift()?.();
          resolve(value);
        });
      };
      if (steal) {
        this.holder?.steal();
        take();
      } else if (!this.holder) take();
      else if (ifAvailable) resolve(run(null));
      else this.waiting.push(take);
    });
  }
}

const settle = () => jest.advanceTimersByTimeAsync(5000);

describe.each(['with Web Locks', 'without, as on plain HTTP'])('a lock between tabs, %s', (kind) => {
  const originals = { navigator: globalThis.navigator, BroadcastChannel: globalThis.BroadcastChannel };

  beforeEach(() => {
    jest.useFakeTimers();
    FakeChannel.all.clear();
    const locks = kind === 'with Web Locks' ? new FakeLocks() : undefined;
    Object.defineProperty(globalThis, 'navigator', { value: { locks }, configurable: true });
    Object.defineProperty(globalThis, 'BroadcastChannel', {
      value: FakeChannel,
      configurable: true,
      writable: true,
    });
  });
  afterEach(() => {
    jest.useRealTimers();
    for (const [name, value] of Object.entries(originals)) {
      Object.defineProperty(globalThis, name, { value, configurable: true, writable: true });
    }
  });

  /** Three tabs, of which each wants it, one after the other; and what became of that. */
  async function open() {
    const told: string[] = [];
    const tabs = ['first', 'second', 'third'].map(
      (name) =>
        new TabLock('it', {
          onHeld: () => told.push(`${name} has it`),
          onLost: () => told.push(`${name} lost it`),
        }),
    );
    for (const tab of tabs) {
      tab.want();
      await settle();
    }
    const holders = () => tabs.map(({ isHeld }) => isHeld);
    return { told, tabs: tabs as [TabLock, TabLock, TabLock], holders };
  }

  it('has one holder, the first', async () => {
    const { told, holders } = await open();
    expect(holders()).toEqual([true, false, false]);
    expect(told).toEqual(['first has it']);
  });

  it('goes to the next when its holder closes', async () => {
    const { tabs, holders } = await open();
    tabs[0].close();
    await settle();
    expect(holders().filter(Boolean)).toHaveLength(1);
    expect(holders()[0]).toBe(false);
  });

  it('can be taken, back and forth, and whoever lost it gets it again when nobody else has it', async () => {
    const { told, tabs, holders } = await open();
    const [first, second, third] = tabs;
    for (const tab of [second, first, second]) {
      tab.take();
      await settle();
    }
    expect(holders()).toEqual([false, true, false]);
    const heard = (words: string) => told.filter((each) => each === words).length;
    expect([heard('first has it'), heard('first lost it')]).toEqual([2, 2]);
    expect([heard('second has it'), heard('second lost it')]).toEqual([2, 1]);
    third.close();
    second.close();
    await settle();
    expect(holders()).toEqual([true, false, false]);
  });

  it('claimed by all at once has one holder', async () => {
    const tabs = Array.from(
      { length: 5 },
      () => new TabLock('it', { onHeld: () => undefined, onLost: () => undefined }),
    );
    for (const tab of tabs) tab.want();
    await settle();
    expect(tabs.filter(({ isHeld }) => isHeld)).toHaveLength(1);
    for (const tab of tabs) tab.close();
  });

  it('whose holder is gone without a word is had by another before long', async () => {
    const { tabs, holders } = await open();
    // Its tab has crashed: the browser lets its locks go, and it says nothing any more.
    if (kind === 'with Web Locks') tabs[0].close();
    const [channel] = FakeChannel.all;
    channel?.close();
    await settle();
    expect(holders().slice(1).filter(Boolean)).toHaveLength(1);
  });
});
