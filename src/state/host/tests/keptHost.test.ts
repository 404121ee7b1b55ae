import { keptHost } from '../../tabs';
import { browser } from './browser';

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

const settle = (ms = 10) => jest.advanceTimersByTimeAsync(ms);
/** The answer, once all is at rest. */
async function on<T>(asked: Promise<T>): Promise<T> {
  await settle(3_000);
  return asked;
}
const write = (text: string) => ({ type: 'write', id: text, number: '211', lineId: 'text', text }) as const;
const callOut = {
  type: 'make',
  from: { kind: 'device', deviceId: 'maren-app' },
  to: '0131 496 0142',
} as const;

/** A tab whose office was seen once, and is away now. */
async function away(shownAs = 'maren-app') {
  const here = browser();
  const host = await here.host();
  const before = await here.tab();
  const link = await on(before.hosted.join('worker'));
  await on(link.ask(write('before')));
  const [snapshot, tables] = await on(Promise.all([link.snapshot(), link.tables()]));
  before.hosted.leave();
  host.kill();
  await settle();
  const view = { me: { personId: 'maren', deviceId: shownAs }, snapshot, tables };
  const tab = await here.tab(null, null, undefined, async () => keptHost(view));
  return { here, tab };
}

describe('a tab whose office is not reached', () => {
  it('opens with what was seen last; what is done in calls is refused at once, and what is written waits', async () => {
    const { tab } = await away();
    const link = await on(tab.hosted.join('worker'));
    expect(tab.hosted.me).toEqual({ personId: 'maren', deviceId: 'maren-app' });
    expect((await on(link.snapshot())).setup?.people.length).toBeGreaterThan(1);
    expect((await on(link.tables())).messages.map(({ text }) => text)).toContain('before');
    expect(await on(link.send(callOut))).toEqual({ ok: false, reason: { code: 'notReached' } });
    let isAnswered = false;
    void link.ask(write('meanwhile')).then(() => (isAnswered = true));
    await settle(20_000);
    expect(isAnswered).toBe(false);
  });

  it('is in the office once it is there again: what waited is done, once, and everything is read anew', async () => {
    const { here, tab } = await away();
    const link = await on(tab.hosted.join('worker'));
    const waits = link.ask(write('meanwhile'));
    await settle(5_000);
    await here.host();
    expect(await on(waits)).toEqual({ ok: true });
    expect(tab.told).toMatchObject({ anew: 1, other: 0 });
    const { messages } = await on(link.tables());
    expect(messages.filter(({ text }) => text === 'meanwhile')).toHaveLength(1);
    expect(await on(link.send(callOut))).toMatchObject({ ok: true });
  });

  it('leaves what waits to the next page, which asks for it once the office is there', async () => {
    const { here, tab } = await away();
    const link = await on(tab.hosted.join('worker'));
    void link.ask(write('meanwhile'));
    await settle(2_000);
    tab.hosted.leave();
    await here.host();
    const next = await here.tab();
    const other = await on(next.hosted.join('worker'));
    await on(next.hosted.askForOthers());
    const { messages } = await on(other.tables());
    expect(messages.filter(({ text }) => text === 'meanwhile')).toHaveLength(1);
  });

  it('begins anew where it turns out to be another device by now', async () => {
    const { here, tab } = await away('another');
    await on(tab.hosted.join('worker'));
    await here.host();
    await settle(3_000);
    expect(tab.told.other).toBeGreaterThan(0);
  });

  it('with nothing kept waits for the office', async () => {
    const here = browser();
    const tab = await here.tab(null, null, undefined, async () => null);
    let isThere = false;
    void tab.hosted.join('worker').then(() => (isThere = true));
    await settle(10_000);
    expect(isThere).toBe(false);
    await here.host();
    await settle(2_000);
    expect(isThere).toBe(true);
  });
});
