import { placeAsked, ringingChosen } from '@/state/app';
import { createServices } from '@/state/app/services';
import { frontChanged } from '@/state/app/slices';
import { openApp } from '@/state/app/tests/openApp';
import { asksPlace, setPlace, stillThere } from '@/state/place';

import { startBadge, startStayingAwake } from './awake';
import { startKeepingApp } from './keeping';
import { askToStay, roomUsed } from './room';
import { startPlaceWatch } from './placeWatch';
import { startVibrating } from './vibrating';

const listeners = new Map<string, () => void>();
const page = {
  visibilityState: 'visible',
  addEventListener: (name: string, act: () => void) => void listeners.set(name, act),
  removeEventListener: (name: string) => void listeners.delete(name),
};
let reloads = 0;

function given(browser: object): void {
  reloads = 0;
  page.visibilityState = 'visible';
  const define = (name: string, value: unknown) =>
    Object.defineProperty(globalThis, name, { value, configurable: true, writable: true });
  define('navigator', { onLine: true, ...browser });
  define('document', page);
  define('window', { location: { reload: () => reloads++ } });
  define('requestIdleCallback', (act: () => void) => act());
}

const settle = () => new Promise((resolve) => setImmediate(resolve));

describe('the screen', () => {
  it('stays on while somebody is talked with and the tab is looked at, and no longer', async () => {
    const held = { on: 0 };
    const request = async () => {
      held.on++;
      return { release: async () => void held.on-- };
    };
    given({ wakeLock: { request } });
    const app = openApp();
    const stop = startStayingAwake(app.store);
    await app.callIn();
    await settle();
    expect(held.on).toBe(0);
    const [call] = app.calls();
    await app.act({ type: 'answer', legId: call?.me.legId ?? '' });
    await settle();
    expect(held.on).toBe(1);
    page.visibilityState = 'hidden';
    listeners.get('visibilitychange')?.();
    await settle();
    expect(held.on).toBe(0);
    page.visibilityState = 'visible';
    listeners.get('visibilitychange')?.();
    await settle();
    expect(held.on).toBe(1);
    await app.act({ type: 'clear', legId: call?.me.legId ?? '' });
    await settle();
    expect(held.on).toBe(0);
    stop();
  });
});

describe('the device', () => {
  it('trembles as long as it rings, where that is wanted', async () => {
    const felt: unknown[] = [];
    given({ vibrate: (pattern: unknown) => felt.push(pattern) });
    const app = openApp();
    app.store.dispatch(frontChanged(true));
    const stop = startVibrating(app.store);
    await app.callIn();
    await settle();
    expect(felt).toEqual([[400, 200, 400]]);
    const [call] = app.calls();
    await app.act({ type: 'answer', legId: call?.me.legId ?? '' });
    await settle();
    expect(felt.at(-1)).toBe(0);
    await app.act({ type: 'clear', legId: call?.me.legId ?? '' });
    app.store.dispatch(ringingChosen({ vibrates: false }));
    await app.callIn();
    await settle();
    expect(felt).toHaveLength(2);
    stop();
  });
});

describe('the badge', () => {
  it('says how many wait, where the system shows one', () => {
    const shown: number[] = [];
    given({ setAppBadge: async (count: number) => void shown.push(count) });
    const { store } = openApp();
    const stop = startBadge(store, { clock: { now: () => 0 } as never });
    stop();
    expect(shown).toEqual([0]);
    given({});
    expect(() => startBadge(store, { clock: { now: () => 0 } as never })()).not.toThrow();
  });
});

describe('room on the device', () => {
  it('is told by what takes it, where the browser tells that apart', async () => {
    let stays = false;
    const storage = {
      estimate: async () => ({
        usage: 50,
        quota: 200,
        usageDetails: { caches: 30, serviceWorkerRegistrations: 5 },
      }),
      persisted: async () => stays,
      persist: async () => (stays = true),
    };
    given({ storage });
    expect(await roomUsed()).toEqual({ appBytes: 35, keptBytes: 15, freeBytes: 150, stays: false });
    expect(await askToStay()).toBe(true);
    given({ storage: { ...storage, estimate: async () => ({ usage: 50, quota: 200 }) } });
    expect(await roomUsed()).toEqual({ appBytes: null, keptBytes: 50, freeBytes: 150, stays: true });
  });

  it('is not known where the browser says nothing, or may not', async () => {
    given({});
    expect(await roomUsed()).toBeNull();
    expect(await askToStay()).toBe(false);
    given({ storage: { estimate: () => Promise.reject(new Error('SecurityError')) } });
    expect(await roomUsed()).toBeNull();
  });
});

describe('the app on the device', () => {
  type State = 'installing' | 'waiting' | 'active';
  function worker(begin: Partial<Record<State, boolean>>) {
    const heard = new Map<string, () => void>();
    const one = { addEventListener: (_: string, act: () => void) => void heard.set('statechange', act) };
    const registration: Record<string, unknown> = {
      addEventListener: (name: string, act: () => void) => void heard.set(name, act),
      update: async () => undefined,
    };
    const become = (states: Partial<Record<State, boolean>>) => {
      for (const state of ['installing', 'waiting', 'active'] as const)
        registration[state] = states[state] ? one : null;
    };
    become(begin);
    const container = {
      controller: null as object | null,
      addEventListener: (name: string, act: () => void) => void heard.set(name, act),
      register: async () => registration,
    };
    const happens = (name: string, states: Partial<Record<State, boolean>> = {}) => {
      if (Object.keys(states).length > 0) become(states);
      heard.get(name)?.();
    };
    return { container, happens };
  }
  const told = (app: ReturnType<typeof openApp>) => app.store.getState().notices;
  beforeEach(() => jest.useFakeTimers({ doNotFake: ['setImmediate', 'queueMicrotask', 'nextTick'] }));
  afterEach(() => jest.useRealTimers());

  it('is being kept, then kept; the first that takes over the page is no reason to begin anew', async () => {
    const { container, happens } = worker({ installing: true });
    given({ serviceWorker: container });
    const app = openApp();
    startKeepingApp(app.store);
    await settle();
    expect(told(app).appKept).toBe('fetching');
    happens('statechange', { active: true });
    expect(told(app)).toMatchObject({ appKept: 'kept', isNewerHere: false });
    happens('controllerchange');
    expect(reloads).toBe(0);
    // The next one was asked for.
    happens('controllerchange');
    expect(reloads).toBe(1);
  });

  it('begins anew with the next one too where the page was reloaded past the one there is', async () => {
    const { container, happens } = worker({ active: true });
    given({ serviceWorker: container });
    startKeepingApp(openApp().store);
    await settle();
    happens('controllerchange');
    expect(reloads).toBe(1);
  });

  it('says when a newer one waits', async () => {
    const { container, happens } = worker({ active: true });
    given({ serviceWorker: container });
    const app = openApp();
    startKeepingApp(app.store);
    await settle();
    expect(told(app).isNewerHere).toBe(false);
    happens('updatefound', { active: true, installing: true });
    happens('statechange', { active: true, waiting: true });
    expect(told(app)).toMatchObject({ appKept: 'kept', isNewerHere: true });
  });

  it('is not kept where it can’t be fetched whole, or this browser keeps none', async () => {
    const { container, happens } = worker({ installing: true });
    given({ serviceWorker: container });
    const app = openApp();
    startKeepingApp(app.store);
    await settle();
    happens('statechange', { installing: false });
    expect(told(app).appKept).toBe('failed');
    given({ serviceWorker: { ...container, register: () => Promise.reject(new Error('No room')) } });
    const other = openApp();
    startKeepingApp(other.store);
    await settle();
    expect(told(other).appKept).toBe('failed');
    given({});
    const none = openApp();
    startKeepingApp(none.store);
    expect(told(none).appKept).toBe('no');
  });
});

describe('where this device is', () => {
  const weir = {
    ...{ country: 'GB' as const, street: 'Weir Lane 4', detail: '', locality: 'Cawder' },
    ...{ region: '', postcode: 'EH1 1AA' },
  };

  it('is asked again once the office’s server sees it under another address, and before the next call, once', async () => {
    given({});
    const app = openApp();
    let seeFrom: (address: string) => void = () => undefined;
    const server = { hearSeenFrom: (listener: typeof seeFrom) => void (seeFrom = listener) };
    const stop = startPlaceWatch(app.store, { ...createServices(), server: server as never });
    const isDoubted = () => app.store.getState().settings.isPlaceDoubted;
    seeFrom('192.0.2.7');
    seeFrom('192.0.2.8');
    // Nobody has said where it is.
    expect(isDoubted()).toBe(false);
    await app.store.dispatch(setPlace(app.store.getState().office.me?.deviceId ?? '', weir));
    seeFrom('192.0.2.8');
    expect(isDoubted()).toBe(false);
    seeFrom('192.0.2.9');
    expect(isDoubted()).toBe(true);
    expect(asksPlace(app.store.getState(), '07700 900333')).toBe(true);
    expect(asksPlace(app.store.getState(), '999')).toBe(false);
    app.store.dispatch(placeAsked());
    expect(asksPlace(app.store.getState(), '07700 900333')).toBe(false);
    await app.store.dispatch(stillThere());
    expect(isDoubted()).toBe(false);
    seeFrom('192.0.2.9');
    expect(isDoubted()).toBe(false);
    seeFrom('192.0.2.7');
    expect(asksPlace(app.store.getState(), '07700 900333')).toBe(true);
    stop();
  });
});
