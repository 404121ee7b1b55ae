// `npm run bench:forwarding`: what it takes of the office's machine to forward a meeting's voices and pictures, as a thread of its own does it.
import { join } from 'node:path';
import { performance } from 'node:perf_hooks';
import { Worker } from 'node:worker_threads';

import { MediaStreamTrack, RTCPeerConnection, RtpHeader, RtpPacket } from 'werift';

import { layout } from '@/office/forwarding';

import type { FromForwarder, ToForwarder } from '../../server/forwarding/protocol';
import { asTable, percentile, type Figure } from './figures';

const seconds = 10;
/** A picture of 360 rows at 500 kbit/s, and a voice of Opus. */
const picture = { bytes: 1_050, everyMs: 1_000 / 60 };
const voice = { bytes: 160, everyMs: 40, ticks: 1_920 };
const tickMs = 5;

const at = (carries: string) => layout.findIndex((each) => each.carries === carries);

/** A browser that is played: what it sends says when. */
class Played {
  readonly peer = new RTCPeerConnection({ iceServers: [], bundlePolicy: 'max-bundle' });
  readonly lateMs: number[] = [];
  private readonly sends = layout.map(({ media }) => new MediaStreamTrack({ kind: media }));
  private readonly numbers = layout.map(() => 0);

  async offer(): Promise<string> {
    layout.forEach(({ media, direction }, place) => {
      const sent = this.sends[place];
      const way = this.peer.addTransceiver(direction === 'sendonly' && sent ? sent : media, { direction });
      way.onTrack.subscribe((track) =>
        track.onReceiveRtp.subscribe(
          ({ payload }) =>
            void this.lateMs.push(performance.now() - payload.readDoubleBE(payload.length - 8)),
        ),
      );
    });
    await this.peer.setLocalDescription(await this.peer.createOffer());
    return this.peer.localDescription?.sdp ?? '';
  }

  send(place: number, bytes: number, ticks: number): void {
    const number = ((this.numbers[place] ?? 0) + 1) & 0xffff;
    this.numbers[place] = number;
    const payload = Buffer.alloc(bytes);
    // Each begins a picture that needs no other one, in VP8's descriptor.
    payload[0] = 0x10;
    payload.writeDoubleBE(performance.now(), bytes - 8);
    const header = new RtpHeader({ sequenceNumber: number, timestamp: (number * ticks) >>> 0 });
    this.sends[place]?.writeRtp(new RtpPacket(header, payload));
  }
}

interface Meeting {
  people: number;
  speaking: number;
  seen: number;
}

/** Everybody hears everybody, and sees the first of them. */
async function forward({ people, speaking, seen }: Meeting) {
  const thread = new Worker(join(import.meta.dirname, '../../build/forwarding/thread.mjs'), {
    workerData: { addresses: [], ports: null },
  });
  const all = new Map<string, Played>();
  const connected = new Set<string>();
  const joinMs: number[] = [];
  const offeredAt = new Map<string, number>();
  thread.on('message', (told: FromForwarder) => {
    if (told.told === 'connected') {
      joinMs.push(performance.now() - (offeredAt.get(told.end) ?? 0));
      connected.add(told.end);
    } else if ('answer' in told.signal)
      void all.get(told.end)?.peer.setRemoteDescription({ type: 'answer', ...told.signal.answer });
  });
  const ask = (asked: ToForwarder) => thread.postMessage(asked);
  const names = Array.from({ length: people }, (_, index) => `p${index}`);
  const shown = names.slice(0, seen).map((legId) => ({ legId, kind: 'camera' as const }));
  for (const end of names) {
    const one = new Played();
    all.set(end, one);
    const hear = names.filter((other) => other !== end);
    ask({ do: 'may', end, hear, see: shown.filter(({ legId }) => legId !== end) });
    offeredAt.set(end, performance.now());
    ask({ do: 'offer', end, sdp: await one.offer() });
    // They come one after the other, and say something at once.
    while (!connected.has(end)) {
      one.send(at('voice'), voice.bytes, voice.ticks);
      await new Promise((go) => setTimeout(go, tickMs));
    }
    const others = shown.filter(({ legId }) => legId !== end);
    ask({ do: 'wants', end, wants: others.map((each) => ({ ...each, rows: 360 })) });
  }
  await new Promise((go) => setTimeout(go, 500));
  for (const one of all.values()) one.lateMs.length = 0;
  const before = thread.performance.eventLoopUtilization();
  const begun = performance.now();
  const due = { voice: 0, picture: 0 };
  const sent = { voice: 0, picture: 0 };
  while (performance.now() - begun < seconds * 1_000) {
    await new Promise((go) => setTimeout(go, tickMs));
    const passed = performance.now() - begun;
    for (; due.voice * voice.everyMs < passed; due.voice++)
      for (const name of names.slice(0, speaking)) {
        all.get(name)?.send(at('voice'), voice.bytes, voice.ticks);
        sent.voice++;
      }
    for (; due.picture * picture.everyMs < passed; due.picture++)
      for (const name of names.slice(0, seen)) {
        all.get(name)?.send(at('camera'), picture.bytes, 1_500);
        sent.picture++;
      }
  }
  const busy = thread.performance.eventLoopUtilization(before).utilization;
  await new Promise((go) => setTimeout(go, 500));
  const late = [...all.values()].flatMap(({ lateMs }) => lateMs);
  const wanted = (sent.voice + sent.picture) * (people - 1);
  for (const { peer } of all.values()) await peer.close();
  await thread.terminate();
  return {
    busy,
    perSecond: late.length / seconds,
    microseconds: (busy * seconds * 1e6) / late.length,
    arrived: late.length / wanted,
    late,
    joining: joinMs,
  };
}

async function run(): Promise<void> {
  const figures: Figure[] = [];
  for (const [name, meeting] of [
    ['9 people, all seen at 360p, 3 speak', { people: 9, speaking: 3, seen: 9 }],
    ['100 people by sound, 3 speak', { people: 100, speaking: 3, seen: 0 }],
  ] as const) {
    const { busy, perSecond, microseconds, arrived, late, joining } = await forward(meeting);
    const row = (what: string, value: number, unit: string, bound: Partial<Figure> = {}) =>
      figures.push({ name: `${name}: ${what}`, value: Number(value.toFixed(1)), unit, aim: '', ...bound });
    row('forwarded', perSecond, 'packets/s');
    row('of one core', 100 * busy, '%', { aim: '< 100 %', most: 100 });
    row('for each packet', microseconds, 'µs');
    row('arrived', 100 * arrived, '%', { aim: '> 99.9 %', least: 99.9 });
    row('on its way, p99', percentile(late, 0.99), 'ms', { aim: '< 100 ms', most: 100 });
    row('connected one after the other, p95', percentile(joining, 0.95), 'ms', {
      aim: '< 1,500 ms',
      most: 1_500,
    });
  }
  console.log(asTable(figures));
  process.exit(0);
}

void run();
