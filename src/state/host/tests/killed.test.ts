import { sampleCast, sampleOffice } from '@sample';

import type { Inbox, InboxRequest, Session } from '@/core/office';
import { seeded } from '@/core/shared/random';
import { Clock } from '@/office/clock';
import { type OfficeState } from '@/office/link';
import { HostedOffice } from '@/office/hosted';

import { OfficeParts, readBelongings, readOfficeState, readTables, Vault, workKinds } from '../../storage';
import { Belongings } from '../belongings';
import { keepOffice } from '../keepingOffice';

const start = Date.UTC(2026, 10, 26, 10, 40);
const instants = 200;
const second = 1_000;

const turns = async (count: number) => {
  for (let turn = 0; turn < count; turn++) await Promise.resolve();
};

/** Storage whose writing takes its time, now and then has no room, and which stands still once its page was killed. */
function slowStorage(entries: Map<string, string>, random: () => number) {
  let isKilled = false;
  const commit = async (write: () => void) => {
    await turns(Math.floor(random() * 30));
    if (isKilled) return new Promise<void>(() => undefined);
    if (random() < 0.05) throw new Error('QuotaExceededError');
    write();
  };
  const backend = {
    getMany: async (keys: string[]) => Object.fromEntries(keys.map((key) => [key, entries.get(key) ?? null])),
    setMany: (given: Record<string, string>) =>
      commit(() => Object.entries(given).forEach(([key, text]) => entries.set(key, text))),
    removeMany: (keys: string[]) => commit(() => keys.forEach((key) => entries.delete(key))),
    getAllKeys: async () => [...entries.keys()],
  };
  return { backend: backend as never, kill: () => (isKilled = true) };
}

async function openOn(entries: Map<string, string>, at: number, random: () => number) {
  const storage = slowStorage(entries, random);
  let isFull = false;
  const vault = new Vault(
    (status) => (isFull = status !== 'ok'),
    () => undefined,
    storage.backend,
  );
  const state = await readOfficeState(vault);
  const clock = new Clock({ mode: 'fixed', at });
  const [belongings, parts] = [new Belongings(vault), new OfficeParts()];
  const office: HostedOffice = new HostedOffice({
    ...{ setup: sampleOffice, cast: sampleCast, clock },
    ...(state && { state: state as Partial<OfficeState> }),
    inbox: readTables(vault),
    keep: (step) => keepOffice(step, office, { vault, zone: sampleOffice.zone, belongings, parts }),
  });
  void belongings.open(office, await readBelongings(vault, workKinds), true);
  const link = office.linkFor(maren);
  office.start();
  return { office, link, clock, kill: storage.kill, isFull: () => isFull };
}

const maren: Session = {
  ...{ id: 'maren-app', personId: 'maren', deviceId: 'maren-app' },
  roles: ['member', 'administrator'],
};
const customer = { kind: 'outside', number: '+441914980162', name: 'CAWDER FW' } as const;

type Check = (inbox: Inbox) => void;

const noteOf = (id: string) => ({ kind: 'note', id, at: start, callId: null, text: 'Gate code 4120' });
const idsOf = ({ all }: Inbox['personal']) => [...all.values()].map(({ row }) => row.id);
/** As an earlier version kept notes. */
const oldNotes = ['{"v":2}', ...['old-1', 'old-2'].map((id) => JSON.stringify(noteOf(id)))].join('\n');

/** What somebody busy asks for, and what has to be so once it was answered. */
function busyWork(random: () => number): { request: InboxRequest; holds: Check }[] {
  const pick = <T>(all: readonly T[]) => all[Math.floor(random() * all.length)] as T;
  return Array.from({ length: 24 }, (_, at): { request: InboxRequest; holds: Check } => {
    const id = `asked-${at}`;
    switch (Math.floor(random() * 5)) {
      case 0:
        return {
          request: {
            ...{ type: 'write', id, lineId: 'text', text: `Text ${at}` },
            number: pick(['+447700900333', '211', '203']),
          },
          holds: ({ messaging }) => expect(messaging.all.get(id)?.text).toBe(`Text ${at}`),
        };
      case 1:
        return {
          request: { type: 'sendFax', id, number: '+441174960155', lineId: 'field', title: id, pages: 1 },
          holds: ({ faxing }) => expect(faxing.all.get(id)?.title).toBe(id),
        };
      case 2:
        return {
          request: { type: 'openRoom', id, name: `Room ${at}`, isOpen: false, memberIds: ['hugh'] },
          holds: ({ messaging }) => expect(messaging.rooms.get(id)?.name).toBe(`Room ${at}`),
        };
      case 3:
        return {
          request: {
            type: 'keepOwn',
            changes: [{ table: 'personal', sort: 'work', put: noteOf(id) }],
          },
          holds: ({ personal }) => expect(idsOf(personal)).toContain(id),
        };
      default:
        return {
          request: { type: 'leaveVoicemail', id, toPersonId: 'hugh', durationMs: 900 },
          holds: ({ mailboxes }) => expect(mailboxes.all.get(id)?.mailboxId).toBe('hugh'),
        };
    }
  });
}

/** A busy minute that is cut off somewhere; gives what was answered until then, and when that was. */
async function busyUntilKilled(entries: Map<string, string>, seed: number) {
  const random = seeded(seed);
  const run = await openOn(entries, start, random);
  const answered: Check[] = [];
  const steps = Math.floor(random() * 60);
  const work = busyWork(random);
  for (let step = 0; step < steps; step++) {
    const next = random() < 0.4 ? work.shift() : undefined;
    if (next)
      void run.link.ask(next.request).then((reply) => {
        // Where there is no room, the worker is told that nothing is kept.
        if (reply.ok && !run.isFull()) answered.push(next.holds);
      });
    if (random() < 0.05) void run.office.send({ type: 'make', from: customer, to: '+441314960214' });
    if (random() < 0.1)
      void run.office.play({
        kind: 'textIn',
        text: {
          ...{ number: '+447700900333', lineId: 'text', picture: null },
          text: `Came in ${step}`,
        },
      });
    await turns(Math.floor(random() * 40));
    run.clock.moveOn(Math.floor(random() * 2 * second));
  }
  run.kill();
  const at = run.clock.now();
  run.office.close();
  await turns(5);
  return { answered: [...answered], at };
}

describe('an office whose page is killed at any instant of a busy minute', () => {
  // What has no room is written later, by a timer that this test does not wait for; and as long as the clock of reading stands, no
  // reading stops to let a page draw, which on a busy machine would wait for such a timer for ever.
  beforeEach(() => jest.useFakeTimers({ doNotFake: ['queueMicrotask', 'nextTick'] }));
  afterEach(() => jest.useRealTimers());

  it(`has all that it answered, and all that falls due happens once (${instants} instants)`, async () => {
    let checked = 0;
    for (let seed = 1; seed <= instants; seed++) {
      const entries = new Map([['work', oldNotes]]);
      const { answered, at } = await busyUntilKilled(entries, seed);
      const again = await openOn(entries, at, seeded(seed + instants));
      const inbox = await again.office.inbox();
      for (const holds of answered) holds(inbox);
      expect(idsOf(inbox.personal)).toEqual(expect.arrayContaining(['old-1', 'old-2']));
      checked += answered.length;
      for (let minute = 0; minute < 20; minute++) again.clock.moveOn(60 * second);
      for (const message of inbox.messaging.all.values()) expect(message.state).not.toBe('queued');
      expect(inbox.faxing.underway()).toEqual([]);
      for (const fax of inbox.faxing.all.values()) expect(['done', 'failed']).toContain(fax.state);
      const came = [...inbox.messaging.all.values()].flatMap(({ text }) =>
        text.startsWith('Came in') ? [text] : [],
      );
      expect(new Set(came).size).toBe(came.length);
      // Another twenty minutes bring nothing a second time.
      const settled = inbox.messaging.all.size;
      for (let minute = 0; minute < 20; minute++) again.clock.moveOn(60 * second);
      expect(inbox.messaging.all.size).toBe(settled);
      again.office.close();
    }
    expect(checked).toBeGreaterThan(instants);
  }, 300_000);
});
