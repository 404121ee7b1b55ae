import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import { createClient, type RedisClientType } from 'redis';

import { Lease } from './Lease';
import { openRedis } from './redisStore';

const folder = mkdtempSync(join(tmpdir(), 'cendro-redis-'));
let server: ChildProcess;
let url = '';
const clients: RedisClientType[] = [];

const freePort = () =>
  new Promise<number>((resolve) => {
    const probe = createServer().listen(0, () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
  });

async function client(): Promise<RedisClientType> {
  const made: RedisClientType = createClient({ url });
  made.on('error', () => undefined);
  clients.push(made);
  await made.connect();
  return made;
}

beforeAll(async () => {
  const port = await freePort();
  url = `redis://127.0.0.1:${port}`;
  server = spawn('redis-server', [
    '--port',
    String(port),
    '--dir',
    folder,
    '--save',
    '',
    '--bind',
    '127.0.0.1',
  ]);
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.stdout?.on('data', (said: Buffer) => said.includes('Ready to accept connections') && resolve());
  });
});
afterAll(() => {
  for (const each of clients) if (each.isOpen) each.destroy();
  server.kill();
  rmSync(folder, { recursive: true, force: true });
});

/** A process, as far as ownership goes. */
async function open(office: string, peer: string) {
  const redis = await client();
  const lease = new Lease({ redis, office, peer });
  let fenced = 0;
  return {
    ...{ redis, lease, fenced: () => fenced },
    storeOf: (token: number) => openRedis({ redis, office, token, onFenced: () => fenced++ }),
    /** Its time is up before it has said that it is there. */
    isSilent: () => redis.del(`${office}:lease`),
  };
}

describe('an office that several processes can own', () => {
  it('is owned by one, and the others know where that is', async () => {
    const [one, other] = [await open('a', 'http://one'), await open('a', 'http://other')];
    const token = await one.lease.own();
    const tried = jest.spyOn(other.redis, 'eval');
    let isOwned = false;
    const second = other.lease.own().finally(() => (isOwned = true));
    // It has tried, been answered, and tried again.
    while (tried.mock.calls.length < 3) await other.redis.ping();
    expect(isOwned).toBe(false);
    expect(await other.lease.owner()).toBe('http://one');
    await one.lease.release();
    expect(await second).toBeGreaterThan(token);
    expect(await one.lease.owner()).toBe('http://other');
  });

  it('is taken over where its owner is silent, who can write nothing from then on', async () => {
    const [one, other] = [await open('b', 'http://one'), await open('b', 'http://other')];
    const before = one.storeOf(await one.lease.own());
    await before.setMany({ call: 'rings', gone: 'soon' });
    await one.isSilent();
    const after = other.storeOf(await other.lease.own());
    await after.setMany({ call: 'answered' });
    await expect(before.setMany({ call: 'rings still' })).rejects.toThrow('FENCED');
    await expect(before.removeMany(['call'])).rejects.toThrow('FENCED');
    expect(one.fenced()).toBe(2);
    expect(await after.getMany(['call', 'gone', 'never'])).toEqual({
      ...{ call: 'answered', gone: 'soon', never: null },
    });
  });

  it('stays with who was late and has been followed by nobody', async () => {
    const one = await open('c', 'http://one');
    const store = one.storeOf(await one.lease.own());
    await one.isSilent();
    await store.setMany({ call: 'rings' });
    expect(one.fenced()).toBe(0);
  });

  it('is another one’s than that of another name', async () => {
    const [one, other] = [await open('d', 'http://one'), await open('e', 'http://other')];
    const stores = [one.storeOf(await one.lease.own()), other.storeOf(await other.lease.own())];
    await stores[0]!.setMany({ call: 'of d' });
    expect(await stores[1]!.getMany(['call'])).toEqual({ call: null });
  });
});

describe('its store', () => {
  it('finds what begins so, in order, and nothing else', async () => {
    const one = await open('f', 'http://one');
    const store = one.storeOf(await one.lease.own());
    await store.setMany({ 'sound/b': '1', 'sound/a': '2', sounds: '3', 'sound/ś': '4', 'message/1': '5' });
    expect(await store.getKeys('sound/')).toEqual(['sound/a', 'sound/b', 'sound/ś']);
    await store.removeMany(['sound/a', 'never']);
    expect(await store.getAllKeys()).toEqual(['message/1', 'sound/b', 'sound/ś', 'sounds']);
  });

  it('writes as much at once as there is', async () => {
    const one = await open('g', 'http://one');
    const store = one.storeOf(await one.lease.own());
    const many = Object.fromEntries(Array.from({ length: 20_000 }, (_, at) => [`row/${at}`, `text ${at}`]));
    await store.setMany(many);
    expect(await store.getMany(Object.keys(many))).toEqual(many);
  });
});
