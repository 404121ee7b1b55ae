import isEqual from 'fast-deep-equal';

import type { VoicePath } from '@/core/calls/exchange';
import { CarriedIn, forwardLimits, slotted } from '@/core/calls/forwarding';
import type { PictureKind } from '@/core/calls/meetings';
import { layers, PictureFit, type SentAs } from '@/core/calls/pictureSizes';
import {
  cameraSizes,
  layout,
  type FromOffice,
  type PictureOf,
  type ToOffice,
  type Want,
} from '@/office/forwarding';

import type { Looks } from '../looks';
import { InMeasure } from './InMeasure';
import { carriedKbps, packetsSent, VoiceMeasure, type Coming } from './measuring';
import type { PeerVoicesOptions, PictureSent, PlayedVoice } from './PeerVoices';
import { encodeAs, framesPerSecond } from './PictureWays';
import { leastPackets, restsInSilence } from './sayingVoices';

/** An offer that nobody has answered by then is made anew. */
const againMs = 4_000;

interface ForwardedVoicesOptions {
  /** The end of the call at which this browser speaks. */
  legId: string;
  iceServers: RTCIceServer[];
  relayOnly?: boolean;
  signal: (signal: ToOffice) => void;
  voice: () => Promise<MediaStreamTrack | null>;
  play: PeerVoicesOptions['play'];
  show?: (from: string, kind: PictureKind, stream: MediaStream | null) => void;
  /** Which pictures of another end are not sent here, since the network bears no more than the voices. */
  restsThere?: (from: string, kinds: readonly PictureKind[]) => void;
  connect?: (configuration: RTCConfiguration) => RTCPeerConnection;
}

const samePicture = (one: PictureOf, other: PictureOf) =>
  one.legId === other.legId && one.kind === other.kind;
const placesOf = (carries: (typeof layout)[number]['carries']): readonly number[] =>
  layout.flatMap((each, at) => (each.carries === carries ? [at] : []));
const places = {
  ...{
    voice: placesOf('voice')[0] ?? 0,
    camera: placesOf('camera')[0] ?? 0,
    screen: placesOf('screen')[0] ?? 0,
  },
  ...{ voices: placesOf('voices'), pictures: placesOf('pictures') },
} as const;

/**
 * Voices and pictures at one end of a call that the office forwards: one connection to it, whose places stay what they are, so that nothing is ever
 * negotiated again. What comes at a place is said beside it.
 */
export class ForwardedVoices {
  private connection: RTCPeerConnection | null = null;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private readonly heard = new Map<number, PlayedVoice>();
  private readonly shown = new Map<number, MediaStream>();
  private voices: readonly (string | null)[] = [];
  private gives: readonly (PictureOf | null)[] = [];
  private showing: readonly (PictureOf | null)[] = [];
  private looked: Readonly<Record<PictureKind, number>> = { camera: 0, screen: 0 };
  private wants: readonly (Want | null)[] = Array.from({ length: forwardLimits.pictures }, () => null);
  private isMineHeard = false;
  private pictures: readonly PictureSent[] = [];
  private looks: ReadonlyMap<string, Looks> = new Map();
  private isPlayed = false;
  private isOver = false;
  private readonly out = new PictureFit();
  private readonly in = new PictureFit();
  private carriesOutKbps: number | null = null;
  private readonly carriesIn = new CarriedIn();
  private inMeasure = new InMeasure();
  private measured = new VoiceMeasure();
  private readonly lastHeard = new Map<number, number>();
  private restsHere: ReadonlySet<PictureKind> = new Set();
  private restsIn: ReadonlyMap<string, readonly PictureKind[]> = new Map();

  constructor(private readonly options: ForwardedVoicesOptions) {
    void this.open();
  }

  /** What comes is heard and seen here from now on: before, it comes from each by itself. */
  begin(): void {
    if (this.isPlayed) return;
    this.isPlayed = true;
    for (const heard of this.heard.values()) heard.mute(false);
    this.showGiven();
  }

  setPaths(paths: readonly VoicePath[]): void {
    this.isMineHeard = paths.some(({ from }) => from === this.options.legId);
    this.applyVoice();
  }

  setPictures(pictures: readonly PictureSent[]): void {
    this.pictures = pictures;
    this.applyPictures();
  }

  setLooks(looks: ReadonlyMap<string, Looks>): void {
    this.looks = looks;
    this.chooseWants();
  }

  async hear(signal: FromOffice): Promise<void> {
    const { connection } = this;
    if ('answer' in signal) {
      if (connection?.signalingState !== 'have-local-offer') return;
      await connection.setRemoteDescription({ type: 'answer', sdp: signal.answer.sdp });
      this.options.signal({ wants: [...this.wants] });
    } else if ('voices' in signal) this.voices = signal.voices;
    else if ('gives' in signal) {
      this.gives = signal.gives;
      this.showGiven();
    } else if ('looked' in signal) {
      this.looked = signal.looked;
      this.encode();
    } else void this.open();
  }

  /** The way there may be lost, or is another one. */
  networkChanged(): void {
    void this.open();
  }

  /** The office is reached again: what was said meanwhile may not have been heard. */
  reachedAgain(): void {
    if (this.connection?.connectionState !== 'connected') void this.open();
  }

  voiceChanged(): void {
    this.applyVoice();
  }

  /** As `PeerVoices.measure`; also fits what is asked for to what comes. */
  async measure(): Promise<Coming | null> {
    const { connection } = this;
    if (!connection) return null;
    const report = await connection.getStats();
    this.carriesOutKbps = carriedKbps(report);
    this.carriesIn.note(this.inMeasure.look(report, performance.now()), askedKbps(this.wants));
    this.encode();
    this.chooseWants();
    return this.measured.look(report, connection.currentLocalDescription?.sdp);
  }

  levels(): Map<string, number> {
    const levels = new Map<string, number>();
    const transceivers = this.connection?.getTransceivers() ?? [];
    places.voices.forEach((at, place) => {
      const legId = this.voices[place];
      const [source] = transceivers[at]?.receiver.getSynchronizationSources() ?? [];
      if (!legId || !source || source.rtpTimestamp === this.lastHeard.get(place)) return;
      this.lastHeard.set(place, source.rtpTimestamp);
      levels.set(legId, 20 * Math.log10(Math.max(source.audioLevel ?? 0, 1e-6)));
    });
    return levels;
  }

  async isSpeaking(): Promise<boolean> {
    if (this.connection?.connectionState !== 'connected') return false;
    return !this.isMineHeard || packetsSent(await this.connection.getStats()) >= leastPackets;
  }

  get resting(): ReadonlySet<PictureKind> {
    return this.restsHere;
  }

  close(): void {
    this.isOver = true;
    if (this.timer !== null) clearTimeout(this.timer);
    this.letGo();
    for (const [legId, kinds] of this.restsIn) if (kinds.length > 0) this.options.restsThere?.(legId, []);
  }

  /** A connection to the office, in the place of the one before. */
  private async open(): Promise<void> {
    this.letGo();
    if (this.isOver) return;
    const { iceServers, relayOnly, connect, signal } = this.options;
    const configuration: RTCConfiguration = { iceServers, iceTransportPolicy: relayOnly ? 'relay' : 'all' };
    const connection = connect?.(configuration) ?? new RTCPeerConnection(configuration);
    this.connection = connection;
    for (const { media, direction, carries } of layout) {
      const way = connection.addTransceiver(media, {
        direction,
        ...(carries === 'camera' && {
          sendEncodings: cameraSizes.map((rid) => ({
            ...{ rid, maxFramerate: framesPerSecond.camera, scaleResolutionDownBy: rid === 's' ? 4 : 1 },
          })),
        }),
        ...(carries === 'screen' && { sendEncodings: [{ maxFramerate: framesPerSecond.screen }] }),
      });
      way.setCodecPreferences?.(codecsOf(media));
    }
    connection.onicecandidate = ({ candidate }) => {
      if (this.connection === connection && candidate) signal({ candidate: plain(candidate) });
    };
    connection.ontrack = ({ track, transceiver }) => {
      if (this.connection === connection)
        this.take(connection.getTransceivers().indexOf(transceiver), new MediaStream([track]));
    };
    connection.oniceconnectionstatechange = () => {
      if (this.connection === connection && connection.iceConnectionState === 'failed') void this.open();
    };
    await connection.setLocalDescription();
    if (this.connection !== connection || !connection.localDescription) return;
    this.applyVoice();
    this.applyPictures();
    signal({ offer: { sdp: restsInSilence(connection.localDescription.toJSON()).sdp ?? '' } });
    this.timer = setTimeout(() => {
      if (connection.signalingState === 'have-local-offer') void this.open();
    }, againMs);
  }

  private letGo(): void {
    if (this.timer !== null) clearTimeout(this.timer);
    this.timer = null;
    this.connection?.close();
    this.connection = null;
    this.gives = [];
    this.showGiven();
    for (const heard of this.heard.values()) heard.stop();
    this.heard.clear();
    this.shown.clear();
    this.inMeasure = new InMeasure();
    this.measured = new VoiceMeasure();
  }

  private take(at: number, stream: MediaStream): void {
    const picture = places.pictures.indexOf(at);
    if (picture >= 0) {
      this.shown.set(picture, stream);
      return this.showGiven();
    }
    const place = places.voices.indexOf(at);
    if (place < 0) return;
    this.heard.get(place)?.stop();
    const heard = this.options.play(`forwarded ${place}`, stream, true);
    heard.mute(!this.isPlayed);
    this.heard.set(place, heard);
  }

  /** Each picture that is given is shown as whose it is. */
  private showGiven(): void {
    const given = this.isPlayed ? this.gives : [];
    this.showing.forEach((before, place) => {
      const now = given[place] ?? null;
      if (before && !(now && samePicture(before, now))) this.options.show?.(before.legId, before.kind, null);
    });
    given.forEach((now, place) => {
      const stream = this.shown.get(place);
      const before = this.showing[place] ?? null;
      if (now && stream && !(before && samePicture(before, now)))
        this.options.show?.(now.legId, now.kind, stream);
    });
    this.showing = given.map((now, place) => (now && this.shown.has(place) ? now : null));
  }

  private applyVoice(): void {
    const sender = this.senderAt(places.voice);
    if (!sender) return;
    if (!this.isMineHeard) return void sender.replaceTrack(null).catch(() => undefined);
    void this.options.voice().then((track) => {
      // It may have been taken back while the microphone was opened.
      if (this.isMineHeard && this.senderAt(places.voice) === sender)
        sender.replaceTrack(track).catch(() => undefined);
    });
  }

  private applyPictures(): void {
    for (const kind of ['camera', 'screen'] as const) {
      const sender = this.senderAt(places[kind]);
      const track = this.pictures.find((each) => each.kind === kind)?.track ?? null;
      if (sender && sender.track !== track) void sender.replaceTrack(track).catch(() => undefined);
    }
    this.encode();
  }

  /** In which sizes one's own pictures are sent: a camera's small one always where anybody looks, so that there is one for whose network bears no more. */
  private encode(): void {
    const shown = this.pictures.map(({ kind }) => ({ kind, rows: this.looked[kind] }));
    const hasBoth = shown.some(({ kind, rows }) => kind === 'camera' && rows > forwardLimits.smallRows);
    // The small one goes beside the large one.
    const carries =
      this.carriesOutKbps === null || !hasBoth ? this.carriesOutKbps : this.carriesOutKbps - besideKbps;
    const sizes = this.out.fit(shown, carries, performance.now());
    for (const size of sizes) {
      const sender = this.senderAt(places[size.kind]);
      if (sender) void encodeAs(sender, ...(size.kind === 'camera' ? inTwoSizes(size) : [size]));
    }
    this.restsHere = new Set(
      sizes.flatMap(({ kind, layer, why }) => (layer === null && why === 'network' ? kind : [])),
    );
  }

  /** Which pictures are asked for: those that are looked at, as large as they are, and as the network bears. */
  private chooseWants(): void {
    const looked = [...this.looks]
      .flatMap(([legId, looks]) =>
        Object.entries(looks).map(([kind, rows]) => ({ legId, kind: kind as PictureKind, rows })),
      )
      .filter(({ rows }) => rows > 0)
      .sort((one, other) => other.rows - one.rows)
      .slice(0, forwardLimits.pictures);
    const sizes = this.in.fit(looked, this.carriesIn.kbps, performance.now());
    const wanted: Want[] = looked.flatMap(({ legId, kind }, at) => {
      const layer = sizes[at]?.layer ?? null;
      return layer ? [{ legId, kind, rows: layer.rows }] : [];
    });
    const wants = slotted<Want>(this.wants, wanted, samePicture);
    if (!isEqual(wants, this.wants)) {
      this.wants = wants;
      if (this.connection?.signalingState === 'stable') this.options.signal({ wants });
    }
    const rests = new Map<string, PictureKind[]>();
    looked.forEach(({ legId, kind }, at) => {
      if (sizes[at]?.layer === null && sizes[at].why === 'network')
        rests.set(legId, [...(rests.get(legId) ?? []), kind]);
    });
    this.sayRests(rests);
  }

  private sayRests(rests: ReadonlyMap<string, readonly PictureKind[]>): void {
    const before = this.restsIn;
    this.restsIn = rests;
    for (const legId of new Set([...before.keys(), ...rests.keys()]))
      if (!isEqual(before.get(legId), rests.get(legId)))
        this.options.restsThere?.(legId, rests.get(legId) ?? []);
  }

  private senderAt(at: number): RTCRtpSender | null {
    return this.connection?.getTransceivers()[at]?.sender ?? null;
  }
}

/** What all that is asked for takes. */
const askedKbps = (wants: readonly (Want | null)[]): number =>
  wants.reduce((sum, want) => sum + (layers.find(({ rows }) => rows === want?.rows)?.kbps ?? 0), 0);

/** What the small picture of a camera takes beside the large one. */
const besideKbps = layers[1].kbps;

/** A camera as its two sizes: up to the small one's rows it goes by that alone. */
function inTwoSizes(size: SentAs): [small: SentAs, large: SentAs] {
  const isLarge = size.layer !== null && size.layer.rows > layers[1].rows;
  return [
    { ...size, layer: isLarge ? layers[1] : size.layer },
    { ...size, layer: isLarge ? size.layer : null },
  ];
}

/** What the office forwards; all else that a browser can would make its offer many times as long. */
function codecsOf(media: 'audio' | 'video'): RTCRtpCodec[] {
  const { codecs = [] } = globalThis.RTCRtpReceiver?.getCapabilities(media) ?? {};
  const wanted = media === 'audio' ? 'audio/opus' : 'video/vp8';
  return codecs.filter(({ mimeType }) => mimeType.toLowerCase() === wanted);
}

const plain = ({ candidate, sdpMid, sdpMLineIndex }: RTCIceCandidate) => ({
  candidate,
  sdpMid,
  sdpMLineIndex,
});
