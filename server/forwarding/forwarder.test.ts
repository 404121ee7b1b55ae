import { MediaStreamTrack, RTCPeerConnection, RtpHeader, RtpPacket } from 'werift';

import { layout, type FromOffice } from '@/office/forwarding';

import { Forwarder } from './Forwarder';
import type { FromForwarder, ToForwarder } from './protocol';

/** Somebody whose browser is played: what it sends are packets that say whose they are. */
class Played {
  readonly peer = new RTCPeerConnection({ iceServers: [], bundlePolicy: 'max-bundle' });
  readonly said: FromOffice[] = [];
  /** What has come, by places of the description: the first bytes of each packet's payload, after what was rewritten. */
  readonly came: { at: number; word: string; sequenceNumber: number }[] = [];
  private readonly sends = layout.map(({ media }) => new MediaStreamTrack({ kind: media }));
  private number = 0;

  constructor(readonly name: string) {}

  async offer(): Promise<string> {
    layout.forEach(({ media, direction }, at) => {
      const way = this.peer.addTransceiver(direction === 'sendonly' ? (this.sends[at] ?? media) : media, {
        direction,
      });
      way.onTrack.subscribe((track) =>
        track.onReceiveRtp.subscribe(({ payload, header }) => {
          const word = payload.subarray(-4).toString();
          this.came.push({ at, word, sequenceNumber: header.sequenceNumber });
        }),
      );
    });
    await this.peer.setLocalDescription(await this.peer.createOffer());
    return this.peer.localDescription?.sdp ?? '';
  }

  /** Sends a packet at that place. */
  send(at: number, payload: Buffer): void {
    const header = new RtpHeader({ sequenceNumber: ++this.number, timestamp: this.number * 960 });
    this.sends[at]?.writeRtp(new RtpPacket(header, payload));
  }

  words(at: number): string[] {
    return this.came.filter((each) => each.at === at).map(({ word }) => word);
  }
}

const [voice, voices, camera, pictures] = ['voice', 'voices', 'camera', 'pictures'].map((carries) =>
  layout.findIndex((each) => each.carries === carries),
) as [number, number, number, number];

/** A VP8 packet, as a whole picture or one that needs another. */
const picture = (isWhole: boolean, word: string) =>
  Buffer.concat([Buffer.of(0x10, isWhole ? 0 : 1), Buffer.from(word)]);

const until = async (isSo: () => boolean) => {
  for (const end = Date.now() + 60_000; Date.now() < end; await new Promise((go) => setTimeout(go, 5)))
    if (isSo()) return;
  throw new Error('It has not become so.');
};

// A bound for what never comes: keys are exchanged for real, which takes a busy machine its time.
jest.setTimeout(70_000);

describe('forwarding', () => {
  const played = new Map<string, Played>();
  const connected = new Set<string>();
  let forwarder: Forwarder;
  const hear = (asked: ToForwarder) => forwarder.hear(asked);
  const at = (name: string): Played => {
    const one = played.get(name);
    if (!one) throw new Error(`Nobody plays ${name}.`);
    return one;
  };
  const tell = (told: FromForwarder) => {
    if (told.told === 'connected') return void connected.add(told.end);
    const { signal } = told;
    at(told.end).said.push(signal);
    if ('answer' in signal) void at(told.end).peer.setRemoteDescription({ type: 'answer', ...signal.answer });
  };
  const lastSaid = <Name extends 'voices' | 'gives' | 'looked'>(name: string, what: Name) =>
    at(name).said.findLast((signal) => what in signal) as
      Extract<FromOffice, Record<Name, unknown>> | undefined;

  beforeAll(async () => {
    forwarder = new Forwarder(tell, { addresses: ['127.0.0.1'], ports: null });
    for (const name of ['ada', 'bo', 'cy']) {
      played.set(name, new Played(name));
      await hear({ do: 'offer', end: name, sdp: await at(name).offer() });
    }
    await until(() => connected.size === 3);
  });
  afterAll(async () => {
    await forwarder.close();
    for (const { peer } of played.values()) await peer.close();
  });

  it('sends a voice on to those who may hear it, and to nobody else', async () => {
    await hear({ do: 'may', end: 'bo', hear: ['ada'], see: [] });
    await until(() => {
      at('ada').send(voice, Buffer.from('ada1'));
      return at('bo').words(voices).includes('ada1');
    });
    expect(lastSaid('bo', 'voices')?.voices).toEqual(['ada', null, null]);
    expect(at('cy').came).toEqual([]);
    expect(at('ada').came).toEqual([]);
  });

  it('goes on in one stream where another one speaks at the same place', async () => {
    await hear({ do: 'may', end: 'bo', hear: ['cy'], see: [] });
    await until(() => {
      at('ada').send(voice, Buffer.from('ada2'));
      at('cy').send(voice, Buffer.from('cy-1'));
      return at('bo').words(voices).includes('cy-1');
    });
    expect(at('bo').words(voices)).not.toContain('ada2');
    const numbers = at('bo').came.map(({ sequenceNumber }) => sequenceNumber);
    expect(new Set(numbers.map((number, index) => number - index)).size).toBe(1);
  });

  it('refuses what is not laid out as it forwards, and who was there stays', async () => {
    const other = new RTCPeerConnection({ iceServers: [] });
    other.addTransceiver('video', { direction: 'sendonly' });
    await other.setLocalDescription(await other.createOffer());
    const sdp = other.localDescription?.sdp ?? '';
    await expect(hear({ do: 'offer', end: 'di', sdp })).rejects.toThrow('laid out');
    await expect(hear({ do: 'offer', end: 'di', sdp: 'no description' })).rejects.toThrow();
    await other.close();
    await hear({ do: 'leave', end: 'di' });
  });

  it('sends a picture on to who may see it and looks at it, from a whole one on', async () => {
    await hear({ do: 'wants', end: 'bo', wants: [null, { legId: 'ada', kind: 'camera', rows: 180 }] });
    await hear({ do: 'wants', end: 'cy', wants: [{ legId: 'ada', kind: 'camera', rows: 360 }] });
    await hear({ do: 'may', end: 'bo', hear: ['cy'], see: [{ legId: 'ada', kind: 'camera' }] });
    await until(() => lastSaid('ada', 'looked')?.looked.camera === 180);
    let sent = 0;
    await until(() => {
      at('ada').send(camera, picture(false, 'part'));
      if (++sent > 50) at('ada').send(camera, picture(true, 'full'));
      return at('bo')
        .words(pictures + 1)
        .includes('part');
    });
    expect(at('bo').words(pictures + 1)[0]).toBe('full');
    expect(lastSaid('bo', 'gives')?.gives.slice(0, 2)).toEqual([null, { legId: 'ada', kind: 'camera' }]);
    // Who may not see it gets nothing, whatever they ask for.
    expect(at('cy').came).toEqual([]);
    expect(lastSaid('cy', 'gives')?.gives.every((each) => each === null)).toBe(true);
  });

  it('ends what may no longer be seen at once', async () => {
    await hear({ do: 'may', end: 'bo', hear: ['cy'], see: [] });
    const before = at('bo').words(pictures + 1).length;
    expect(lastSaid('bo', 'gives')?.gives.every((each) => each === null)).toBe(true);
    await until(() => lastSaid('ada', 'looked')?.looked.camera === 0);
    at('ada').send(camera, picture(true, 'late'));
    await until(() => {
      at('cy').send(voice, Buffer.from('cy-2'));
      return at('bo').words(voices).includes('cy-2');
    });
    expect(
      at('bo')
        .words(pictures + 1)
        .slice(before),
    ).not.toContain('late');
  });

  it('hears whoever comes again by another connection as before', async () => {
    await at('cy').peer.close();
    connected.delete('cy');
    played.set('cy', new Played('cy'));
    await hear({ do: 'offer', end: 'cy', sdp: await at('cy').offer() });
    await until(() => connected.has('cy'));
    const before = at('bo').came.length;
    await until(() => {
      at('cy').send(voice, Buffer.from('anew'));
      return at('bo').words(voices).includes('anew');
    });
    const numbers = at('bo')
      .came.slice(before)
      .map(({ sequenceNumber }) => sequenceNumber);
    const last = at('bo').came[before - 1]?.sequenceNumber ?? 0;
    expect(numbers[0]).toBe(last + 1);
  });
});
