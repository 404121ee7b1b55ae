import type { Call } from '@/core/calls/exchange';
import type { OfficeLink, OfficeUpdate } from '@/office/link';

import { browser, start } from './browser';

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

const settle = (ms = 10) => jest.advanceTimersByTimeAsync(ms);
/** The answer, once all is at rest. */
async function on<T>(asked: Promise<T>): Promise<T> {
  await settle(3_000);
  return asked;
}

const write = (id: string, text = id) =>
  ({ type: 'write', id, number: '211', lineId: 'text', text }) as const;
const callOut = {
  type: 'make',
  from: { kind: 'device', deviceId: 'maren-app' },
  to: '0131 496 0142',
} as const;

/** A tab that has joined, and what it makes of what it hears. */
async function joined(tab: Awaited<ReturnType<ReturnType<typeof browser>['tab']>>) {
  const calls = new Map<string, Call>();
  const messages = new Map<string, string>();
  const hear = ({ isWhole, changedCalls, endedCallIds, changes }: OfficeUpdate) => {
    if (isWhole) calls.clear();
    for (const call of changedCalls) calls.set(call.id, call);
    for (const id of endedCallIds) calls.delete(id);
    for (const change of changes)
      if (change.table === 'messages' && 'put' in change) messages.set(change.put.id, change.put.text);
  };
  const link: OfficeLink = await on(tab.hosted.join('worker'));
  link.subscribe(hear);
  hear(await on(link.snapshot()));
  const all = await on(link.tables());
  for (const { id, text } of all.messages) messages.set(id, text);
  return { ...tab, link, calls, messages };
}

describe('tabs of one browser', () => {
  async function open() {
    const here = browser();
    const host = await here.host();
    const first = await joined(await here.tab());
    const second = await joined(await here.tab());
    return { here, host, first, second };
  }

  it('have one office: a call of one is seen in the other, and ended there', async () => {
    const { first, second } = await open();
    await on(first.link.send(callOut));
    const [call] = [...second.calls.values()];
    const legId = call?.legs.find(({ personId }) => personId === 'maren')?.id ?? '';
    expect(await on(second.link.send({ type: 'clear', legId }))).toMatchObject({ ok: true });
    expect([first.calls.size, second.calls.size]).toEqual([0, 0]);
  });

  it('each see what was written in the other', async () => {
    const { first, second } = await open();
    await on(first.link.ask(write('Gate is open')));
    await on(second.link.ask(write('On my way')));
    expect([...first.messages.values()]).toEqual(expect.arrayContaining(['Gate is open', 'On my way']));
    expect(second.messages).toEqual(first.messages);
  });

  it('go on with the next host when theirs is killed: what was answered is there, the call too', async () => {
    const { here, host, first, second } = await open();
    await on(first.link.send(callOut));
    await on(first.link.ask(write('kept')));
    const before = [...second.calls.keys()];
    host.kill();
    // Asked while nobody hosts it.
    const late = second.link.ask(write('late'));
    await settle(1_000);
    await here.host();
    expect(await on(late)).toEqual({ ok: true });
    expect([...second.calls.keys()]).toEqual(before);
    expect(second.told.anew).toBe(1);
    // What was missed is known by the next host, and is all that has to be told.
    const missed = await on(second.link.missed());
    expect(missed?.map((change) => 'put' in change && change.put.id)).toEqual(['late']);
    const { messages } = await on(second.link.tables());
    expect(messages.map(({ id }) => id)).toEqual(expect.arrayContaining(['kept', 'late']));
    expect([...first.calls.keys()]).toEqual(before);
  });

  it('hear of nothing that is not kept: what the host was killed over has not been there, and is asked again', async () => {
    const { here, host, first, second } = await open();
    here.isBusy(true);
    const asked = first.link.send(callOut);
    await settle(3_000);
    expect([first.calls.size, second.calls.size]).toEqual([0, 0]);
    host.kill();
    here.isBusy(false);
    await here.host();
    expect(await on(asked)).toMatchObject({ ok: true });
    expect([first.calls.size, second.calls.size]).toEqual([1, 1]);
  });

  it('are told that the office has stopped where it can keep nothing by a fault of ours, and of nothing that was not kept', async () => {
    const { here, first, second } = await open();
    here.breakDown();
    void first.link.send(callOut).catch(() => undefined);
    await settle(3_000);
    expect([first.faults, second.faults].map(([fault]) => fault?.words)).toEqual([
      'A fault of ours',
      'A fault of ours',
    ]);
    expect([first.calls.size, second.calls.size]).toEqual([0, 0]);
  });

  it('have nothing done twice that was kept, but not answered, when the host was killed', async () => {
    const { here, host, first } = await open();
    const asked = first.link.send(callOut);
    const text = first.link.ask(write('once'));
    // So far that it has been done and kept, and the answers have not come.
    for (let turn = 0; turn < 200 && ![...here.entries.keys()].some((key) => key === 'message/once'); turn++)
      await Promise.resolve();
    host.kill();
    await here.host();
    expect(await on(text)).toEqual({ ok: true });
    expect(await on(asked)).toMatchObject({ ok: true });
    const snapshot = await on(first.link.snapshot());
    expect(snapshot.changedCalls).toHaveLength(1);
  });

  it('that go leave what was not answered to the next one, which has it done, once', async () => {
    const { here, host, first, second } = await open();
    host.kill();
    void first.link.ask(write('written last')).catch(() => undefined);
    first.hosted.leave();
    first.kill();
    await here.host();
    await settle(3_000);
    // By all who are there, at once.
    const third = await joined(await here.tab());
    await on(Promise.all([second.hosted.askForOthers(), third.hosted.askForOthers()]));
    expect([second.told.silent, third.told.silent]).toEqual([0, 0]);
    const { messages } = await on(third.link.tables());
    expect(messages.filter(({ id }) => id === 'written last')).toHaveLength(1);
  });

  it('of another version are taken over by a newer one, and told to reload by an older one', async () => {
    const { here, first } = await open();
    const hall = here.place().openPort('cendro/office');
    hall.say({ kind: 'open', hostId: 'old', version: 0 });
    await settle();
    expect(first.told.silent).toBe(1);
    hall.say({ kind: 'open', hostId: 'new', version: 99 });
    await settle();
    expect(first.faults[0]?.words).toMatch('Reload to get it');
  });

  it('follow one clock', async () => {
    const { first, second } = await open();
    expect(second.states.at(-1)?.clock).toEqual({ mode: 'fixed', at: start });
    first.hosted.setClock({ mode: 'fixed', at: start + 60_000 });
    await settle();
    expect(second.states.at(-1)).toMatchObject({ clock: { at: start + 60_000 }, at: start + 60_000 });
  });

  it('follow the time that the address of one of them asks for, once', async () => {
    const { here, first } = await open();
    const late = await joined(await here.tab('2026-11-26T10:50Z'));
    expect(first.states.at(-1)?.clock).toEqual({ mode: 'fixed', at: start + 600_000 });
    first.hosted.setClock({ mode: 'running', offsetMs: start + 600_000 - Date.now() });
    await settle();
    await on(late.hosted.join('outside'));
    expect(first.states.at(-1)?.clock.mode).toBe('running');
  });

  it('learn at once that what was kept can’t be read, and nothing is written over it', async () => {
    const here = browser();
    here.entries.set('office', 'x');
    here.spoil();
    const tab = await here.tab();
    void tab.hosted.join('worker');
    void here.host();
    await settle(10_000);
    expect(tab.faults[0]?.words).toMatch('can’t be read');
    expect(here.entries.get('office')).toBe('x');
  });

  it('are told of a host that says nothing while something is asked of it', async () => {
    const { host, first, second } = await open();
    host.kill();
    await settle(20_000);
    expect(second.told.silent).toBe(0);
    void first.link.ask(write('anybody?'));
    await settle(6_000);
    expect(first.told.silent).toBe(1);
  });

  it('wait for a host that another tab is still fetching', async () => {
    const { host, first, second } = await open();
    host.kill();
    first.hosted.hostIsFetched();
    void second.link.ask(write('patience'));
    await settle(60_000);
    expect([first.told.silent, second.told.silent]).toEqual([0, 0]);
  });

  it('end it for what takes the place of all: everything is written, and then nothing any more', async () => {
    const { here, first, second } = await open();
    await on(second.link.ask(write('before')));
    await on(first.hosted.finish(true));
    const kept = new Map(here.entries);
    void second.link.ask(write('after'));
    await settle(20_000);
    expect(here.entries).toEqual(kept);
    expect(second.told.silent).toBe(0);
  });
});

describe('a tab that is used as somebody else of the office', () => {
  it('gets an app of theirs that rings with their phones, and is told who it is; what it may is theirs', async () => {
    const here = browser();
    await here.host();
    const maren = await joined(await here.tab());
    const ilse = await joined(await here.tab(null, 'ilse'));
    expect(ilse.hosted.me).toEqual({ personId: 'ilse', deviceId: 'ilse-app' });
    expect(maren.hosted.me).toEqual({ personId: 'maren', deviceId: 'maren-app' });
    await on(maren.link.send({ ...callOut, to: '201' }));
    const legs = [...ilse.calls.values()].flatMap((call) => call.legs);
    const rings = legs.filter(({ state }) => state === 'alerting').map(({ endpoint }) => endpoint);
    expect(rings).toContainEqual({ kind: 'device', deviceId: 'ilse-app' });
    const own = legs.find(({ personId }) => personId === 'maren')?.id ?? '';
    expect(await on(ilse.link.send({ type: 'hold', legId: own }))).toMatchObject({ ok: false });
    const app = legs.find(({ endpoint }) => endpoint.kind === 'device' && endpoint.deviceId === 'ilse-app');
    expect(await on(ilse.link.send({ type: 'answer', legId: app?.id ?? '' }))).toMatchObject({ ok: true });
    // Another tab of hers finds that app, and gets no second one.
    const again = await joined(await here.tab(null, 'ilse'));
    expect(again.hosted.me?.deviceId).toBe('ilse-app');
  });

  it('asks for what another left here before, in whose place it is, and stays who it is', async () => {
    const here = browser();
    const host = await here.host();
    const maren = await joined(await here.tab());
    host.kill();
    void maren.link.ask(write('written last')).catch(() => undefined);
    maren.hosted.leave();
    maren.kill();
    await here.host();
    await settle(3_000);
    const ilse = await joined(await here.tab(null, 'ilse'));
    await on(ilse.hosted.askForOthers());
    expect(ilse.told.other).toBe(0);
    expect(ilse.hosted.me?.personId).toBe('ilse');
    const again = await joined(await here.tab());
    expect([...again.messages.values()]).toContain('written last');
  });

  it('is the worker’s where nobody has that name any more', async () => {
    const here = browser();
    await here.host();
    const tab = await joined(await here.tab(null, 'nobody'));
    expect(tab.hosted.me?.personId).toBe('maren');
  });
});

describe('an office that has PINs', () => {
  const pin = '482913';
  const proof = { pin, token: 'a token of this device', name: 'A browser' };
  const setPin = {
    type: 'setPin',
    pin,
    before: null,
    device: { token: proof.token, name: 'A browser' },
  } as const;
  /** Maren has begun it, and chosen a PIN. */
  async function open() {
    const here = browser();
    await here.host(undefined, false);
    const first = await joined(await here.tab());
    expect(await on(first.link.ask(setPin))).toEqual({ ok: true });
    return { here, first };
  }

  it('lets nobody in who shows nothing, and says which office it is', async () => {
    const { here } = await open();
    const { hosted, denied } = await here.tab();
    void hosted.join('worker');
    await settle(3_000);
    expect(denied).toMatchObject([{ why: { code: 'signIn' }, name: 'Orrin Vale Gauging' }]);
    // Nor as somebody else who asks for their chair.
    const other = await here.tab(null, 'ilse');
    void other.hosted.join('worker');
    await settle(3_000);
    expect(other.denied).toMatchObject([{ why: { code: 'signIn' } }]);
  });

  it('lets nobody play those outside either who is not signed in', async () => {
    const { here } = await open();
    const stranger = await here.tab();
    void stranger.hosted.join('outside');
    await settle(3_000);
    expect(stranger.denied).toMatchObject([{ why: { code: 'signIn' } }]);
    const known = await here.tab(null, null, { by: 'token', token: proof.token });
    const link = await on(known.hosted.join('outside'));
    expect(await on(link.scriptOf('outside:+441314960142'))).toBeDefined();
  });

  it('lets in who comes with their PIN after all, and their device ever after', async () => {
    const { here, first } = await open();
    await on(first.link.ask({ type: 'givePin', personId: 'ilse', pin: '739105' }));
    const { hosted, denied } = await here.tab();
    const link = hosted.join('worker');
    await settle(3_000);
    const ilse = { by: 'pin', account: '201', name: 'A phone', token: 'a token of another' } as const;
    hosted.arrive({ ...ilse, pin: '739106' });
    await settle(3_000);
    expect(denied.at(-1)?.why).toEqual({ code: 'wrongPin', left: 4 });
    hosted.arrive({ ...ilse, pin: '739105' });
    await on(link);
    expect(hosted.me?.personId).toBe('ilse');
    expect(hosted.token).toBe(ilse.token);
    const again = await here.tab(null, null, { by: 'token', token: ilse.token });
    await on(again.hosted.join('worker'));
    expect(again.hosted.me?.personId).toBe('ilse');
  });

  it('tells a device nothing more from the moment it is signed out elsewhere', async () => {
    const { here, first } = await open();
    const second = await joined(await here.tab(null, null, { by: 'token', token: proof.token }));
    const id = (await on(first.link.snapshot())).access?.signIns[0]?.id ?? '';
    expect(await on(first.link.ask({ type: 'signOutDevice', id }))).toEqual({ ok: true });
    await settle(3_000);
    expect(second.denied).toMatchObject([{ why: { code: 'signedOut' } }]);
    await on(first.link.ask(write('after it left')));
    expect(second.messages.has('after it left')).toBe(false);
  });

  it('remembers wrong PINs when its host is begun anew', async () => {
    const { here } = await open();
    const { hosted, denied } = await here.tab();
    void hosted.join('worker');
    await settle(3_000);
    for (let wrong = 0; wrong < 5; wrong++) {
      hosted.arrive({ ...proof, by: 'pin', account: '214', pin: '000001', token: 'a token of another' });
      await settle(3_000);
    }
    expect(denied.at(-1)?.why).toEqual({ code: 'paused', until: start + 30_000 });
    const late = await here.tab();
    void late.hosted.join('worker');
    await here.host(undefined, false);
    await settle(3_000);
    late.hosted.arrive({ ...proof, by: 'pin', account: '214', token: 'a token of another' });
    await settle(3_000);
    expect(late.denied.at(-1)?.why).toMatchObject({ code: 'paused' });
  });

  it('writes no PIN down in what a page leaves behind', async () => {
    const { here } = await open();
    const { hosted, kill } = await here.tab(null, null, { by: 'token', token: proof.token });
    const link = await on(hosted.join('worker'));
    void link.ask({ ...setPin, pin: '739105', before: pin });
    hosted.leave();
    kill();
    expect(JSON.stringify([...here.local])).not.toContain('739105');
    expect(JSON.stringify([...here.entries])).not.toContain(pin);
  });
});
