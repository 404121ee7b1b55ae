import { sampleCast } from '@sample';

import { emptyInbox } from '@/core/office/machine';
import { emptyOffice, type OfficeSetup } from '@/core/setup';
import { writtenOfficeMessage, type Session } from '@/core/office';
import { ChannelHost, ChannelLink, type Port } from '@/office/channel';
import { Clock } from '@/office/clock';
import { HostedOffice } from '@/office/hosted';

import type { Figure } from './figures';

const start = Date.UTC(2026, 10, 26, 10, 40);
const rows = 100_000;
const changes = 1_000;
const [me, other] = ['me', 'other'].map((id): Session => ({
  ...{ id, personId: id, deviceId: `${id}-app` },
  roles: ['member'],
})) as [Session, Session];

const setup: OfficeSetup = {
  ...emptyOffice,
  name: 'Bench',
  people: [me, other].map(({ id }, at) => ({
    ...{ id, name: id, role: '', extension: String(200 + at), presentedLineId: 'line' },
  })),
  devices: [me, other].map(({ personId, deviceId }) => ({
    ...{ id: deviceId ?? '', personId, kind: 'app' as const, name: 'app', callLimit: 2, location: '' },
  })),
};

/** Two ends that hear each other a task later, in copies, as a worker and its page do; the way to the app can be cut. */
function wire() {
  const listeners: ((message: unknown) => void)[] = [];
  const state = { isCut: false, longestMs: 0 };
  const end = (own: 0 | 1): Port => ({
    say: (message) => {
      if (own === 1 && state.isCut) return;
      const copy = structuredClone(message);
      setImmediate(() => {
        const began = performance.now();
        listeners[own === 0 ? 1 : 0]?.(copy);
        if (own === 1) state.longestMs = Math.max(state.longestMs, performance.now() - began);
      });
    },
    hear: (listener) => void (listeners[own] = listener),
    close: () => undefined,
  });
  return { here: end(0), there: end(1), state };
}

/** What an app takes from its office over a channel: all rows at its first start, and what it has missed. */
export async function benchChannel(): Promise<Figure[]> {
  const messages = Array.from({ length: rows }, (_, number) => ({
    ...writtenOfficeMessage({
      ...{ id: `m${number}`, at: start - rows + number, lineId: 'line', text: 'Is the mast up?' },
      between: { kind: 'colleagues', fromId: 'other', toId: 'me' },
    }),
    state: 'delivered' as const,
  }));
  const clock = new Clock({ mode: 'fixed', at: start });
  const office = new HostedOffice({ setup, cast: sampleCast, clock, inbox: { ...emptyInbox, messages } });
  void office.openPersonal({ sorts: {}, rows: [] }, true);
  office.start();
  const { here, there, state } = wire();
  const host = new ChannelHost(office.linkFor(me), there);
  const link = new ChannelLink(here);

  let began = performance.now();
  const read = await link.tables();
  if (read.messages.length !== rows) throw new Error(`${read.messages.length} rows`);
  const syncMs = performance.now() - began;
  const longestMs = state.longestMs;

  const author = office.linkFor(other);
  const write = (id: string) =>
    author.ask({ type: 'write', id, number: '200', lineId: 'line', text: 'It is.' });
  // Of that one it is told, so that it knows how far it has come.
  await write('told');
  await link.snapshot();
  state.isCut = true;
  for (let number = 0; number < changes; number++) await write(`n${number}`);
  // It reaches its office again, by another way.
  const anew = wire();
  const next = new ChannelHost(office.linkFor(me), anew.there);
  began = performance.now();
  link.moveTo(anew.here);
  const missed = await link.missed();
  const catchUpMs = performance.now() - began;
  const written = missed?.filter(({ table }) => table === 'messages').length;
  if (written !== changes) throw new Error(`${written} changes`);
  next.close();
  link.close();
  host.close();
  office.close();
  return [
    {
      name: 'first sync of 100,000 messages over a channel',
      ...{ value: Math.round(syncMs), unit: 'ms', aim: 'under 2,000', most: 2_000 },
    },
    {
      name: 'its longest task in the app',
      ...{ value: Math.round(longestMs), unit: 'ms', aim: 'at most 50', most: 50 },
    },
    {
      name: 'catching up on 1,000 changes',
      ...{ value: Math.round(catchUpMs), unit: 'ms', aim: 'under 50', most: 50 },
    },
  ];
}
