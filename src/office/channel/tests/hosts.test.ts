import { sampleCast, sampleOffice } from '@sample';
import { z } from 'zod';

import { Clock } from '../../clock';
import { HostedOffice } from '../../hosted';
import { ChannelHost, ChannelLink, type Port } from '..';
import { againMs } from '../ChannelLink';
import { hostContract, member, Mirror, type HostUnderTest, type OpenOffice } from './contract';
import { seeded } from '@/core/shared/random';
import { faultless, wire, type Faults } from './wire';

const start = Date.UTC(2026, 10, 26, 10, 40);

/** The sample’s office, standing still, and whoever plays those outside. */
const openOffice = (): OpenOffice => openGathering(0);

/** The same, which tells of which phones are busy from time to time. */
function openGathering(gatherMs: number): OpenOffice {
  const clock = new Clock({ mode: 'fixed', at: start });
  const office = new HostedOffice({ setup: sampleOffice, cast: sampleCast, clock, gatherMs });
  const outside = office.linkFor({
    ...{ id: 'outside', personId: null, deviceId: null },
    roles: ['simulator', 'network'],
  });
  // What each keeps for themselves: a sort of it.
  const notes = z.object({ id: z.string(), text: z.string() });
  void office.openPersonal({ sorts: { notes }, rows: [] }, true);
  office.start();
  return { office, clock, outside };
}

beforeEach(() => jest.useFakeTimers({ doNotFake: ['performance'] }));
afterEach(() => jest.useRealTimers());

const restMs = 60_000;
const rest = async () => void (await jest.advanceTimersByTimeAsync(restMs));

hostContract('the office in the page', openOffice, (office) => ({
  join: (session, onAnew) => {
    const link = office.linkFor(session);
    let { log } = office.snapshot().mark;
    link.subscribe(({ mark }) => {
      if (mark.log !== log) onAnew();
      log = mark.log;
    });
    return link;
  },
  rest,
}));

/** Each session at the other end of a channel of its own. */
const behind =
  (faults: Faults, seed: number): Parameters<typeof hostContract>[2] =>
  (office): HostUnderTest => {
    const random = seeded(seed);
    return {
      join: (session, onAnew) => {
        const [here, there] = wire(faults, random).ends;
        new ChannelHost(office.linkFor(session), there);
        return new ChannelLink(here, { onAnew });
      },
      rest,
    };
  };

hostContract('the office behind a channel', openOffice, behind(faultless, 1));
hostContract(
  'the office that gathers what concerns nobody in particular',
  () => openGathering(500),
  behind(faultless, 1),
);
for (const seed of [1, 2, 3])
  hostContract(
    `the office behind a channel that loses a third, repeats a third and delays up to three seconds (${seed})`,
    openOffice,
    behind({ lose: 0.33, repeat: 0.33, delayMs: 3_000 }, seed),
  );

describe('a channel', () => {
  async function opened(mostKept: number) {
    const { office } = openOffice();
    let isCut = false;
    const [here, there] = wire(faultless, seeded(1)).ends;
    const host = new ChannelHost(
      office.linkFor(member('maren', 'maren-app')),
      { ...there, say: (message) => void (isCut || there.say(message)) },
      { mostKept },
    );
    const mirror = new Mirror();
    const onAnew = jest.fn();
    const link = new ChannelLink(here, { onAnew });
    link.subscribe((update) => mirror.hear(update));
    await rest();
    const write = (text: string) =>
      link.ask({ type: 'write', id: text, number: '211', lineId: 'text', text });
    return { office, host, link, mirror, onAnew, write, cut: (is: boolean) => (isCut = is) };
  }

  it('that was cut tells what was missed once it is whole again, in its order', async () => {
    const { mirror, onAnew, write, cut } = await opened(100);
    cut(true);
    const answers = ['1', '2', '3'].map(write);
    await jest.advanceTimersByTimeAsync(5 * againMs);
    expect(mirror.tables.messages.size).toBe(0);
    cut(false);
    await rest();
    expect(await Promise.all(answers)).toEqual([{ ok: true }, { ok: true }, { ok: true }]);
    expect([...mirror.tables.messages.keys()]).toEqual(['1', '2', '3']);
    expect(onAnew).not.toHaveBeenCalled();
  });

  it('keeps nothing for an app that says that it has come, which it does once it asks nothing more', async () => {
    const [here, there] = wire(faultless, seeded(1)).ends;
    const said: { kind: string }[] = [];
    const listening: Port = {
      ...here,
      say: (message) => (said.push(message as { kind: string }), here.say(message)),
    };
    const { office } = openOffice();
    new ChannelHost(office.linkFor(member('maren', 'maren-app')), there);
    const link = new ChannelLink(listening);
    const written = link.ask({ type: 'write', id: 'a', number: '211', lineId: 'text', text: 'a' });
    const read = link.snapshot();
    await rest();
    await Promise.all([written, read]);
    const got = said.filter(({ kind }) => kind === 'got');
    expect(got).toEqual([{ kind: 'got', answeredUpTo: 2, told: expect.any(Number) }]);
    // Asked for all the same, it is not there: whoever asks reads everything anew.
    const heard: { kind: string }[] = [];
    here.hear((message) => heard.push(message as { kind: string }));
    here.say({ kind: 'ask', id: 2, asked: { what: 'snapshot' }, answeredUpTo: 0 });
    here.say({ kind: 'missing', after: 0 });
    await jest.advanceTimersByTimeAsync(10);
    expect(heard.flatMap(({ kind }) => (kind === 'beat' ? [] : [kind]))).toEqual(['anew']);
  });

  it('that was cut for too long has everything read anew', async () => {
    const { link, mirror, onAnew, write, cut } = await opened(2);
    cut(true);
    const answers = Array.from({ length: 9 }, (_, number) => write(String(number)));
    await jest.advanceTimersByTimeAsync(5 * againMs);
    cut(false);
    await rest();
    await Promise.all(answers);
    expect(onAnew).toHaveBeenCalledTimes(1);
    const read = mirror.readAll(link);
    await rest();
    await read;
    expect(mirror.tables.messages.size).toBe(9);
    const later = write('later');
    await rest();
    expect(await later).toEqual({ ok: true });
    expect(mirror.tables.messages.size).toBe(10);
  });

  it('does nothing in a call later: what was not heard in time is refused, and said to nobody any more', async () => {
    const said: unknown[] = [];
    const nobody: Port = {
      say: (message) => void said.push(message),
      hear: () => undefined,
      close: () => undefined,
    };
    const link = new ChannelLink(nobody, { commandMs: 3_000 });
    const called = link.send({ type: 'make', from: { kind: 'device', deviceId: 'maren-app' }, to: '211' });
    const written = link.ask({ type: 'write', id: '1', number: '211', lineId: 'text', text: 'On my way' });
    await jest.advanceTimersByTimeAsync(3_500);
    expect(await called).toEqual({ ok: false, reason: { code: 'notReached' } });
    const [{ office }, [here, there]] = [openOffice(), wire(faultless, seeded(1)).ends];
    const host = new ChannelHost(office.linkFor(member('maren', 'maren-app')), there);
    link.moveTo(here);
    await rest();
    expect(await written).toEqual({ ok: true });
    expect(office.seen().calls.size).toBe(0);
    link.close();
    host.close();
  });

  it('a host that comes to it late does nothing in a call that nobody waits for any more, and all else', async () => {
    const [{ office }, [here, there]] = [openOffice(), wire(faultless, seeded(1)).ends];
    const held: unknown[] = [];
    let isSlow = false;
    let hear: (message: unknown) => void = () => undefined;
    // A machine that does much else: what has come to it lies there unread.
    there.hear((message) => (isSlow ? void held.push(message) : hear(message)));
    const slow: Port = { ...there, hear: (listener) => void (hear = listener) };
    const host = new ChannelHost(office.linkFor(member('maren', 'maren-app')), slow);
    const link = new ChannelLink(here, { commandMs: 8_000, now: () => Date.now() - start });
    const call = () =>
      link.send({ type: 'make', from: { kind: 'device', deviceId: 'maren-app' }, to: '211' });
    await jest.advanceTimersByTimeAsync(3_000);
    isSlow = true;
    const called = call();
    const written = link.ask({ type: 'write', id: '1', number: '211', lineId: 'text', text: 'On my way' });
    await jest.advanceTimersByTimeAsync(9_000);
    expect(await called).toEqual({ ok: false, reason: { code: 'notReached' } });
    isSlow = false;
    for (const message of held) hear(message);
    await rest();
    expect(await written).toEqual({ ok: true });
    expect(office.seen().calls.size).toBe(0);
    // What is asked now is done, also where beats were long on their way.
    expect(await Promise.all([call(), rest()])).toMatchObject([{ ok: true }, undefined]);
    expect(office.seen().calls.size).toBe(1);
    link.close();
    host.close();
  });

  it('that is closed gives up what is asked, and costs nothing more', async () => {
    const { host, link, write, cut } = await opened(100);
    cut(true);
    const asked = write('1').catch((error: Error) => error.message);
    link.close();
    expect(await asked).toBe('The link was closed.');
    await expect(write('2')).rejects.toThrow('The link was closed.');
    await rest();
    host.close();
    expect(jest.getTimerCount()).toBe(0);
  });

  it('takes what can’t be read for lost', async () => {
    const { host, write } = await opened(100);
    const [here, there] = wire(faultless, seeded(1)).ends;
    const { office } = openOffice();
    const strict = new ChannelHost(office.linkFor(member('hugh', 'hugh-desk')), there);
    const said: unknown[] = [];
    here.hear((message) => said.push(message));
    for (const nonsense of [null, 'x', { kind: 'ask' }, { kind: 'ask', id: 1, asked: { what: 'fly' } }])
      here.say(nonsense);
    await jest.advanceTimersByTimeAsync(10);
    expect(said).toMatchObject([{ kind: 'fault', id: 1 }]);
    const answer = write('1');
    await rest();
    expect(await answer).toEqual({ ok: true });
    strict.close();
    host.close();
  });
});
