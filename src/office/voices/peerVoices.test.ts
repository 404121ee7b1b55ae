import { PeerVoices, type Signal } from './PeerVoices';

const track = { id: 'my voice' } as MediaStreamTrack;

/** As much of a connection as is looked at: what is sent over it, and whether it was offered or closed. */
class FakeConnection {
  sent: unknown = null;
  tones = '';
  isClosed = false;
  offers = 0;
  restarts = 0;
  signalingState = 'stable';
  connectionState = 'new';
  packetsSent = 0;
  localDescription: { toJSON: () => RTCSessionDescriptionInit } | null = null;
  onnegotiationneeded: (() => Promise<void>) | null = null;
  ontrack: ((event: unknown) => void) | null = null;
  readonly candidates: unknown[] = [];
  readonly way = {
    direction: 'recvonly',
    sender: {
      replaceTrack: async (to: unknown) => void (this.sent = to),
      dtmf: { canInsertDTMF: true, toneBuffer: '', insertDTMF: (tones: string) => void (this.tones = tones) },
    },
  };
  readonly remote: unknown[] = [];
  /** The level of the last packet of the voice, and which it was. */
  source = { rtpTimestamp: 1, audioLevel: 0.1 };

  /** By which pictures are sent, as they are now. */
  readonly pictures: {
    mid: string;
    encoding: RTCRtpEncodingParameters;
    sender: { track: unknown; replaceTrack: (to: unknown) => Promise<void> };
  }[] = [];
  /** What the network is found to carry, in bits per second. */
  carries: number | undefined = undefined;

  addTransceiver(what: unknown) {
    setTimeout(() => void this.onnegotiationneeded?.());
    if (what === 'audio') return this.way;
    const encoding: RTCRtpEncodingParameters = {};
    const sender = {
      track: what,
      replaceTrack: async (to: unknown) => void (sender.track = to),
      getParameters: () => ({ encodings: [encoding] }),
      setParameters: async () => undefined,
    };
    const way = { mid: String(this.pictures.length + 1), encoding, sender };
    this.pictures.push(way);
    return way;
  }
  getTransceivers = () => [this.way];
  async setLocalDescription() {
    this.offers++;
    this.localDescription = { toJSON: () => ({ type: 'offer', sdp: `${this.offers}` }) };
  }
  async setRemoteDescription(description: unknown) {
    this.remote.push(description);
  }
  addIceCandidate = async (candidate: unknown) => void this.candidates.push(candidate);
  getStats = async () =>
    new Map<string, object>([
      ['out', { type: 'outbound-rtp', packetsSent: this.packetsSent }],
      ['way', { type: 'candidate-pair', nominated: true, availableOutgoingBitrate: this.carries }],
    ]);
  restartIce = () => void this.restarts++;
  getReceivers = () => [{ track: { kind: 'audio' }, getSynchronizationSources: () => [this.source] }];
  close = () => void (this.isClosed = true);
}

const settled = () => new Promise((resolve) => setTimeout(resolve, 5));

function speakAt(legId: string) {
  const made: FakeConnection[] = [];
  const said: [string, Signal][] = [];
  const played: { from: string; isMuted: boolean; isStopped: boolean }[] = [];
  const shown: [string, string, boolean][] = [];
  const rest: [string, readonly string[]][] = [];
  let heard: () => void = () => undefined;
  const voices = new PeerVoices({
    ...{ legId, iceServers: [], voice: async () => track },
    signal: (to, signal) => void said.push([to, signal]),
    play: (from) => {
      const one = { from, isMuted: true, isStopped: false };
      played.push(one);
      return { mute: (isMuted) => void (one.isMuted = isMuted), stop: () => void (one.isStopped = true) };
    },
    show: (from, kind, stream) => void shown.push([from, kind, stream !== null]),
    restsThere: (from, kinds) => {
      rest.push([from, kinds]);
      heard();
    },
    connect: () => {
      const connection = new FakeConnection();
      made.push(connection);
      return connection as unknown as RTCPeerConnection;
    },
  });
  return { voices, made, said, played, shown, rest, heardOfRest: (act: () => void) => void (heard = act) };
}

const both = [
  { from: 'b', to: 'a' },
  { from: 'a', to: 'b' },
];

describe('voices at one end of a call', () => {
  it('a voice is sent where it is heard, and stops at once where it is not any more', async () => {
    const { voices, made } = speakAt('b');
    voices.setPeers([{ legId: 'a', by: 'one' }]);
    await settled();
    expect(made[0]?.sent).toBeNull();
    voices.setPaths(both);
    await settled();
    expect(made[0]?.sent).toBe(track);
    voices.setPaths([{ from: 'a', to: 'b' }]);
    await settled();
    expect(made[0]?.sent).toBeNull();
    expect(made[0]?.offers).toBe(1);
  });

  it('what comes is played only where there is a path', async () => {
    const { voices, made, played } = speakAt('b');
    voices.setPeers([{ legId: 'a', by: 'one' }]);
    made[0]?.ontrack?.({ track, streams: [{}], transceiver: { mid: '0' } });
    expect(played).toEqual([{ from: 'a', isMuted: true, isStopped: false }]);
    voices.setPaths(both);
    expect(played[0]?.isMuted).toBe(false);
    voices.setPaths([{ from: 'b', to: 'a' }]);
    expect(played[0]?.isMuted).toBe(true);
  });

  it('one of both begins, whichever is told first; the other one answers with its own voice on the same way', async () => {
    const first = speakAt('a');
    first.voices.setPaths(both);
    // Said before it is known who that is.
    await first.voices.hear('b', { description: { type: 'offer', sdp: 'theirs' } });
    first.voices.setPeers([{ legId: 'b', by: 'two' }]);
    await settled();
    expect(first.made[0]?.remote).toEqual([{ type: 'offer', sdp: 'theirs' }]);
    expect(first.made[0]?.way.direction).toBe('sendrecv');
    expect(first.made[0]?.sent).toBe(track);
    expect(first.said.filter(([, signal]) => 'description' in signal)).toHaveLength(1);
  });

  it('goes on while the other page is not named, and ends when it has left the call or is another one', async () => {
    const { voices, made, played } = speakAt('b');
    voices.setEnds(['a', 'b']);
    voices.setPeers([{ legId: 'a', by: 'one' }]);
    made[0]?.ontrack?.({ track, streams: [{}], transceiver: { mid: '0' } });
    voices.setPeers([]);
    expect(made[0]?.isClosed).toBe(false);
    voices.setPeers([{ legId: 'a', by: 'one' }]);
    expect(made).toHaveLength(1);
    voices.setPeers([{ legId: 'a', by: 'another' }]);
    expect([made[0]?.isClosed, made.length, played[0]?.isStopped]).toEqual([true, 2, true]);
    voices.setEnds(['b']);
    expect(made[1]?.isClosed).toBe(true);
  });

  it('whoever is named before the call is known with them, as where two calls become one, is not let go by what the call was', async () => {
    const { voices, made } = speakAt('b');
    voices.setEnds(['a', 'b']);
    voices.setPeers([
      { legId: 'a', by: 'one' },
      { legId: 'c', by: 'two' },
    ]);
    await voices.hear('d', { description: { type: 'offer', sdp: 'theirs' } });
    voices.setEnds(['a', 'b']);
    expect(made.map(({ isClosed }) => isClosed)).toEqual([false, false]);
    voices.setPeers([{ legId: 'd', by: 'three' }]);
    await settled();
    expect(made[2]?.remote).toEqual([{ type: 'offer', sdp: 'theirs' }]);
    voices.setEnds(['a', 'b', 'c', 'd']);
    voices.setEnds(['b', 'c']);
    expect(made.map(({ isClosed }) => isClosed)).toEqual([true, false, true]);
  });

  it('whoever is named again hears what was said while nobody could: an offer without an answer, or that there is no way any more', async () => {
    const { voices, made, said } = speakAt('b');
    voices.setPeers([{ legId: 'a', by: 'one' }]);
    await settled();
    const [way] = made;
    if (!way) throw new Error('Nobody was met.');
    const offers = () => said.filter(([, signal]) => 'description' in signal).length;
    way.signalingState = 'have-local-offer';
    voices.setPeers([{ legId: 'a', by: 'one' }]);
    expect(offers()).toBe(1);
    voices.setPeers([]);
    voices.setPeers([{ legId: 'a', by: 'one' }]);
    expect(offers()).toBe(2);
    // Answered twice, since it was asked twice.
    way.signalingState = 'stable';
    await voices.hear('a', { description: { type: 'answer', sdp: 'theirs' } });
    expect(way.remote).toEqual([]);
    way.connectionState = 'failed';
    voices.setPeers([]);
    voices.setPeers([{ legId: 'a', by: 'one' }]);
    expect([offers(), way.restarts, made.length]).toEqual([2, 1, 1]);
  });

  it('pictures go after the voice, to whom they are for alone, and stop without any talk about it', async () => {
    const { voices, made, said } = speakAt('b');
    const picture = { id: 'my camera', getSettings: () => ({}) } as unknown as MediaStreamTrack;
    voices.setPictures([{ kind: 'camera', track: picture, to: ['a', 'c'] }]);
    voices.setPeers([
      { legId: 'a', by: 'one' },
      { legId: 'c', by: 'two' },
    ]);
    await settled();
    const [first, second] = made;
    if (!first || !second) throw new Error('Nobody was met.');
    expect(first.pictures.map(({ sender }) => sender.track)).toEqual([picture]);
    // Who has still to say what it speaks by begins with that.
    expect(second.pictures).toEqual([]);
    await voices.hear('c', { description: { type: 'offer', sdp: 'theirs' } });
    expect(second.pictures).toHaveLength(1);
    const told = said.flatMap(([to, signal]) =>
      'description' in signal && to === 'a' ? [signal.pictures] : [],
    );
    expect(told.at(-1)).toEqual({ '1': 'camera' });
    const offers = first.offers;
    voices.setPictures([{ kind: 'camera', track: picture, to: ['c'] }]);
    await settled();
    expect([first.pictures[0]?.sender.track, second.pictures[0]?.sender.track]).toEqual([null, picture]);
    expect(first.offers).toBe(offers);
  });

  it('a picture is sent as large as it is looked at, small where the network bears no more, and rests where it bears only the voice', async () => {
    const { voices, made, said, rest } = speakAt('b');
    const camera = { getSettings: () => ({ height: 360 }) } as unknown as MediaStreamTrack;
    voices.setPeers([{ legId: 'a', by: 'one' }]);
    voices.setPictures([{ kind: 'camera', track: camera, to: ['a'] }]);
    await settled();
    const [way] = made;
    if (!way) throw new Error('Nobody was met.');
    const sent = () => way.pictures[0]?.encoding;
    expect(sent()).toMatchObject({ active: true, maxBitrate: 500_000, scaleResolutionDownBy: 1 });
    await voices.hear('a', { looks: { camera: 64 } });
    expect(sent()).toMatchObject({ active: true, maxBitrate: 60_000, scaleResolutionDownBy: 4 });
    await voices.hear('a', { looks: { camera: 0 } });
    expect(sent()).toMatchObject({ active: false });
    expect(voices.resting.size).toBe(0);
    await voices.hear('a', { looks: { camera: 300 } });
    way.carries = 400_000;
    await voices.measure();
    expect(sent()).toMatchObject({ active: true, maxBitrate: 160_000 });

    way.carries = 60_000;
    const began = performance.now();
    const clock = jest.spyOn(performance, 'now');
    for (const second of [0, 1, 2, 3, 4, 5]) {
      clock.mockReturnValue(began + second * 1_000);
      await voices.measure();
    }
    clock.mockRestore();
    expect(sent()).toMatchObject({ active: false });
    expect([...voices.resting]).toEqual(['camera']);
    expect(said.filter(([, signal]) => 'rests' in signal)).toEqual([['a', { rests: ['camera'] }]]);

    // What rests there is told here, until they have gone.
    voices.setEnds(['a', 'b']);
    await voices.hear('a', { rests: ['screen'] });
    voices.setEnds(['b']);
    expect(rest).toEqual([
      ['a', ['screen']],
      ['a', []],
    ]);
  });

  it('whoever hears that somebody has gone may ask at once: they are gone by then', async () => {
    const { voices, made, heardOfRest } = speakAt('b');
    voices.setEnds(['a', 'b', 'c']);
    voices.setPeers([
      { legId: 'a', by: 'one' },
      { legId: 'c', by: 'two' },
    ]);
    await settled();
    await voices.hear('a', { rests: ['camera'] });
    let told = 0;
    heardOfRest(() => {
      told++;
      voices.setEnds(['b', 'c']);
      voices.setPaths(both);
    });
    voices.setEnds(['b', 'c']);
    expect(told).toBe(1);
    expect(made.map(({ isClosed }) => isClosed)).toEqual([true, false]);
  });

  it('how large others are looked at here is said to each, when it changes, and again to who may have missed it', async () => {
    const { voices, said } = speakAt('b');
    const looks = () => said.flatMap(([to, signal]) => ('looks' in signal ? [[to, signal.looks]] : []));
    const both = [
      { legId: 'a', by: 'one' },
      { legId: 'c', by: 'two' },
    ];
    voices.setPeers(both);
    voices.setLooks(new Map([['a', { camera: 200 }]]));
    voices.setLooks(new Map([['a', { camera: 200 }]]));
    expect(looks()).toEqual([['a', { camera: 200 }]]);
    voices.setLooks(new Map([['a', { camera: 0 }]]));
    voices.setPeers([]);
    voices.setPeers(both);
    expect(looks().slice(1)).toEqual([
      ['a', { camera: 0 }],
      ['a', { camera: 0 }],
    ]);
  });

  it('an offer that follows an answer at once is no collision, and is answered', async () => {
    const { voices, made, said } = speakAt('b');
    voices.setPeers([{ legId: 'a', by: 'one' }]);
    await settled();
    const [way] = made;
    if (!way) throw new Error('Nobody was met.');
    way.signalingState = 'have-local-offer';
    const taken = voices.hear('a', { description: { type: 'answer', sdp: 'theirs' } });
    await voices.hear('a', { description: { type: 'offer', sdp: 'next' } });
    await taken;
    expect(way.remote.map((each) => (each as RTCSessionDescriptionInit).sdp)).toEqual(['theirs', 'next']);
    expect(said.filter(([, signal]) => 'description' in signal)).toHaveLength(2);
    // One that comes while an own offer waits does collide, and this side does not give way.
    await voices.hear('a', { description: { type: 'offer', sdp: 'another' } });
    expect(way.remote).toHaveLength(2);
  });

  it('what comes at the place of a picture is shown, and goes with whoever sent it', async () => {
    Object.assign(globalThis, { MediaStream: class {} });
    const { voices, made, played, shown } = speakAt('b');
    voices.setEnds(['a', 'b']);
    voices.setPeers([{ legId: 'a', by: 'one' }]);
    if (made[0]) made[0].signalingState = 'have-local-offer';
    await voices.hear('a', { description: { type: 'answer', sdp: 'theirs' }, pictures: { '1': 'screen' } });
    made[0]?.ontrack?.({ track, streams: [], transceiver: { mid: '1' } });
    expect([shown, played]).toEqual([[['a', 'screen', true]], []]);
    voices.setEnds(['b']);
    expect(shown.at(-1)).toEqual(['a', 'screen', false]);
  });

  it('keys go to whom the voice goes to, after those that are still on their way', async () => {
    const { voices, made } = speakAt('b');
    voices.setPeers([
      { legId: 'a', by: 'one' },
      { legId: 'aa', by: 'two' },
    ]);
    voices.setPaths(both);
    voices.sendDigits('41#');
    expect(made.map(({ tones }) => tones)).toEqual(['41#', '']);
    if (made[0]) made[0].way.sender.dtmf.toneBuffer = '#';
    voices.sendDigits('0');
    expect(made[0]?.tones).toBe('#0');
  });

  it('speaks once it has a way to everybody it hears or is heard by, and something has gone it', async () => {
    const { voices, made } = speakAt('b');
    voices.setPeers([
      { legId: 'a', by: 'one' },
      { legId: 'c', by: 'two' },
    ]);
    voices.setPaths(both);
    expect(await voices.isSpeaking()).toBe(false);
    const [way] = made;
    if (!way) throw new Error('Nobody was met.');
    way.connectionState = 'connected';
    expect(await voices.isSpeaking()).toBe(false);
    way.packetsSent = 5;
    expect(await voices.isSpeaking()).toBe(true);
    // Muted, it says nothing, and yet it has to hear.
    way.packetsSent = 0;
    voices.setPaths([{ from: 'a', to: 'b' }]);
    expect(await voices.isSpeaking()).toBe(true);
    way.connectionState = 'connecting';
    expect(await voices.isSpeaking()).toBe(false);
  });

  it('tells how loud each voice has come since it was asked last', () => {
    const { voices, made } = speakAt('b');
    voices.setPeers([{ legId: 'a', by: 'one' }]);
    expect([...voices.levels()]).toEqual([['a', -20]]);
    expect([...voices.levels()]).toEqual([]);
    if (made[0]) made[0].source = { rtpTimestamp: 2, audioLevel: 0 };
    expect([...voices.levels()]).toEqual([['a', -120]]);
  });

  it('looks for new ways when the network is another one', () => {
    const { voices, made } = speakAt('b');
    voices.setPeers([{ legId: 'a', by: 'one' }]);
    voices.networkChanged();
    expect(made[0]?.restarts).toBe(1);
  });
});
