import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import type { io } from 'socket.io-client';

import { sampleCast } from '@sample';
import { newOfficeSchema } from '@/core/setup';
import { signInIdOf } from '@/office/hosted';
import { soundKind, Vault } from '@/state/storage';
import { channelOf, hallOf, type ToTabs } from '@/state/tabs';

import { Client, DeviceOfTest } from '../../tests/servedClient';
import { openLevel } from './levelBackend';
import { Figures } from './Figures';
import { openOffice, type OpenedOffice } from './openOffice';
import { realCast } from './realCast';
import { serveOffices } from './serveOffices';

const storage = 'cendro-test';
const hall = hallOf(storage);
const asNew = newOfficeSchema.parse({
  ...{ name: 'Tarn Edge', zone: 'Europe/London', personName: 'Ada Ferris', extension: '201' },
  ...{ country: 'GB', lineName: 'Main', number: '+441632960100' },
});
const beginning = {
  ...{ storage, setup: null, hasChairs: false, isReal: true },
  cast: realCast(sampleCast),
};
const token = (of: string) => `${of}-0123456789abcdef`;

describe('an office on a server', () => {
  const figures = new Figures();
  const folder = mkdtempSync(join(tmpdir(), 'cendro-office-'));
  let opened: OpenedOffice;
  let address = '';
  let givenPin = '';
  const clients: Client[] = [];
  let closeServer = () => undefined as void;

  const open = async () => {
    const options = {
      log: { error: () => undefined },
      folder,
      beginning,
      asNew,
      isSimulated: false,
      ways: { iceServers: [], relayOnly: false },
      senders: { sendMail: null, mailFrom: '', sendWebhook: async () => ({ ok: true as const }) },
      figures,
    };
    opened = await openOffice({ ...options, backend: await openLevel(join(folder, 'office')) });
    const server = createServer();
    const stopServing = serveOffices(server, { find: () => opened, isOwn: () => true, figures });
    await new Promise<void>((resolve) => server.listen(0, resolve));
    address = `http://localhost:${(server.address() as AddressInfo).port}`;
    closeServer = () => {
      void stopServing();
      server.close();
    };
  };
  const client = (options?: Parameters<typeof io>[1]) => {
    const made = new Client(address, storage, options);
    clients.push(made);
    return made.connected();
  };

  beforeAll(open);
  afterAll(async () => {
    for (const { socket } of clients) socket.close();
    await opened.stop();
    closeServer();
    rmSync(folder, { recursive: true, force: true });
  });

  it('lets in who has been given a way in, once, and tells nobody else anything', async () => {
    const stranger = await client();
    stranger.join('stranger-app', { by: 'chair', personId: 'p1' });
    expect(await stranger.told('denied')).toMatchObject({ why: { code: 'signIn' }, name: 'Tarn Edge' });
    const wayIn = await opened.firstWayIn();
    if (!wayIn) throw new Error('There is no way in.');
    givenPin = wayIn.pin;
    const ada = await client();
    ada.join('ada-app', { by: 'code', ...wayIn, token: token('ada'), name: 'A test' });
    expect(await ada.told('joined')).toMatchObject({ me: { personId: 'p1' } });
    expect(await opened.firstWayIn()).toBeNull();
    const other = await client();
    other.join('other-app', { by: 'code', ...wayIn, token: token('other'), name: 'A test' });
    expect(await other.told('denied')).toMatchObject({ why: { code: 'usedCode' } });
    // Neither of the others was told of Ada's coming.
    for (const each of [stranger, other])
      expect(each.heard.filter(([, said]) => JSON.stringify(said).includes('ada-app'))).toEqual([]);
  });

  it('keeps apps apart: nobody speaks, hears or leaves in another’s name, whatever they know', async () => {
    const ada = await client();
    ada.join('ada-two', { by: 'token', token: token('ada') });
    const { hostId } = await ada.told('joined');
    const link = await ada.link('ada-two');
    const thief = await client();
    const channel = channelOf(storage, hostId, 'ada-two');
    thief.say(channel, { kind: 'ask', id: 1, asked: { what: 'snapshot' }, answeredUpTo: 0 });
    thief.say(hall, { kind: 'leave', app: 'ada-two' });
    thief.join('ada-two', { by: 'token', token: token('wrong') });
    thief.join('ada-two', { by: 'chair', personId: null });
    expect((await link.snapshot()).setup?.name).toBe('Tarn Edge');
    expect(thief.heard.map(([port, said]) => [port, (said as ToTabs).kind])).toEqual([[hall, 'open']]);
    link.close();
  });

  it('takes no token from another device than the one it was given to, nor what that one has signed before', async () => {
    const [own, other] = [new DeviceOfTest(), new DeviceOfTest()];
    const first = await client();
    first.join('ada-invites', { by: 'token', token: token('ada') });
    const link = await first.link('ada-invites');
    await link.ask({ type: 'invite', personId: 'p1', code: 'a-device-with-a-key' });
    link.close();
    const who = { by: 'token', token: token('keyed') } as const;
    const coming = { by: 'code', code: 'a-device-with-a-key', pin: givenPin, name: 'Keyed' } as const;
    const ada = await client();
    await ada.told('open');
    const signed = own.prove(ada.challenge, 'ada-keyed', who.token);
    ada.join('ada-keyed', { ...coming, token: who.token }, 'worker', signed);
    expect(await ada.told('joined')).toMatchObject({ me: { personId: 'p1' } });

    const thief = await client();
    await thief.told('open');
    thief.join('thief-replays', who, 'worker', signed);
    thief.join('thief-replays', who, 'worker', own.prove(ada.challenge, 'thief-replays', who.token));
    thief.join('ada-keyed', who, 'worker', other.prove(thief.challenge, 'ada-keyed', who.token));
    thief.join('thief-none', who, 'worker');
    expect(await thief.told('denied')).toMatchObject({ app: 'thief-none', why: { code: 'signedOut' } });
    const second = await client();
    await second.told('open');
    second.join('thief-other', who, 'worker', other.prove(second.challenge, 'thief-other', who.token));
    expect(await second.told('denied')).toMatchObject({ why: { code: 'signedOut' } });
    for (const { heard } of [thief, second])
      expect(heard.some(([, said]) => (said as ToTabs).kind === 'joined')).toBe(false);

    // The device itself comes again, by a connection that asks it anew.
    const again = await client();
    await again.told('open');
    again.join('ada-again', who, 'worker', own.prove(again.challenge, 'ada-again', who.token));
    expect(await again.told('joined')).toMatchObject({ me: { personId: 'p1' } });
  });

  it('hears nothing of what only a browser may say to its own office', async () => {
    const ada = await client();
    ada.join('ada-three', { by: 'token', token: token('ada') });
    const link = await ada.link('ada-three');
    const far = Date.UTC(2040, 0, 1);
    for (const message of [
      { kind: 'clock', setting: { kind: 'fixed', at: far } },
      { kind: 'online', isOnline: false },
      { kind: 'finish', id: 'f', end: true },
      { kind: 'giveUp', fault: { isNoOfficeHere: true, words: 'Over' } },
      { kind: 'historyLaid' },
    ])
      ada.say(hall, message);
    ada.join('as-outside', { by: 'token', token: token('ada') }, 'outside');
    const snapshot = await link.snapshot();
    expect(snapshot.at).toBeLessThan(far);
    expect(ada.heard.some(([, said]) => ['finished', 'fault'].includes((said as ToTabs).kind))).toBe(false);
    expect(ada.heard.some(([, said]) => (said as { app?: string }).app === 'as-outside')).toBe(false);
    link.close();
  });

  it('does nothing for two hundred forged requests, and goes on', async () => {
    const forger = await client({ transports: ['websocket'] });
    const { hostId } = await forger.told('open');
    const names = [
      hall,
      channelOf(storage, hostId, 'ada-app'),
      channelOf(storage, hostId, 'forged'),
      '',
      '../..',
    ];
    const forged: unknown[] = [
      null,
      'text',
      42,
      [],
      { kind: 'join' },
      { kind: 'join', app: 'forged', as: 'worker', who: { by: 'token', token: 'short' } },
      {
        kind: 'join',
        app: 'forged',
        as: 'worker',
        who: { by: 'token', token: token('x') },
        isOnline: true,
        time: null,
      },
      {
        kind: 'ask',
        id: 1,
        asked: { what: 'send', command: { type: 'clear', legId: 'l1' } },
        answeredUpTo: 0,
      },
      { kind: 'ask', id: -1, asked: { what: 'tables', part: 0 } },
      { __proto__: { kind: 'join' } },
    ];
    for (const asked of [
      null,
      { what: 'keys', prefix: '' },
      { what: 'read', keys: ['setup', 'access/pin/p1', 'office', '../secret', 'by/sound/x'] },
      { what: 'write', entries: { setup: '{"v":1}' } },
    ])
      expect(await forger.files(asked)).toHaveProperty('refused');
    expect(
      await forger.voices({ what: 'take', legId: 'l1', by: 'x', name: 'x', instead: true }),
    ).toMatchObject({ done: false });
    for (let at = 0; at < 200; at++) forger.say(names[at % names.length] ?? '', forged[at % forged.length]);
    const ada = await client();
    ada.join('ada-four', { by: 'token', token: token('ada') });
    expect(await ada.told('joined')).toMatchObject({ me: { personId: 'p1' } });
  });

  it('shows nothing more to a device that is signed out, whatever it calls itself meanwhile', async () => {
    const ada = await client();
    ada.join('ada-main', { by: 'token', token: token('ada') });
    const link = await ada.link('ada-main');
    const second = await opened.firstWayIn();
    expect(second).toBeNull();
    await link.ask({ type: 'invite', personId: 'p1', code: 'a-second-device-code' });
    await link.ask({ type: 'setPin', pin: '5937', before: null, device: null });
    const lost = await client();
    const proof = { pin: '5937', token: token('lost'), name: 'Lost' };
    lost.join('lost-app', { by: 'code', code: 'a-second-device-code', ...proof });
    await lost.told('joined');
    // It would have another sign-in looked at instead of its own.
    lost.join('lost-app', { by: 'token', token: token('ada') });
    expect(await link.ask({ type: 'signOutDevice', id: signInIdOf(token('lost')) })).toEqual({ ok: true });
    expect(await lost.told('denied')).toMatchObject({ why: { code: 'signedOut' } });
    expect(await lost.files({ what: 'keys', prefix: 'history/' })).toHaveProperty('refused');
    link.close();
  });

  it('gives and takes files of whoever is signed in alone, of their kind and size', async () => {
    const ada = await client();
    ada.join('ada-five', { by: 'token', token: token('ada') });
    await ada.told('joined');
    const sound = Vault.encode([{ callId: null, durationMs: 10, wav: 'AAAA' }], soundKind);
    expect(await ada.files({ what: 'write', entries: { 'sound/mine': sound } })).toEqual({ kept: true });
    expect(await ada.files({ what: 'read', keys: ['sound/mine', 'sound/other'] })).toEqual({
      texts: { 'sound/mine': sound },
    });
    for (const [key, text] of [
      ['setup', sound],
      ['access/pin/p1', sound],
      ['history/2026-11-26/x', sound],
      ['sound/broken', 'no lines'],
      ['sound/huge', `{"v":1}\n${'x'.repeat(8_000_001)}`],
    ] as const)
      expect(await ada.files({ what: 'write', entries: { [key]: text } })).toHaveProperty('refused');
    expect(await ada.files({ what: 'read', keys: ['setup', 'access/pin/p1'] })).toEqual({ texts: {} });
    expect(await ada.files({ what: 'keys', prefix: 'access' })).toEqual({ keys: [] });
  });

  it('speaks typed words to whoever is signed in alone, in languages that there are', async () => {
    const stranger = await client();
    const ask = ({ socket }: Client, asked: unknown): Promise<Buffer | null> =>
      socket.emitWithAck('speech', asked);
    const words = { text: 'Nobody is here. Please leave a message.', language: 'en-GB' };
    expect(await ask(stranger, words)).toBeNull();
    const ada = await client();
    ada.join('ada-spoken', { by: 'token', token: token('ada') });
    await ada.told('joined');
    expect((await ask(ada, words))?.toString('latin1', 0, 4)).toBe('RIFF');
    for (const asked of [
      null,
      { ...words, text: 'x'.repeat(1_001) },
      { ...words, language: '--help' },
      { ...words, language: '../../x' },
    ])
      expect(await ask(ada, asked)).toBeNull();
  });

  it('tells each under which address it is seen, and sends back small packets, and no large ones', async () => {
    const { socket, seenFrom } = await client();
    expect(await seenFrom).toMatch(/127\.0\.0\.1|::1/);
    const sentBack: string[] = [];
    const echo = (what: string, packet: unknown) =>
      new Promise<void>((resolve) =>
        socket.emit('echo', packet, () => {
          sentBack.push(what);
          resolve();
        }),
      );
    void echo('large', new Uint8Array(5_000));
    void echo('no bytes', { large: 'x' });
    // What is sent back comes in order: once this one is here, the others will never be.
    await echo('small', new Uint8Array(120));
    expect(sentBack).toEqual(['small']);
  });

  it('has no line to anybody outside, and says so', async () => {
    const ada = await client();
    ada.join('ada-six', { by: 'token', token: token('ada') });
    const link = await ada.link('ada-six');
    const { me } = await ada.told('joined');
    const failed = new Promise<string>((resolve) => {
      link.subscribe(({ changedCalls }) =>
        changedCalls.forEach(({ failure }) => failure != null && resolve(failure)),
      );
    });
    const from = { kind: 'device', deviceId: me?.deviceId ?? '' } as const;
    expect(await link.send({ type: 'make', from, to: '01632960199' })).toMatchObject({ ok: true });
    expect(await failed).toBe('unallocatedNumber');
    link.close();
  });

  it('says how it fares in numbers alone, and notes who came in without anything that lets in', async () => {
    const text = await figures.text();
    expect(text).toMatch(/^cendro_connections [1-9]/m);
    expect(text).toMatch(/^cendro_request_seconds_count\{what="send"\} [1-9]/m);
    expect(text).toMatch(/^cendro_unheard_total\{why="not understood or not theirs"\} [1-9]/m);
    expect(opened.fault()).toBeNull();
    const lines = readFileSync(join(folder, 'audit.jsonl'), 'utf8').trim().split('\n');
    const entries = lines.map((line) => JSON.parse(line) as { what: string });
    expect(entries.map(({ what }) => what)).toEqual(
      expect.arrayContaining(['PIN given', 'link made', 'link used', 'signed in', 'signed out']),
    );
    for (const secret of [token('ada'), signInIdOf(token('ada'))]) expect(lines.join()).not.toContain(secret);
    expect(statSync(join(folder, 'audit.jsonl')).mode & 0o077).toBe(0);
  });

  it('is there again after it was closed, with whoever was signed in', async () => {
    await opened.stop();
    closeServer();
    await open();
    const ada = await client();
    ada.join('ada-seven', { by: 'token', token: token('ada') });
    expect(await ada.told('joined')).toMatchObject({ me: { personId: 'p1' } });
    expect(await ada.files({ what: 'read', keys: ['sound/mine'] })).toHaveProperty(['texts', 'sound/mine']);
  });

  it('lets no page of another site connect', async () => {
    const foreign = new Client(address, storage, { extraHeaders: { origin: 'https://elsewhere.example' } });
    clients.push(foreign);
    await expect(foreign.connected()).rejects.toThrow();
  });
});
