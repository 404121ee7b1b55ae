import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import type { FromOffice } from '@/office/forwarding';

import { startForwarding, type ForwardingThread } from './startForwarding';

/** A thread that is played: tells of whom it was said what they may, what it was last asked for, and ends at an offer. */
const played = `
import { parentPort } from 'node:worker_threads';
parentPort.on('message', (asked) => {
  if (asked.do === 'offer') process.exit(1);
  if (asked.do === 'may') {
    parentPort.postMessage({ told: 'connected', end: asked.end });
    parentPort.postMessage({ told: 'signal', end: asked.end, signal: { voices: [...asked.hear, null] } });
  }
});
`;

describe('the thread that forwards', () => {
  const folder = mkdtempSync(join(tmpdir(), 'cendro-thread-'));
  const path = join(folder, 'thread.mjs');
  let thread: ForwardingThread;
  beforeAll(() => {
    writeFileSync(path, played);
    thread = startForwarding(path, { addresses: [], ports: null }, () => undefined);
  });
  afterAll(async () => {
    await thread.close();
    rmSync(folder, { recursive: true });
  });
  const office = (name: string) => {
    const connected: string[] = [];
    const signals: [string, FromOffice][] = [];
    const forwarding = thread.of(name, {
      connected: (legId) => void connected.push(legId),
      signal: (legId, signal) => void signals.push([legId, signal]),
    });
    return { forwarding, connected, signals };
  };
  const until = async (isSo: () => boolean) => {
    for (const end = Date.now() + 20_000; Date.now() < end; await new Promise((go) => setTimeout(go, 5)))
      if (isSo()) return;
    throw new Error('It has not become so.');
  };

  it('keeps offices apart, whose ends may have the same names', async () => {
    const [mill, yard] = [office('mill'), office('yard')];
    mill.forwarding.allow('l1', { hear: ['l2'], see: [] });
    yard.forwarding.allow('l1', { hear: [], see: [] });
    await until(() => mill.signals.length === 1 && yard.signals.length === 1);
    expect(mill.signals).toEqual([['l1', { voices: ['l2', null] }]]);
    expect(yard.signals).toEqual([['l1', { voices: [null] }]]);
    mill.forwarding.leave('l1');
    yard.forwarding.leave('l1');
  });

  it('is started anew when it has ended, knows who may what, and has them connect again', async () => {
    const { forwarding, connected, signals } = office('mill');
    // Of whom nothing was said nothing is taken.
    forwarding.hear('stranger', { offer: { sdp: 'v=0' } });
    forwarding.allow('l1', { hear: [], see: [] });
    await until(() => connected.length === 1);
    forwarding.hear('l1', { offer: { sdp: 'v=0' } });
    await until(() => connected.length === 2);
    expect(signals).toContainEqual(['l1', { again: true }]);
  });
});
