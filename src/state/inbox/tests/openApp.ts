import { sampleCast, sampleContacts, sampleOffice } from '@sample';
import { sampleBooks } from '@sample/books';
import { sampleInbox } from '@sample/inbox';
import transcripts from '@sample/transcripts.json';

import type { CallRecord, ExchangeEvent } from '@/core/calls/exchange';
import type { KeepDays } from '@/core/inbox/retention';
import { encodeWav } from '@/core/shared/soundFiles';
import { Clock } from '@/office/clock';
import { type OfficeState } from '@/office/link';
import { HostedOffice } from '@/office/hosted';
import {
  createAppStore,
  keepDaysChosen,
  OwnRows,
  send,
  tablesChanged,
  updated,
  whenChanged,
} from '@/state/app';

import { frontChanged, historyCompleted, joined, recordsAdded } from '../../app/slices';
import { Duties } from '../../app/duties';
import { ownRowsRead } from '../../app/ownRows';
import { Belongings } from '../../host';
import { keptKinds } from '../../kept';
import { readBelongings, readTables, rowEntries, Vault, workKinds, type StoredSound } from '../../storage';
import { selectOrder, startInbox } from '..';

/** A Thursday, 10:40 in London. */
export const start = Date.UTC(2026, 10, 26, 10, 40);
export const me = { personId: 'maren', deviceId: 'maren-app' };
export const cawder = { kind: 'outside', number: '+441914980162', name: 'CAWDER FW' } as const;

export const sampleBeginning = {
  cameBefore: sampleInbox,
  cameFor: 'maren',
  words: transcripts,
  books: sampleBooks,
};

/** Storage in memory. */
function shelf() {
  const entries = new Map<string, string>();
  const backend = {
    getMany: async (keys: string[]) => Object.fromEntries(keys.map((key) => [key, entries.get(key) ?? null])),
    setMany: async (given: Record<string, string>) => {
      for (const [key, text] of Object.entries(given)) entries.set(key, text);
    },
    removeMany: async (keys: string[]) => keys.forEach((key) => entries.delete(key)),
    getAllKeys: async () => [...entries.keys()],
  };
  return { entries, backend: backend as never };
}

/** Everything that waits on promises has been done. */
export const settle = async () => {
  for (let turn = 0; turn < 60; turn++) await Promise.resolve();
  await new Promise((resolve) => setTimeout(resolve));
  for (let turn = 0; turn < 60; turn++) await Promise.resolve();
};

/** Once that is so; reading storage takes as many turns as there are kinds of things. */
export async function until(isSo: () => boolean): Promise<void> {
  for (let turn = 0; turn < 50 && !isSo(); turn++) await settle();
  expect(isSo()).toBe(true);
}

const stops: (() => void)[] = [];
/** Ends it with the test, which it would else outlive. */
export const endWithTest = (stop: () => void): void => void stops.push(stop);
afterEach(() => stops.splice(0).forEach((stop) => stop()));

/** The app's account of who waits, over an office in the page and storage in memory. */
export async function open(
  kept = shelf(),
  from: {
    state?: OfficeState;
    at?: number;
    records?: readonly CallRecord[];
    keepDays?: Partial<KeepDays>;
  } = {},
) {
  const { store, services } = createAppStore();
  const clock = new Clock({ mode: 'fixed', at: from.at ?? start });
  const vault = new Vault(
    () => undefined,
    () => undefined,
    kept.backend,
  );
  const belongings = new Belongings(vault);
  const office: HostedOffice = new HostedOffice({
    setup: sampleOffice,
    cast: sampleCast,
    clock,
    state: from.state,
    inbox: readTables(vault),
    isOnline: () => store.getState().office.isOnline,
    keep: (step) => {
      for (const { put, goneKeys } of [rowEntries(step), belongings.entriesOf(step.rows)]) {
        void vault.write(put);
        void vault.remove(goneKeys);
      }
    },
  });
  const link = office.linkFor({ id: 'maren-app', ...me, roles: ['member', 'administrator'] });
  const sounds = new Map<string, StoredSound>();
  services.clock = clock;
  services.link = link;
  services.vault = vault;
  services.keepSound = async (id, sound) => void sounds.set(id, sound);
  services.readSound = async (id) => sounds.get(id) ?? services.mixSound(id);
  store.dispatch(joined({ setup: sampleOffice, contacts: sampleContacts, outsiders: sampleContacts, me }));
  store.dispatch(frontChanged(true));
  const ownRows = new OwnRows(store, link);
  services.ownRows = ownRows;
  void belongings.open(office, await readBelongings(vault, workKinds), false);
  const own = await link.own();
  ownRows.takeIn(() => store.dispatch(ownRowsRead(own)));
  void readBelongings(vault, keptKinds).then((read) => belongings.open(office, read, true));
  endWithTest(() => ownRows.close());
  link.subscribe((update) => {
    store.dispatch(updated(update));
    store.dispatch(tablesChanged(update.changes));
    ownRows.hear(update.changes);
    const mine = update.events.flatMap((event: ExchangeEvent) =>
      event.type === 'recordWritten' && event.record.personId === me.personId ? [event.record] : [],
    );
    if (mine.length > 0) store.dispatch(recordsAdded(mine.reverse()));
  });
  if (from.records) store.dispatch(recordsAdded(from.records));
  if (from.keepDays) store.dispatch(keepDaysChosen(from.keepDays));
  // As the app does: the office opens first, and this part of the app is fetched meanwhile.
  office.start();
  const duties = new Duties();
  duties.begin();
  const stop = startInbox({ store, services, vault, duties }, sampleBeginning);
  endWithTest(
    whenChanged(
      store,
      (now) => now.office.isOnline,
      () => office.connectionChanged(),
    ),
  );
  endWithTest(stop);
  store.dispatch(historyCompleted());
  await settle();
  const state = () => store.getState();
  return {
    kept,
    store,
    office,
    vault,
    sounds,
    stop,
    state,
    clock,
    services,
    waiting: () => selectOrder(state(), clock.now()).map(({ end }) => end.who.name),
    texts: () => Object.values(state().inbox.kept.messages),
    pass: async (seconds: number) => {
      clock.moveOn(seconds * 1000);
      await settle();
    },
    missCall: async (party: { kind: 'outside'; number: string | null; name: string | null } = cawder) => {
      const result = await office.send({ type: 'make', from: party, to: '+441314960214' });
      if (!result.ok || !result.legId) throw new Error(JSON.stringify(result));
      clock.moveOn(8_000);
      await office.send({ type: 'clear', legId: result.legId });
      await settle();
    },
    talkTo: async (to: string, seconds: number) => {
      const from = { kind: 'device', deviceId: me.deviceId } as const;
      const result = await store.dispatch(send({ type: 'make', from, to }));
      if (!result?.ok || !result.legId) throw new Error(JSON.stringify(result));
      clock.moveOn(10_000);
      clock.moveOn(seconds * 1000);
      await store.dispatch(send({ type: 'clear', legId: result.legId }));
      await settle();
    },
  };
}

export type App = Awaited<ReturnType<typeof open>>;

/** Every clip, and whatever else is fetched, is the same three seconds of sound. */
export function serveClips(): void {
  const clip = encodeWav(new Float32Array(3.4 * 8000).fill(0.5), 8000);
  globalThis.fetch = (async () => ({ ok: true, arrayBuffer: async () => clip.buffer })) as never;
}
