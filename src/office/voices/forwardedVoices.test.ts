import type { PictureKind } from '@/core/calls/meetings';
import { layout, type FromOffice, type ToOffice } from '@/office/forwarding';

import { CallVoices } from './CallVoices';

const track = (id: string) => ({ id, getSettings: () => ({ height: 360 }) }) as unknown as MediaStreamTrack;

/** As much of a connection as is looked at. */
class FakeConnection {
  signalingState = 'stable';
  connectionState = 'new';
  isClosed = false;
  localDescription: { toJSON: () => RTCSessionDescriptionInit } | null = null;
  ontrack: ((event: unknown) => void) | null = null;
  onnegotiationneeded: (() => Promise<void>) | null = null;
  stats = new Map<string, object>();
  readonly ways: ReturnType<FakeConnection['way']>[] = [];

  way(encodings: RTCRtpEncodingParameters[]) {
    const sender = {
      track: null as MediaStreamTrack | null,
      replaceTrack: async (to: MediaStreamTrack | null) => void (sender.track = to),
      getParameters: () => ({ encodings }),
      setParameters: async () => undefined,
    };
    return {
      sender,
      encodings,
      receiver: { getSynchronizationSources: () => [] },
      setCodecPreferences: () => undefined,
    };
  }
  addTransceiver(_: unknown, { sendEncodings = [{}] }: RTCRtpTransceiverInit = {}) {
    const way = this.way([...sendEncodings]);
    this.ways.push(way);
    return way;
  }
  getTransceivers = () => this.ways;
  async setLocalDescription() {
    this.signalingState = 'have-local-offer';
    this.localDescription = { toJSON: () => ({ type: 'offer', sdp: 'all of it' }) };
  }
  async setRemoteDescription() {
    this.signalingState = 'stable';
    this.connectionState = 'connected';
    this.ways.forEach((transceiver, at) => {
      if (layout[at]?.direction === 'recvonly') this.ontrack?.({ track: track(`at ${at}`), transceiver });
    });
  }
  getStats = async () => this.stats;
  close = () => void (this.isClosed = true);
}

const settled = () => new Promise((resolve) => setTimeout(resolve, 5));
const [cameraAt, screenAt] = ['camera', 'screen'].map((carries) =>
  layout.findIndex((each) => each.carries === carries),
) as [number, number];

class FakeStream {
  constructor(readonly tracks: MediaStreamTrack[]) {}
}

const opened: CallVoices[] = [];

async function forwardedAt(legId: string) {
  const made: FakeConnection[] = [];
  const said: ToOffice[] = [];
  const played: { at: string; isMuted: boolean; isStopped: boolean; isForwarded: boolean }[] = [];
  const shown = new Map<string, string>();
  const rests = new Map<string, readonly PictureKind[]>();
  const voices = new CallVoices({
    ...{ legId, iceServers: [], voice: async () => track('mine') },
    signal: (to, signal) => void (to === 'office' && said.push(signal as ToOffice)),
    play: (at, _, isForwarded) => {
      const one = { at, isMuted: false, isStopped: false, isForwarded };
      played.push(one);
      return { mute: (isMuted) => void (one.isMuted = isMuted), stop: () => void (one.isStopped = true) };
    },
    show: (from, kind, stream) => {
      if (stream) shown.set(`${from} ${kind}`, (stream as unknown as FakeStream).tracks[0]?.id ?? '');
      else shown.delete(`${from} ${kind}`);
    },
    restsThere: (from, kinds) => void rests.set(from, kinds),
    connect: () => {
      const connection = new FakeConnection();
      made.push(connection);
      return connection as unknown as RTCPeerConnection;
    },
  });
  opened.push(voices);
  voices.setEnds([legId, 'b']);
  voices.setPaths([{ from: legId, to: 'b' }]);
  voices.together({ peers: [{ legId: 'b', by: 'page' }], forwarded: 'opening' });
  await settled();
  const hear = (signal: FromOffice) => voices.hear('office', signal);
  const [direct, connection] = made;
  if (!direct || !connection) throw new Error('There is no connection.');
  await hear({ answer: { sdp: 'so' } });
  await settled();
  return { voices, made, direct, connection, said, played, shown, rests, hear };
}

describe('voices and pictures that the office forwards', () => {
  afterEach(() => opened.splice(0).forEach((voices) => voices.close()));
  beforeAll(() => void Object.assign(globalThis, { MediaStream: FakeStream }));

  it('are heard once all are connected: until then each comes by itself', async () => {
    const { voices, direct, connection, played, said } = await forwardedAt('a');
    expect('offer' in (said[0] ?? {})).toBe(true);
    expect(connection.ways[0]?.sender.track?.id).toBe('mine');
    expect(played.map(({ isMuted, isForwarded }) => [isMuted, isForwarded])).toEqual([
      [true, true],
      [true, true],
      [true, true],
    ]);
    expect(direct.isClosed).toBe(false);
    voices.together({ peers: [], forwarded: 'settled' });
    expect(played.every(({ isMuted }) => !isMuted)).toBe(true);
    voices.setEnds(['a', 'b']);
    voices.together({ peers: [], forwarded: 'settled' });
    expect(connection.isClosed).toBe(false);
    voices.close();
    expect(played.every(({ isStopped }) => isStopped)).toBe(true);
    expect(connection.isClosed).toBe(true);
  });

  it('a voice that nobody may hear is not sent to the office either', async () => {
    const { voices, connection } = await forwardedAt('a');
    voices.setPaths([{ from: 'b', to: 'a' }]);
    await settled();
    expect(connection.ways[0]?.sender.track).toBeNull();
  });

  it('asks for what is looked at, where it stood before, and shows what is given as whose it is', async () => {
    const { voices, said, shown, hear } = await forwardedAt('a');
    voices.together({ peers: [], forwarded: 'settled' });
    voices.setLooks(
      new Map([
        ['b', { camera: 120, screen: 700 }],
        ['c', { camera: 0 }],
      ]),
    );
    expect(said.at(-1)).toMatchObject({
      wants: expect.arrayContaining([
        { legId: 'b', kind: 'screen', rows: 720 },
        { legId: 'b', kind: 'camera', rows: 180 },
      ]),
    });
    const gives = [{ legId: 'b', kind: 'screen' } as const, null];
    await hear({ gives });
    expect([...shown.keys()]).toEqual(['b screen']);
    await hear({ gives: [null, { legId: 'b', kind: 'camera' }] });
    expect([...shown.keys()]).toEqual(['b camera']);
    await hear({ gives: [] });
    expect(shown.size).toBe(0);
    voices.setLooks(new Map([['b', { screen: 700 }]]));
    const { wants } = said.at(-1) as { wants: unknown[] };
    expect(wants.filter((want) => want !== null)).toEqual([{ legId: 'b', kind: 'screen', rows: 720 }]);
  });

  it('sends its own as large as somebody looks at it, and not at all where nobody does', async () => {
    const { voices, connection, hear } = await forwardedAt('a');
    voices.setPictures([{ kind: 'camera', track: track('my camera'), to: ['b'] }]);
    await settled();
    const sizes = () => connection.ways[cameraAt]?.encodings.map(({ active }) => active);
    expect(connection.ways[cameraAt]?.sender.track?.id).toBe('my camera');
    expect(sizes()).toEqual([false, false]);
    await hear({ looked: { camera: 120, screen: 0 } });
    expect(sizes()).toEqual([true, false]);
    await hear({ looked: { camera: 360, screen: 0 } });
    expect(sizes()).toEqual([true, true]);
    // Where it does not carry both, the small one goes alone; it does not rest.
    connection.stats.set('way', {
      ...{ type: 'candidate-pair', nominated: true, availableOutgoingBitrate: 500_000 },
    });
    await voices.measure();
    expect(sizes()).toEqual([true, false]);
    expect(voices.resting.size).toBe(0);
    connection.stats.set('way', {
      ...{ type: 'candidate-pair', nominated: true, availableOutgoingBitrate: 1_500_000 },
    });
    await voices.measure();
    expect(sizes()).toEqual([true, true]);
    expect(connection.ways[screenAt]?.sender.track).toBeNull();
  });

  it('asks for less where much gets lost, and says what rests for it', async () => {
    const { voices, connection, said, rests } = await forwardedAt('a');
    voices.together({ peers: [], forwarded: 'settled' });
    voices.setLooks(new Map([['b', { camera: 360 }]]));
    const comes = (packetsReceived: number, packetsLost: number) =>
      connection.stats.set('in', {
        ...{ type: 'inbound-rtp', kind: 'video', packetsReceived, packetsLost },
        bytesReceived: packetsReceived * 10,
      });
    comes(0, 0);
    await voices.measure();
    await settled();
    comes(10, 30);
    await voices.measure();
    const wanted = () => (said.at(-1) as { wants: ({ rows: number } | null)[] }).wants.find((each) => each);
    expect(wanted()?.rows).toBe(180);
    comes(20, 60);
    await settled();
    await voices.measure();
    expect(wanted()?.rows).toBe(90);
    expect(rests.get('b') ?? []).toEqual([]);
  });

  it('comes anew where the office says so, or was not reached, and goes from each to each where it forwards no more', async () => {
    const { voices, made, direct, connection, hear } = await forwardedAt('a');
    voices.together({ peers: [], forwarded: 'settled' });
    await hear({ again: true });
    expect([direct.isClosed, connection.isClosed, made.length]).toEqual([true, true, 3]);
    voices.together({ peers: [], forwarded: 'settled' });
    expect(made).toHaveLength(3);
    voices.officeLost();
    voices.together({ peers: [], forwarded: 'settled' });
    expect(made).toHaveLength(4);
    voices.together({ peers: [{ legId: 'b', by: 'page' }] });
    expect(made[3]?.isClosed).toBe(true);
    expect(made.at(-1)?.isClosed).toBe(false);
  });
});
