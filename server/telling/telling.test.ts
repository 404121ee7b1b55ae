import { mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { createServer as createHttpServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import {
  mailOf,
  signatureHolds,
  webhookBodyOf,
  writtenSecret,
  type Delivery,
  type TryResult,
} from '@/core/inbox/notifications';
import { testNotice as notice } from '@/core/inbox/notifications/tests/testNotice';

import { createServer } from '../createServer';
import { MailIn } from '../standins/MailIn';
import { standInRoutes, type ReceivedWebhook } from '../standins/routes';
import { Deliveries } from './Deliveries';
import { isPublicAddress } from '../guard/isPublicAddress';
import { tellingRoutes } from './routes';
import { makeSendMail } from './sendMail';
import { makeSendWebhook } from './sendWebhook';

const secret = writtenSecret(new Uint8Array(24).fill(3));
const delivery = (id: string): Delivery => ({ id, notice, place: { kind: 'mail', address: 'a@b.example' } });
const newFolder = () => mkdtempSync(join(tmpdir(), 'cendro-deliveries-'));

/** Deliveries whose time and answers the test decides. */
function open({
  folder = newFolder(),
  answers = [] as TryResult[],
  mostKept = undefined as number | undefined,
} = {}) {
  let now = 1_000;
  let due: (() => void) | null = null;
  const told: string[] = [];
  const deliveries = new Deliveries({
    folder,
    mostKept,
    now: () => now,
    tell: async ({ id }) => {
      told.push(id);
      return answers.shift() ?? { ok: true };
    },
    setTimer: (run, ms) => {
      due = () => ((now += ms), run());
      return () => (due = null);
    },
  });
  const settle = async () => {
    for (let turn = 0; turn < 5; turn++) await Promise.resolve();
  };
  const nextTry = async () => {
    due?.();
    await settle();
  };
  return { deliveries, told, folder, nextTry, isWaiting: () => due !== null };
}

const busy: TryResult = { ok: false, forGood: false, problem: 'It answered 503.' };

describe('deliveries', () => {
  it('tell once what was handed over twice', async () => {
    const { deliveries, told, nextTry, isWaiting } = open();
    deliveries.take(delivery('d1'));
    deliveries.take(delivery('d1'));
    await nextTry();
    deliveries.take(delivery('d1'));
    expect(told).toEqual(['d1']);
    expect(deliveries.progressOf(['d1', 'd2'])).toMatchObject([{ id: 'd1', state: 'delivered', tries: 1 }]);
    expect(isWaiting()).toBe(false);
  });

  it('go on where a server that was stopped left off, with a broken file left out', async () => {
    const first = open({ answers: [busy] });
    first.deliveries.take(delivery('d1'));
    await first.nextTry();
    expect(first.deliveries.progressOf(['d1'])).toMatchObject([{ state: 'waiting', tries: 1 }]);
    first.deliveries.close();
    writeFileSync(join(first.folder, 'broken.json'), '{"deliv');
    const complained = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    const second = open({ folder: first.folder });
    expect(complained).toHaveBeenCalledTimes(1);
    complained.mockRestore();
    await second.nextTry();
    expect(second.told).toEqual(['d1']);
    expect(second.deliveries.progressOf(['d1'])).toMatchObject([{ state: 'delivered', tries: 2 }]);
  });

  it('that were given up are tried once more when asked, one that arrived is not', async () => {
    const gone: TryResult = { ok: false, forGood: true, problem: 'It answered 410.' };
    const { deliveries, told, nextTry } = open({ answers: [gone] });
    deliveries.take(delivery('d1'));
    await nextTry();
    expect(deliveries.progressOf(['d1'])).toMatchObject([{ state: 'failed', problem: 'It answered 410.' }]);
    deliveries.again('d1');
    await nextTry();
    expect(deliveries.again('d1')).toMatchObject({ state: 'delivered' });
    await nextTry();
    expect(told).toEqual(['d1', 'd1']);
    expect(deliveries.again('nobody')).toBeNull();
  });

  it('keep a file each', () => {
    const { deliveries, folder } = open();
    deliveries.take(delivery('d1'));
    deliveries.take(delivery('../../d2'));
    expect(readdirSync(folder).filter((name) => !name.includes('notice'))).toHaveLength(2);
  });

  it('of an earlier version, which kept both in one file, are told', async () => {
    const folder = newFolder();
    const progress = { id: 'd1', state: 'waiting', tries: 1, problem: 'It answered 503.', nextAt: 0 };
    writeFileSync(
      join(folder, 'old.json'),
      JSON.stringify({ delivery: delivery('d1'), progress, endedAt: null }),
    );
    const { told, nextTry } = open({ folder });
    await nextTry();
    expect(told).toEqual(['d1']);
  });

  it('where there are too many make room for the new one: the one tried in vain most often goes', async () => {
    const { deliveries, nextTry } = open({ answers: [busy, busy, busy], mostKept: 3 });
    deliveries.take(delivery('junk'));
    await nextTry();
    deliveries.take(delivery('a'));
    deliveries.take(delivery('b'));
    expect(deliveries.take(delivery('real'))).toMatchObject({ id: 'real', state: 'waiting' });
    expect(deliveries.progressOf(['junk', 'a', 'b', 'real']).map(({ id }) => id)).toEqual(['a', 'b', 'real']);
  });

  it('on a disk that is full are refused, and end nothing; with room they go on', async () => {
    const complained = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    const { deliveries, folder, told, nextTry } = open();
    deliveries.take(delivery('before'));
    rmSync(folder, { recursive: true });
    expect(deliveries.take(delivery('during'))).toBeNull();
    await nextTry();
    // What it tells is lost: it is forgotten, so that the app hands it over anew.
    expect(deliveries.progressOf(['before'])).toEqual([]);
    mkdirSync(folder);
    deliveries.take(delivery('after'));
    await nextTry();
    expect(told).toEqual(['after']);
    complained.mockRestore();
  });

  it('that break while they are told take no others along', async () => {
    const complained = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    const told: string[] = [];
    let due: () => void = () => undefined;
    const deliveries = new Deliveries({
      folder: newFolder(),
      now: () => 1_000,
      tell: async ({ id }) => {
        if (id === 'bad') throw new Error('broken');
        told.push(id);
        return { ok: true };
      },
      setTimer: (run) => ((due = run), () => undefined),
    });
    for (const id of ['bad', 'good']) deliveries.take(delivery(id));
    due();
    for (let turn = 0; turn < 5; turn++) await Promise.resolve();
    expect(told).toEqual(['good']);
    expect(deliveries.progressOf(['bad'])).toMatchObject([
      { state: 'waiting', problem: 'It could not be sent.' },
    ]);
    complained.mockRestore();
  });
});

describe('a webhook', () => {
  it.each([
    ['93.184.215.14', true],
    ['2606:2800:21f::1', true],
    ['127.0.0.1', false],
    ['10.1.2.3', false],
    ['172.20.0.1', false],
    ['192.168.1.1', false],
    ['169.254.169.254', false],
    ['100.64.0.1', false],
    ['0.0.0.0', false],
    ['::1', false],
    ['::ffff:10.0.0.1', false],
    ['fd00::1', false],
    ['fe80::1', false],
    ['224.0.0.1', false],
    ['no address', false],
  ])('%s is of the public network: %s', (address, isPublic) => {
    expect(isPublicAddress(address)).toBe(isPublic);
  });

  const urlOf = (host: string) => `http://${host}/hook`;
  it.each(['127.0.0.1:9', '10.0.0.1', '[::1]:9', '[::ffff:10.0.0.1]', '169.254.169.254', 'localhost:9'])(
    'is not sent to %s, which is inside',
    async (host) => {
      const result = await makeSendWebhook([])('d1', '{}', urlOf(host), secret);
      expect(result).toMatchObject({ ok: false, forGood: true });
      expect(result.ok ? '' : result.problem).toContain('inside a private network');
    },
  );

  it('that reaches nobody is tried again', async () => {
    const result = await makeSendWebhook(['127.0.0.1:9'])('d1', '{}', urlOf('127.0.0.1:9'), secret);
    expect(result).toMatchObject({ ok: false, forGood: false });
  });
});

describe('from the app to the stand-ins', () => {
  const mailIn = new MailIn();
  let server: Server;
  let deliveries: Deliveries;
  let origin = '';
  const ask = async (path: string, body: unknown, headers: Record<string, string> = {}) =>
    fetch(origin + path, {
      method: 'POST',
      body: JSON.stringify(body),
      headers: { 'content-type': 'application/json', ...headers },
    });
  const ended = async (id: string) => {
    for (;;) {
      const [progress] = (await (await ask('/api/telling/progress', { ids: [id] })).json()) as {
        tries: number;
      }[];
      if (progress && progress.tries > 0) return progress;
    }
  };

  beforeAll(async () => {
    server = createHttpServer();
    await new Promise<void>((resolve) => server.listen(0, resolve));
    const host = `localhost:${(server.address() as AddressInfo).port}`;
    origin = `http://${host}`;
    const sendMail = makeSendMail(await mailIn.open(), 'cendro@orrinvale.example');
    const sendWebhook = makeSendWebhook([host]);
    deliveries = new Deliveries({
      folder: newFolder(),
      tell: ({ id, notice: told, place }) =>
        place.kind === 'mail'
          ? sendMail(id, mailOf(told), place.address)
          : sendWebhook(id, webhookBodyOf(told), place.url, place.secret),
    });
    const routes = { '/api/telling': tellingRoutes(deliveries), '/api/standins': standInRoutes(mailIn) };
    server.on('request', createServer(newFolder(), routes));
  });
  afterAll(async () => {
    deliveries.close();
    server.close();
    await mailIn.close();
  });

  it('a voicemail arrives as a mail, with its words and its sound', async () => {
    const place = { kind: 'mail', address: 'maren@orrinvale.example' };
    expect((await ask('/api/telling', { id: 'm1', notice, place })).status).toBe(202);
    expect(await ended('m1')).toMatchObject({ state: 'delivered' });
    const [mail] = await (
      await ask('/api/standins/mails', { addresses: ['maren@orrinvale.example'] })
    ).json();
    expect(mail.subject).toBe('Voicemail of 0:41 from Cawder Flood Watch on Flood desk');
    expect(mail.text).toContain('The logger is under water.');
    expect(mail.files).toMatchObject([{ contentType: 'audio/wav', base64: 'UklGRg==' }]);
    expect(
      await (await ask('/api/standins/mails', { addresses: ['other@orrinvale.example'] })).json(),
    ).toEqual([]);
  });

  it('a webhook arrives signed; one that is refused for now waits, and is tried when asked', async () => {
    await ask('/api/standins/webhooks/maren/answer', { status: 503 });
    const place = { kind: 'webhook', url: `${origin}/api/standins/webhooks/maren`, secret };
    await ask('/api/telling', { id: 'w1', notice, place });
    expect(await ended('w1')).toMatchObject({ state: 'waiting', tries: 1, problem: 'It answered 503.' });
    await ask('/api/standins/webhooks/maren/answer', { status: 204 });
    await ask('/api/telling/again', { id: 'w1' });
    for (;;) {
      const [progress] = await (await ask('/api/telling/progress', { ids: ['w1'] })).json();
      if (progress.state === 'delivered') break;
    }
    const seen = (await (await ask('/api/standins/webhooks/maren/seen', {})).json()) as ReceivedWebhook[];
    expect(seen.map(({ status, id }) => [status, id])).toEqual([
      [204, 'w1'],
      [503, 'w1'],
    ]);
    for (const each of seen) expect(signatureHolds(secret, each, Date.now() / 1000)).toBe(true);
    expect(JSON.parse(seen[0]?.body ?? '')).toMatchObject({ type: 'voicemail.left' });
  });

  it('a delivery whose id no header could hold arrives all the same', async () => {
    const place = { kind: 'webhook', url: `${origin}/api/standins/webhooks/ids`, secret };
    await ask('/api/telling', { id: 'a\nb ü\ud800', notice, place });
    expect(await ended('a\nb ü\ud800')).toMatchObject({ state: 'delivered' });
    const [seen] = (await (await ask('/api/standins/webhooks/ids/seen', {})).json()) as ReceivedWebhook[];
    expect(seen?.id).toBe('a%0ab%20%c3%bc%ef%bf%bd');
    expect(signatureHolds(secret, seen!, Date.now() / 1000)).toBe(true);
  });

  it('a page of another site gets nothing in, whatever it calls it, and before a byte is read', async () => {
    const elsewhere = { origin: 'https://elsewhere.example', 'content-type': 'text/plain' };
    const door = (headers: Record<string, string>) =>
      fetch(`${origin}/api/standins/webhooks/other`, { method: 'POST', headers, body: 'x' });
    expect((await door(elsewhere)).status).toBe(403);
    expect((await door({ 'sec-fetch-site': 'cross-site' })).status).toBe(403);
    expect((await door({ origin })).status).toBe(204);
    const seen = (await (await ask('/api/standins/webhooks/other/seen', {})).json()) as ReceivedWebhook[];
    expect(seen).toHaveLength(1);
  });

  it('what is too large, or does not say how large it is, is refused before it is read', async () => {
    const door = `${origin}/api/standins/webhooks/large`;
    const large = await fetch(door, { method: 'POST', body: 'x'.repeat(16_000_001) }).catch(() => null);
    expect(large?.status ?? 413).toBe(413);
    const stream = new ReadableStream({
      start(controller) {
        controller.enqueue(new TextEncoder().encode('x'));
        controller.close();
      },
    });
    const unsaid = await fetch(door, { method: 'POST', body: stream, duplex: 'half' } as RequestInit);
    expect(unsaid.status).toBe(411);
  });

  it('what can’t be read is answered without a word of how this is made, or of what was sent', async () => {
    const response = await fetch(`${origin}/api/telling`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: '{"secret": whsec_private',
    });
    expect(response.status).toBe(400);
    expect(await response.text()).toBe('{"error":"That could not be read."}');
  });

  it('nothing is taken from another site, or that is no delivery', async () => {
    const place = { kind: 'mail', address: 'maren@orrinvale.example' };
    const fromElsewhere = { 'sec-fetch-site': 'cross-site' };
    expect((await ask('/api/telling', { id: 'x', notice, place }, fromElsewhere)).status).toBe(403);
    expect(
      (await ask('/api/telling', { id: 'x', notice, place }, { 'content-type': 'text/plain' })).status,
    ).toBe(403);
    expect(
      (await ask('/api/telling', { id: 'x', notice, place: { kind: 'mail', address: 'x' } })).status,
    ).toBe(400);
    expect((await ask('/api/telling/progress', { ids: 'x' })).status).toBe(400);
    expect((await ask('/api/telling/again', { id: 'x' })).status).toBe(404);
  });
});
