// What the benches of a served office share: an office of many people who are signed in, a server under it, and real Socket.IO clients.
import { spawn, type ChildProcess } from 'node:child_process';
import { createHash } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import type { AccessRow } from '@/core/office';
import { newOffice, newOfficeSchema, type OfficeSetup } from '@/core/setup';
import type { ChannelLink } from '@/office/channel';
import type { OfficeUpdate } from '@/office/link';
import { accessEntries, setupKind, storageKeys, Vault } from '@/state/storage';

import type { OfficeBackend } from '../../../server/office/backend';
import { openLevel } from '../../../server/office/levelBackend';
import { Client } from '../../../tests/servedClient';

const storage = 'cendro-served';

/** Where all of them can meet by one call. */
export const roomExtension = '29999';

export interface Device {
  id: string;
  token: string;
  personId: string;
  extension: string;
}

const sha256 = (text: string) => createHash('sha256').update(text).digest('hex');

/** People at so many devices each, all signed in before; those of one person stand together. */
export function devicesOf(peopleCount: number, devicesEach: number): Device[] {
  return Array.from({ length: peopleCount * devicesEach }, (_, at) => {
    const number = Math.floor(at / devicesEach);
    const token = `bench-token-${at}-0123456789`;
    return {
      ...{ token, personId: `p${number}`, extension: String(23000 + number) },
      id: `app-${sha256(token).slice(0, 16)}`,
    };
  });
}

function setupOf(devices: readonly Device[]): OfficeSetup {
  const first = newOffice(
    newOfficeSchema.parse({
      ...{ name: 'Bench', zone: 'Europe/London', personName: 'Runner', extension: '201' },
      ...{ country: 'GB', lineName: 'Main', number: '+441632960100' },
    }),
  );
  const people = [...new Map(devices.map((device) => [device.personId, device])).values()];
  const app = { kind: 'app' as const, callLimit: 6 };
  const lineId = first.lines[0]?.id ?? '';
  return {
    ...first,
    people: [
      ...first.people,
      ...people.map(({ personId, extension }) => ({
        ...{ id: personId, name: `Person ${extension}`, role: '', extension, presentedLineId: lineId },
      })),
    ],
    conferences: [
      {
        ...{ id: 'room', name: 'Room', extension: roomExtension, pin: '4711', hostPin: '4712' },
        ...{ waitsForHost: false, opensForOffice: true },
      },
    ],
    devices: [
      ...first.devices,
      ...people.map(({ personId }) => ({ ...app, id: `${personId}-app`, personId, name: 'Cendro' })),
      ...devices.map(({ id, personId }, at) => ({
        ...{ ...app, id, personId, name: `Browser ${at}`, contactOf: `${personId}-app` },
      })),
    ],
    ringPlans: [
      ...first.ringPlans,
      ...people.map(({ personId }) => ({
        personId,
        rules: [
          {
            ...{ id: `${personId}-any`, name: 'Any call', lineIds: [] },
            stages: [
              { length: { seconds: 20 }, targets: [{ deviceId: `${personId}-app`, startSeconds: 0 }] },
            ],
            finish: { kind: 'mailbox' as const, personId },
          },
        ],
      })),
    ],
  };
}

/** A store in which that office stands, as it would be had all of them joined. */
export async function prepare(backend: OfficeBackend, devices: readonly Device[]): Promise<void> {
  const signIns = devices.map(({ token, personId }): AccessRow => {
    const [id, at] = [sha256(token), Date.now()];
    return { kind: 'signIn', id, personId, name: 'Browser', key: null, at, lastAt: at };
  });
  const { put } = accessEntries(signIns.map((now) => ({ kind: now.kind, id: now.id, now })));
  await backend.setMany({ ...put, [storageKeys.setup]: Vault.encode([setupOf(devices)], setupKind) });
  await backend.close();
}

/** The served office’s process. */
export class Server {
  private child: ChildProcess | null = null;

  constructor(
    private readonly folder: string,
    private readonly port: number,
    private readonly env: Record<string, string> = {},
  ) {}

  get address() {
    return `http://localhost:${this.port}`;
  }

  /** Resolves once the office can be used; gives after how many milliseconds. */
  async start(): Promise<number> {
    const began = performance.now();
    this.child = spawn(process.execPath, ['--enable-source-maps', 'build/office.mjs', '--http'], {
      env: { ...process.env, CENDRO_DATA: this.folder, PORT: String(this.port), ...this.env },
      detached: true,
      stdio: 'ignore',
    });
    for (;;) {
      const isReady = await fetch(`${this.address}/readyz`).then(
        ({ ok }) => ok,
        () => false,
      );
      if (isReady) return performance.now() - began;
      await pause(20);
    }
  }

  async kill(): Promise<void> {
    const { child } = this;
    if (child?.pid === undefined) return;
    this.child = null;
    const isOver = new Promise((resolve) => child.once('exit', resolve));
    process.kill(-child.pid, 'SIGKILL');
    await isOver;
  }

  /** One of its own figures. */
  async figure(name: string): Promise<number> {
    const text = await (await fetch(`${this.address}/metrics`)).text();
    return Number(new RegExp(`^${name} (\\S+)`, 'm').exec(text)?.[1] ?? NaN);
  }
}

export const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** An office of those devices under a server of its own, for as long as something is measured there. */
export async function withOffice<T>(
  devices: readonly Device[],
  measure: (server: Server) => Promise<T>,
): Promise<T> {
  const folder = mkdtempSync(join(tmpdir(), 'cendro-bench-'));
  await prepare(await openLevel(join(folder, 'office', 'office')), devices);
  const server = new Server(folder, await freePort());
  try {
    await server.start();
    return await measure(server);
  } finally {
    await server.kill();
    rmSync(folder, { recursive: true, force: true });
  }
}

/** A device that is connected, and what it waits to be told. */
export class Connected {
  private readonly waits = new Set<(update: OfficeUpdate) => void>();

  constructor(
    readonly device: Device,
    readonly link: ChannelLink,
    private readonly client: Client,
  ) {
    link.subscribe((update) => {
      this.waits.forEach((wait) => wait(update));
      // What it has heard is kept for tests, which end sooner.
      client.heard.length = 0;
    });
  }

  leave(): void {
    this.link.close();
    this.client.socket.close();
  }

  /** When it has been told of something. */
  told(isIt: (update: OfficeUpdate) => boolean): Promise<number> {
    return new Promise((resolve) => {
      const wait = (update: OfficeUpdate) => {
        if (!isIt(update)) return;
        this.waits.delete(wait);
        resolve(performance.now());
      };
      this.waits.add(wait);
    });
  }
}

/** A connection for each of them, some at a time. */
export async function connect(
  server: Server,
  devices: readonly Device[],
  apps = 'bench',
): Promise<Connected[]> {
  const all: Connected[] = [];
  for (let at = 0; at < devices.length; at += 20)
    all.push(
      ...(await Promise.all(
        devices.slice(at, at + 20).map(async (device, index) => {
          const client = new Client(server.address, storage, { reconnection: false });
          await client.connected();
          const app = `${apps}${at + index}`;
          client.join(app, { by: 'token', token: device.token });
          return new Connected(device, await client.link(app), client);
        }),
      )),
    );
  return all;
}

export const freePort = () =>
  new Promise<number>((resolve) => {
    const probe = createServer().listen(0, () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
  });

/** Which messages are there of those that they have written. */
export const written = async (all: readonly Connected[]) =>
  new Set(
    (await Promise.all(all.map(({ link }) => link.tables()))).flatMap((tables) =>
      tables.messages.flatMap(({ id, direction }) => (direction === 'out' ? [id] : [])),
    ),
  );
