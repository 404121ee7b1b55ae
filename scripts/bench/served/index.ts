// `npm run bench:served`: an office on a server under load from real Socket.IO clients in this process, over loopback. BENCH_PEOPLE says how many
// people it has, with three signed-in devices each.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import { createClient, type RedisClientType } from 'redis';

import { Lease } from '../../../server/office/shared/Lease';
import { openRedis } from '../../../server/office/shared/redisStore';
import { asTable, percentile, type Figure } from '../figures';
import { callUntil } from './calls';
import {
  connect,
  devicesOf,
  freePort,
  pause,
  prepare,
  Server,
  withOffice,
  written,
  type Connected,
  type Device,
} from './load';

const peopleCount = Number(process.env['BENCH_PEOPLE'] ?? 100);
const devicesEach = 3;
const lanes = 8;
const callingMs = 10_000;
const idleMs = 10_000;
const messages = 2_000;

type Note = (
  name: string,
  value: number,
  unit: string,
  bound: Pick<Figure, 'least' | 'most' | 'aim'>,
) => void;

/** Two processes that share an office in Redis: the one that has it is killed while somebody writes by way of the other. */
async function takeOver(devices: readonly Device[], note: Note): Promise<void> {
  const folders = [0, 1, 2].map(() => mkdtempSync(join(tmpdir(), 'cendro-bench-')));
  const [forRedis = '', forOne = '', forOther = ''] = folders;
  const port = await freePort();
  const url = `redis://127.0.0.1:${port}`;
  const durable = ['--save', '', '--appendonly', 'yes', '--appendfsync', 'always'];
  const store = spawn('redis-server', ['--port', String(port), '--dir', forRedis, ...durable], {
    stdio: 'ignore',
  });
  store.once('error', () => console.log('Without redis-server nothing is said of taking over.'));
  const redis: RedisClientType = createClient({ url });
  redis.on('error', () => undefined);
  const one = new Server(forOne, await freePort(), { CENDRO_REDIS: url });
  const other = new Server(forOther, await freePort(), { CENDRO_REDIS: url });
  try {
    await redis.connect();
    const lease = new Lease({ redis, office: 'cendro:own', peer: '' });
    const token = await lease.own();
    const onFenced = () => undefined;
    await prepare(openRedis({ redis, office: 'cendro:own', token, onFenced }), devices);
    await lease.release();
    await one.start();
    await other.start();
    const [from] = await connect(other, devices.slice(0, 1));
    const answered: string[] = [];
    let isKilled = false;
    const writing = (async () => {
      for (let number = 0; from && !isKilled; number++) {
        const id = `takeover-${number}`;
        const to = devices.at(-1)?.extension ?? '';
        const asked = { type: 'write' as const, id, number: to, lineId: 'none', text: 'Word' };
        const reply = await Promise.race([from.link.ask(asked), pause(2_000).then(() => null)]);
        if (reply?.ok) answered.push(id);
      }
    })();
    await pause(2_000);
    isKilled = true;
    await one.kill();
    const since = performance.now();
    await writing;
    let again: Connected[] = [];
    // Until the other one has it there is nobody who lets anybody in.
    while (again.length === 0)
      again = await Promise.race([
        connect(other, devices.slice(0, 1)).catch(() => []),
        pause(300).then(() => []),
      ]);
    note('owner killed, until another has the office', performance.now() - since, 'ms', {
      aim: '≤ 5,000',
      most: 5_000,
    });
    const there = await written(again);
    note(
      `of ${answered.length} answered by the one that was killed, lost`,
      answered.filter((id) => !there.has(id)).length,
      '',
      {
        aim: '0',
        most: 0,
      },
    );
  } finally {
    await one.kill();
    await other.kill();
    if (redis.isOpen) redis.destroy();
    store.kill();
    for (const folder of folders) rmSync(folder, { recursive: true, force: true });
  }
}

const round = (value: number, digits = 1) => Number(value.toFixed(digits));

async function main() {
  const devices = devicesOf(peopleCount, devicesEach);
  const figures: Figure[] = [];
  const note: Note = (name, value, unit, bound) =>
    void figures.push({ name, value: round(value), unit, ...bound });
  await withOffice(devices, async (server) => {
    const before = await server.figure('process_resident_memory_bytes');
    const began = performance.now();
    let all = await connect(server, devices);
    note('sign-ins taken up', (devices.length / (performance.now() - began)) * 1000, '/s', {
      aim: 'more',
      least: 0,
    });
    const after = await server.figure('process_resident_memory_bytes');
    note('memory per signed-in device', (after - before) / devices.length / 1024, 'KB', {
      aim: '≤ 40',
      most: 40,
    });
    const cpu = await server.figure('process_cpu_seconds_total');
    await pause(idleMs);
    const idle = ((await server.figure('process_cpu_seconds_total')) - cpu) / (idleMs / 1000);
    note(`CPU of ${devices.length} idle devices`, 100 * idle, '%', { aim: '≤ 10', most: 10 });

    const times = await callUntil(performance.now() + callingMs, lanes, all, devicesEach);
    note('calls rung at three, answered, ended', (times.ring.length / callingMs) * 1000, '/s', {
      aim: '≥ 200',
      least: 200,
    });
    note('request to the last ring, p99', percentile(times.ring, 0.99), 'ms', { aim: '≤ 100', most: 100 });
    note('answer to the others stopped, p99', percentile(times.stop, 0.99), 'ms', {
      aim: '≤ 150',
      most: 150,
    });

    const answered: string[] = [];
    const wrote = performance.now();
    await Promise.all(
      all.slice(0, 20).map(async ({ link }, lane) => {
        for (let number = 0; number < messages / 20; number++) {
          const id = `bench-${lane}-${number}`;
          const to = all[(lane + 21) % all.length]?.device.extension ?? '';
          const reply = await link.ask({
            type: 'write',
            id,
            number: to,
            lineId: 'none',
            text: `Word ${number}`,
          });
          if (reply.ok) answered.push(id);
        }
      }),
    );
    note('messages written and kept', (messages / (performance.now() - wrote)) * 1000, '/s', {
      aim: 'more',
      least: 0,
    });
    await server.kill();
    note('killed, until it can be used again', await server.start(), 'ms', { aim: '≤ 3,000', most: 3_000 });
    all = await connect(server, devices.slice(0, 20 + 2 * devicesEach));
    const there = await written(all);
    note('answered and lost', answered.filter((id) => !there.has(id)).length, '', { aim: '0', most: 0 });
  });
  await takeOver(devices, note);
  console.log(asTable(figures));
  process.exit(0);
}

void main();
