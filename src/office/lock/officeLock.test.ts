import { OfficeLock } from './OfficeLock';

type Listener = (event: { data: unknown }) => void;

/** Channels of one browser: what one says, all others hear a moment later. */
class FakeChannel {
  static all = new Set<FakeChannel>();
  private listeners: Listener[] = [];
  constructor() {
    FakeChannel.all.add(this);
  }
  addEventListener(_: string, listener: Listener) {
    this.listeners.push(listener);
  }
  postMessage(data: unknown) {
    for (const other of FakeChannel.all) {
      if (other !== this) queueMicrotask(() => other.listeners.forEach((listener) => listener({ data })));
    }
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

describe.each(['with Web Locks', 'without, as on plain HTTP'])('the lock between tabs, %s', (kind) => {
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

  async function acquire(lock: OfficeLock) {
    const acquired = lock.acquire();
    await settle();
    return acquired;
  }

  it('lets the first tab run the office, and no second one', async () => {
    expect(await acquire(new OfficeLock(async () => undefined))).toBe(true);
    expect(await acquire(new OfficeLock(async () => undefined))).toBe(false);
  });

  it('hands over only after the first has finished what it was writing', async () => {
    const order: string[] = [];
    const first = new OfficeLock(async () => {
      await new Promise((resolve) => setTimeout(resolve, 100));
      order.push('first has written');
    });
    const second = new OfficeLock(async () => void order.push('second lost it'));
    await acquire(first);
    await acquire(second);
    const taken = second.takeOver().then(() => order.push('second runs'));
    await settle();
    await taken;
    expect(order).toEqual(['first has written', 'second runs']);
  });

  it('can go back and forth', async () => {
    const lost: string[] = [];
    const first = new OfficeLock(async () => void lost.push('first'));
    const second = new OfficeLock(async () => void lost.push('second'));
    await acquire(first);
    await acquire(second);
    for (const lock of [second, first, second]) {
      const taken = lock.takeOver();
      await settle();
      await taken;
    }
    expect(lost).toEqual(['first', 'second', 'first']);
  });
});
