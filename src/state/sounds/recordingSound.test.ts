import { base64ToUint8Array } from 'uint8array-extras';

import { sampleCast, sampleOffice } from '@sample';

import type { Call } from '@/core/calls/exchange';
import { OfficeIndex } from '@/core/setup';
import { decodeWav, encodeWav } from '@/core/shared/soundFiles';
import { Clock } from '@/office/clock';
import { type OfficeUpdate } from '@/office/link';
import { HostedOffice } from '@/office/hosted';

import { type HeardLog, type StoredSound } from '../storage';
import { RecordingSound } from './recordingSound';

const start = Date.UTC(2026, 10, 26, 10, 40);
const rate = 8000;
const me = { kind: 'device', deviceId: 'maren-app' } as const;

/** A clip of one second, at half of full loudness. */
const clipFile = () => encodeWav(new Float32Array(rate).fill(0.5), rate);

/** Storage in memory, read back as the vault would. */
class Shelf {
  entries = new Map<string, string>();
  keys = async (prefix: string) => [...this.entries.keys()].filter((key) => key.startsWith(prefix));
  write = async (entries: Record<string, string>) => {
    for (const [key, text] of Object.entries(entries)) this.entries.set(key, text);
  };
  remove = async (keys: readonly string[]) => keys.forEach((key) => this.entries.delete(key));
  readMany = async <T>(keys: readonly string[]) =>
    new Map(keys.map((key) => [key, [JSON.parse(this.entries.get(key)?.split('\n')[1] ?? 'null') as T]]));
  read = async <T>(key: string) => (await this.readMany<T>([key])).get(key) ?? null;
}

const index = new OfficeIndex(sampleOffice);

function open() {
  const shelf = new Shelf();
  const clock = new Clock({ mode: 'fixed', at: start });
  const office = new HostedOffice({ setup: sampleOffice, cast: sampleCast, clock });
  const fetched: string[] = [];
  let isOffline = false;
  const fetchClip = async (id: string) => {
    if (isOffline) throw new Error('No network');
    fetched.push(id);
    return clipFile();
  };
  const calls = () => office.snapshot().changedCalls;
  const callOf = (id: string) => calls().find((call) => call.id === id);
  const nameOf = (call: Call, legId: string) =>
    call.legs.find(({ id }) => id === legId)?.personId ?? 'outside';
  const options = { vault: shelf, personId: 'maren', fetchClip, office: () => index, nameOf };
  let keeper = new RecordingSound(options);
  let busy: Promise<void> = Promise.resolve();
  const follow = (update: OfficeUpdate) => (busy = keeper.follow(update, callOf));
  office.subscribe((update) => void follow(update));
  office.start();
  return {
    shelf,
    office,
    fetched,
    calls,
    pass: (seconds: number) => clock.moveOn(seconds * 1000),
    settle: () => busy,
    goOffline: (off: boolean) => (isOffline = off),
    /** As after closing the page and opening it again. */
    reopen: async () => {
      keeper = new RecordingSound(options);
      await keeper.resume();
      await keeper.mixEnded(callOf);
    },
    record: async (act: 'start' | 'pause' | 'resume', legId: string) => {
      const result = await office.send({ type: 'record', legId, act });
      expect(result.ok).toBe(true);
      await busy;
    },
  };
}

const soundIn = async (shelf: Shelf) => {
  const [key] = await shelf.keys('sound/');
  return key === undefined ? null : ((await shelf.read<StoredSound>(key))?.[0] ?? null);
};

async function talkingWithBexhollow() {
  const session = open();
  const result = await session.office.send({ type: 'make', from: me, to: '0131 496 0142' });
  const legId = result.ok ? (result.legId ?? '') : '';
  session.pass(6);
  return { ...session, legId };
}

describe('the sound of a recording', () => {
  it('holds what its owner heard, in one file, once the call is over', async () => {
    const { office, pass, record, settle, shelf, fetched, legId } = await talkingWithBexhollow();
    await record('start', legId);
    pass(4);
    await record('pause', legId);
    pass(60);
    await record('resume', legId);
    pass(2);
    expect(await soundIn(shelf)).toBeNull();
    await office.send({ type: 'clear', legId });
    await settle();
    const sound = await soundIn(shelf);
    const decoded = decodeWav(base64ToUint8Array(sound?.wav ?? ''));
    if (!decoded.ok) throw new Error(decoded.sentence);
    expect(decoded.marks).toEqual([{ atSeconds: 4, text: 'Paused for 60 s' }]);
    expect(decoded.samples.length).toBe(6.6 * rate);
    expect(fetched).toEqual(expect.arrayContaining(['recording-announcement', 'hello-bexhollow']));
    // The announcement and the first words lie on each other at its beginning.
    expect(decoded.samples[rate / 2]).toBeGreaterThan(0.4);
    expect(await shelf.keys('heard/')).toEqual([]);
  });

  it('of a meeting is marked with who speaks', async () => {
    const { office, pass, record, settle, shelf, legId } = await talkingWithBexhollow();
    const marks = async () => {
      await office.send({ type: 'clear', legId });
      await settle();
      const decoded = decodeWav(base64ToUint8Array((await soundIn(shelf))?.wav ?? ''));
      return decoded.ok ? decoded.marks.map(({ text }) => text) : [];
    };
    await office.send({ type: 'meet', legId });
    await record('start', legId);
    pass(20);
    expect(await marks()).toEqual(['outside']);
  });

  it('hears music only while its owner does, and nothing of a call it holds', async () => {
    const { office, pass, record, settle, shelf, legId } = await talkingWithBexhollow();
    await record('start', legId);
    pass(4);
    await office.send({ type: 'hold', legId });
    await settle();
    const [key = ''] = await shelf.keys('heard/');
    const loops = async () =>
      (await shelf.read<HeardLog>(key))?.[0]?.heard.flatMap((entry) =>
        entry.kind === 'loop' ? [entry.loop] : [],
      );
    expect(await loops()).toEqual([]);
    await office.send({ type: 'retrieve', legId });
    const far = office.snapshot().changedCalls[0]?.legs.find(({ endpoint }) => endpoint.kind === 'outside');
    await office.send({ type: 'hold', legId: far?.id ?? '' });
    await settle();
    await record('pause', legId);
    expect(await loops()).toEqual(['music']);
  });

  it('survives the page being closed in the middle, and a network that is away at the end', async () => {
    const { office, pass, record, settle, shelf, legId, reopen, goOffline } = await talkingWithBexhollow();
    await record('start', legId);
    pass(3);
    await reopen();
    goOffline(true);
    await office.send({ type: 'clear', legId });
    await settle();
    expect(await soundIn(shelf)).toBeNull();
    expect(await shelf.keys('heard/')).toHaveLength(1);
    goOffline(false);
    await reopen();
    expect((await soundIn(shelf))?.durationMs).toBe(3000);
    expect(await shelf.keys('heard/')).toEqual([]);
  });
});
