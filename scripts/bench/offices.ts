// `npm run bench:offices`: what a call costs as the offices of one process become more, and how much of it an office holds.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import type { Session } from '@/core/office';
import { newOffice, newOfficeSchema, type OfficeSetup } from '@/core/setup';
import type { HostedOffice } from '@/office/hosted';
import { hosted } from '@/offices/hosted';
import { servedStorage } from '@/state/offices';
import { setupKind, storageKeys, Vault } from '@/state/storage';

import { Figures } from '../../server/office/Figures';
import { openSharedLevel } from '../../server/office/levelBackend';
import { openOffice, type OpenedOffice } from '../../server/office/openOffice';
import { realCast } from '../../server/office/realCast';
import { asTable, type Figure } from './figures';

const sizes = [1, 10, 100, 1_000];
const calls = 400;
const warmingUp = 400;

/** An office of two people with an app each. */
function setupOfTwo(): OfficeSetup {
  const first = newOffice(
    newOfficeSchema.parse({
      ...{ name: 'Bench', zone: 'Europe/London', personName: 'Runner', extension: '201' },
      ...{ country: 'GB', lineName: 'Main', number: '+441632960100' },
    }),
  );
  const [runner] = first.people;
  const [app] = first.devices;
  if (!runner || !app) throw new Error('A new office has somebody with an app.');
  return {
    ...first,
    people: [runner, { ...runner, id: 'second', name: 'Second', extension: '202', administers: false }],
    devices: [app, { ...app, id: 'second-app', personId: 'second' }],
    ringPlans: [
      ...first.ringPlans,
      {
        personId: 'second',
        rules: [
          {
            ...{ id: 'any', name: 'Any call', lineIds: [] },
            stages: [{ length: { seconds: 20 }, targets: [{ deviceId: 'second-app', startSeconds: 0 }] }],
            finish: { kind: 'mailbox', personId: 'second' },
          },
        ],
      },
    ],
  };
}

const setup = setupOfTwo();
const [caller, called] = setup.devices.map(({ id, personId }): Session => ({
  id,
  personId,
  deviceId: id,
  roles: ['member'],
}));

/** Whoever counts an office knows it. */
class KnownOffices extends Figures {
  private readonly known: (() => HostedOffice | null)[] = [];

  override count(counted: Parameters<Figures['count']>[0]): () => void {
    this.known.push(counted.office);
    return super.count(counted);
  }

  get offices(): HostedOffice[] {
    return this.known.flatMap((office) => office() ?? []);
  }
}

async function call(office: HostedOffice): Promise<void> {
  if (!caller?.deviceId || !called) throw new Error('Two have apps.');
  const from = { kind: 'device', deviceId: caller.deviceId } as const;
  const [calling, answering] = [office.linkFor(caller), office.linkFor(called)];
  const made = await calling.send({ type: 'make', from, to: '202' });
  const there = made.ok ? office.seen().calls.get(made.callId ?? '') : undefined;
  const leg = there?.legs.find(
    ({ endpoint }) => endpoint.kind === 'device' && endpoint.deviceId === called.deviceId,
  );
  if (!leg) throw new Error(`Nobody was rung: ${JSON.stringify(made)}`);
  await answering.send({ type: 'answer', legId: leg.id });
  await calling.send({ type: 'clear', legId: made.ok ? (made.legId ?? '') : '' });
  calling.close();
  answering.close();
}

/** Milliseconds for a call made, answered and ended, and bytes held by each office. */
async function measure(count: number): Promise<{ callMs: number; bytes: number }> {
  const folder = mkdtempSync(join(tmpdir(), 'cendro-offices-'));
  const level = await openSharedLevel(join(folder, 'level'));
  const figures = new KnownOffices();
  const opened: OpenedOffice[] = [];
  const { hasChairs: _, ...beginning } = hosted.own;
  globalThis.gc?.();
  const before = process.memoryUsage().rss;
  for (let at = 0; at < count; at++) {
    const backend = level.of(`office-${at}`);
    await backend.setMany({ [storageKeys.setup]: Vault.encode([setup], setupKind) });
    opened.push(
      await openOffice({
        ...{ backend, figures, asNew: null, isSimulated: false, log: { error: console.error } },
        folder: join(folder, String(at)),
        beginning: {
          ...beginning,
          ...{ storage: servedStorage, hasChairs: false, isReal: true, playsPhones: false },
          cast: realCast(beginning.cast),
        },
        ways: { iceServers: [], relayOnly: false },
        senders: { sendMail: null, mailFrom: '', sendWebhook: async () => ({ ok: true }) },
      }),
    );
  }
  globalThis.gc?.();
  const bytes = (process.memoryUsage().rss - before) / count;
  const { offices } = figures;
  for (const office of offices)
    for (const session of [caller, called])
      if (session?.deviceId)
        await office.linkFor(session).send({ type: 'signIn', deviceId: session.deviceId });
  const inTurn = async (number: number) => {
    for (let at = 0; at < number; at++) {
      const office = offices[at % offices.length];
      if (office) await call(office);
    }
  };
  await inTurn(warmingUp);
  const began = performance.now();
  await inTurn(calls);
  const callMs = (performance.now() - began) / calls;
  for (const each of opened) await each.stop();
  await level.close();
  rmSync(folder, { recursive: true, force: true });
  return { callMs, bytes };
}

const round = (value: number) => Number(value.toFixed(2));

async function main() {
  const figures: Figure[] = [];
  let alone: number | null = null;
  for (const count of sizes) {
    const { callMs, bytes } = await measure(count);
    alone ??= callMs;
    figures.push({
      ...{ name: `a call made, answered, ended; of ${count} offices`, value: round(callMs), unit: 'ms' },
      ...{ aim: '≤ 1.2 × alone', most: round(1.2 * alone) },
    });
    if (count === sizes.at(-1))
      figures.push({
        ...{
          name: 'memory of an office that nobody is connected to',
          value: round(bytes / 1024),
          unit: 'KB',
        },
        ...{ aim: 'less', least: 0 },
      });
  }
  console.log(asTable(figures));
}

void main().then(() => process.exit(0));
