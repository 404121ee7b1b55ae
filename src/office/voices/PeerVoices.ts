import isEqual from 'fast-deep-equal';

import type { VoicePath } from '@/core/calls/exchange';
import type { PictureKind } from '@/core/calls/meetings';

import type { Looks } from '../looks';
import { carriedKbps, packetsSent, VoiceMeasure, worstOf, type Coming } from './measuring';
import { PictureWays } from './PictureWays';
import { leastPackets, restsInSilence } from './sayingVoices';

/** What two browsers tell each other until they hear each other. */
export type Signal =
  | {
      description: RTCSessionDescriptionInit;
      /** Which pictures whoever says it sends, by their places in the description (`mid`); left out by earlier versions. */
      pictures?: Record<string, PictureKind>;
    }
  | { candidate: RTCIceCandidateInit | null }
  /** How large the other one's pictures are looked at here. */
  | { looks: Looks }
  /** Which pictures are not sent there now, since the network bears no more than the voice. */
  | { rests: readonly PictureKind[] };

/** A picture that this browser may send, and to which ends it goes. */
export interface PictureSent {
  kind: PictureKind;
  track: MediaStreamTrack;
  to: readonly string[];
}

/** A voice that is made heard, until it is asked to stop. */
export interface PlayedVoice {
  mute: (isMuted: boolean) => void;
  stop: () => void;
}

export interface PeerVoicesOptions {
  /** The end of the call at which this browser speaks. */
  legId: string;
  iceServers: RTCIceServer[];
  /** Voices go by a relay alone, so that nobody learns another one’s address. */
  relayOnly?: boolean;
  /** Says something to the browser at another end. */
  signal: (to: string, signal: Signal) => void;
  /** The voice of whoever uses this browser; null where there is no microphone: then they are heard by nobody. */
  voice: () => Promise<MediaStreamTrack | null>;
  /** Makes a voice heard that comes from another end; `isForwarded`: at a place of that name, now one’s and now another’s. */
  play: (from: string, stream: MediaStream, isForwarded: boolean) => PlayedVoice;
  /** Pictures of that kind come from another end by this stream; null: they come no more. */
  show?: (from: string, kind: PictureKind, stream: MediaStream | null) => void;
  /** Which pictures of another end rest, since its network bears no more than the voice. */
  restsThere?: (from: string, kinds: readonly PictureKind[]) => void;
  connect?: (configuration: RTCConfiguration) => RTCPeerConnection;
}

interface Peer {
  /** Which page it is. */
  by: string;
  connection: RTCPeerConnection;
  /** null until who begins has made an offer. */
  sender: RTCRtpSender | null;
  isOffering: boolean;
  isIgnoring: boolean;
  /** An answer has come and is being taken: an offer that follows it does not collide with the one it answers. */
  isTakingAnswer: boolean;
  heard: PlayedVoice | null;
  /** By which ways pictures go there. */
  pictures: PictureWays;
  /** Which pictures come from there, by their places. */
  theirs: Readonly<Record<string, PictureKind>>;
  /** Some of them rest there. */
  rests: boolean;
  /** What was said there last of how large theirs are looked at, and of what rests. */
  said: { looks: Looks; rests: readonly PictureKind[] };
  measure: VoiceMeasure;
  /** The last packet of the voice whose level was looked at. */
  lastHeard: number | null;
}

/**
 * The voices at one end of a call, which go from browser to browser: a connection to each other end where there is one (perfect negotiation,
 * W3C WebRTC §10.7). A voice is sent only where `VoicePath`s say that it is heard; what comes all the same is not played.
 */
export class PeerVoices {
  private readonly peers = new Map<string, Peer>();
  /** What was said by those who are not known yet. */
  private readonly early = new Map<string, Signal[]>();
  /** Who was named last. */
  private named: ReadonlySet<string> = new Set();
  /** The other ends of the call, as it was known last. */
  private ends: readonly string[] = [];
  private paths: readonly VoicePath[] = [];
  private pictures: readonly PictureSent[] = [];
  private looks: ReadonlyMap<string, Looks> = new Map();
  private voice: Promise<MediaStreamTrack | null> | null = null;
  private isOver = false;

  constructor(private readonly options: PeerVoicesOptions) {}

  /**
   * At which other ends there is a page now. One that is not named any more may only have lost its connection to the office: its voice goes on
   * until it has left the call, or another page speaks there. One that is named again may have missed what was said meanwhile.
   */
  setPeers(peers: readonly { legId: string; by: string }[]): void {
    const { named } = this;
    this.named = new Set(peers.map(({ legId }) => legId));
    for (const { legId, by } of peers) {
      const known = this.peers.get(legId);
      if (known?.by === by) {
        if (!named.has(legId)) this.sayAgain(legId, known);
        continue;
      }
      if (known) this.drop(legId, known);
      this.meet(legId, by);
    }
  }

  /** The ends of the call. Whoever was at one and is not any more has left; an end of which nothing is known yet may be on its way here. */
  setEnds(legIds: readonly string[]): void {
    for (const legId of this.ends) {
      if (legIds.includes(legId)) continue;
      const peer = this.peers.get(legId);
      if (peer) this.drop(legId, peer);
      this.early.delete(legId);
    }
    this.ends = legIds;
  }

  /** Who hears whom now. */
  setPaths(paths: readonly VoicePath[]): void {
    this.paths = paths;
    for (const [legId, peer] of this.peers) this.apply(legId, peer);
  }

  /** All pictures that this browser sends now. */
  setPictures(pictures: readonly PictureSent[]): void {
    this.pictures = pictures;
    for (const [legId, peer] of this.peers) this.applyPictures(legId, peer);
  }

  /** How large the pictures of other ends are looked at here; of ends that are left out as is usual. */
  setLooks(looks: ReadonlyMap<string, Looks>): void {
    this.looks = looks;
    for (const [legId, peer] of this.peers) this.sayLooks(legId, peer);
  }

  /** What the browser at another end says. */
  async hear(from: string, signal: Signal): Promise<void> {
    const peer = this.peers.get(from);
    // Who is not known yet will be in a moment.
    if (!peer) return void this.early.set(from, [...(this.early.get(from) ?? []), signal]);
    const { connection } = peer;
    if ('looks' in signal) return peer.pictures.lookedAt(signal.looks);
    if ('rests' in signal) {
      peer.rests = signal.rests.length > 0;
      return this.options.restsThere?.(from, signal.rests);
    }
    if ('candidate' in signal) {
      // Of an offer that was not taken its ways are not wanted either.
      await connection.addIceCandidate(signal.candidate ?? undefined).catch((error: unknown) => {
        if (!peer.isIgnoring) throw error;
      });
      return;
    }
    const { description } = signal;
    const isStable = connection.signalingState === 'stable' || peer.isTakingAnswer;
    const collides = description.type === 'offer' && (peer.isOffering || !isStable);
    peer.isIgnoring = collides && !this.isPolite(from);
    if (peer.isIgnoring) return;
    // To an offer that was said again the answer may come twice.
    if (description.type === 'answer' && isStable) return;
    peer.theirs = signal.pictures ?? {};
    peer.isTakingAnswer = description.type === 'answer';
    await connection.setRemoteDescription(description).finally(() => (peer.isTakingAnswer = false));
    if (description.type !== 'offer') return;
    if (peer.sender === null) this.takeUp(from, peer);
    await connection.setLocalDescription();
    this.sayDescription(from, peer);
    this.applyPictures(from, peer);
  }

  /** The network is another one: the ways are looked for again. */
  networkChanged(): void {
    for (const { connection } of this.peers.values()) connection.restartIce();
  }

  /** Another microphone speaks from now on. */
  voiceChanged(): void {
    this.voice = null;
    for (const [legId, peer] of this.peers) this.apply(legId, peer);
  }

  /**
   * How the voices come, since this was asked last: the worst of them; null while none comes. To be asked every second or so: pictures are fitted
   * to what the ways are found to carry.
   */
  async measure(): Promise<Coming | null> {
    const all = [...this.peers].map(async ([legId, peer]) => {
      const { connection, measure, pictures } = peer;
      const report = await connection.getStats();
      pictures.carries(carriedKbps(report));
      this.sayRests(legId, peer);
      return measure.look(report, connection.currentLocalDescription?.sdp);
    });
    return worstOf((await Promise.all(all)).filter((each) => each !== null));
  }

  /** How loud each voice has come since this was asked last, in dBov (RFC 6464); of those from whom nothing has come there is none. */
  levels(): Map<string, number> {
    const levels = new Map<string, number>();
    for (const [legId, peer] of this.peers) {
      const ofVoice = peer.connection.getReceivers().find(({ track }) => track.kind === 'audio');
      const [source] = ofVoice?.getSynchronizationSources() ?? [];
      // What came last is told for seconds after it, also of who rests.
      if (!source || source.rtpTimestamp === peer.lastHeard) continue;
      peer.lastHeard = source.rtpTimestamp;
      levels.set(legId, 20 * Math.log10(Math.max(source.audioLevel ?? 0, 1e-6)));
    }
    return levels;
  }

  /** Keys that are pressed here, as events beside the voice (RFC 4733) to all who hear it. */
  sendDigits(digits: string): void {
    const { legId: mine } = this.options;
    for (const [to, { sender }] of this.peers)
      if (this.paths.some((path) => path.from === mine && path.to === to) && sender?.dtmf?.canInsertDTMF)
        // What is still on its way is sent first.
        sender.dtmf.insertDTMF(sender.dtmf.toneBuffer + digits);
  }

  /** Whether there is a way to every end that hears this one or is heard here and has a page, and what is said here goes it by now. */
  async isSpeaking(): Promise<boolean> {
    const { legId: mine } = this.options;
    const has = (from: string, to: string) => this.paths.some((path) => path.from === from && path.to === to);
    const speak = [...this.peers].map(async ([other, { connection }]) => {
      if (!has(mine, other) && !has(other, mine)) return true;
      if (connection.connectionState !== 'connected') return false;
      return !has(mine, other) || packetsSent(await connection.getStats()) >= leastPackets;
    });
    return (await Promise.all(speak)).every((does) => does);
  }

  /** What this browser shows and does not send to everybody who is to see it, by kind. */
  get resting(): ReadonlySet<PictureKind> {
    return new Set([...this.peers.values()].flatMap(({ pictures }) => pictures.rests));
  }

  close(): void {
    this.isOver = true;
    for (const [legId, peer] of this.peers) this.drop(legId, peer);
  }

  private meet(legId: string, by: string): void {
    const { iceServers, relayOnly, connect, play } = this.options;
    const configuration: RTCConfiguration = {
      iceServers,
      iceTransportPolicy: relayOnly ? 'relay' : 'all',
    };
    const connection = connect?.(configuration) ?? new RTCPeerConnection(configuration);
    const peer: Peer = {
      by,
      connection,
      sender: null,
      isOffering: false,
      isIgnoring: false,
      isTakingAnswer: false,
      heard: null,
      pictures: new PictureWays(connection),
      theirs: {},
      rests: false,
      said: { looks: {}, rests: [] },
      measure: new VoiceMeasure(),
      lastHeard: null,
    };
    this.peers.set(legId, peer);
    connection.onnegotiationneeded = async () => {
      try {
        peer.isOffering = true;
        await connection.setLocalDescription();
        this.sayDescription(legId, peer);
      } finally {
        peer.isOffering = false;
      }
    };
    connection.onicecandidate = ({ candidate }) =>
      this.options.signal(legId, { candidate: candidate?.toJSON() ?? null });
    connection.oniceconnectionstatechange = () => {
      if (connection.iceConnectionState === 'failed') connection.restartIce();
    };
    connection.ontrack = ({ track, streams: [stream], transceiver: { mid } }) => {
      const kind = peer.theirs[mid ?? ''];
      if (kind) return this.options.show?.(legId, kind, new MediaStream([track]));
      peer.heard?.stop();
      peer.heard = play(legId, stream ?? new MediaStream([track]), false);
      this.apply(legId, peer);
    };
    // One of both begins, so that there is one way for both voices, and not one of each.
    if (!this.isPolite(legId)) {
      const way = connection.addTransceiver('audio', { direction: 'sendrecv' });
      bearsLoss(way);
      peer.sender = way.sender;
    }
    this.apply(legId, peer);
    this.applyPictures(legId, peer);
    this.sayLooks(legId, peer);
    void this.hearEarly(legId);
  }

  /** What the other one can't have heard: an offer that it has not answered, with all ways that were found since, or that there is no way any more. */
  private sayAgain(legId: string, peer: Peer): void {
    const { connection } = peer;
    peer.said = { looks: {}, rests: [] };
    this.sayLooks(legId, peer);
    this.sayRests(legId, peer);
    if (connection.signalingState === 'have-local-offer') this.sayDescription(legId, peer);
    else if (['disconnected', 'failed'].includes(connection.connectionState)) connection.restartIce();
  }

  private async hearEarly(legId: string): Promise<void> {
    const said = this.early.get(legId) ?? [];
    this.early.delete(legId);
    for (const signal of said) await this.hear(legId, signal);
  }

  /** The way that the other one has offered goes in both directions. */
  private takeUp(from: string, peer: Peer): void {
    const [way] = peer.connection.getTransceivers();
    if (!way) return;
    way.direction = 'sendrecv';
    bearsLoss(way);
    peer.sender = way.sender;
    this.apply(from, peer);
  }

  /** What is sent and played to and from one end, as the paths have it: that a voice stops needs no negotiation. */
  private apply(legId: string, { sender, heard }: Peer): void {
    const { legId: mine } = this.options;
    const has = (from: string, to: string) => this.paths.some((path) => path.from === from && path.to === to);
    heard?.mute(!has(legId, mine));
    if (!sender) return;
    if (!has(mine, legId)) return void sender.replaceTrack(null).catch(() => undefined);
    this.voice ??= this.options.voice();
    void this.voice.then((track) => {
      // It may have been taken back while the microphone was opened.
      if (this.isOver || !has(mine, legId)) return;
      sender.replaceTrack(track).catch(() => undefined);
    });
  }

  /** Pictures go their ways once there is one for the voice, which comes first (RFC 8843 §7.1). */
  private applyPictures(legId: string, { sender, pictures }: Peer): void {
    if (sender) pictures.send(this.pictures.filter(({ to }) => to.includes(legId)));
  }

  private sayLooks(to: string, { said }: Peer): void {
    const looks = this.looks.get(to) ?? {};
    if (isEqual(looks, said.looks)) return;
    said.looks = looks;
    this.options.signal(to, { looks });
  }

  private sayRests(to: string, { said, pictures: { rests } }: Peer): void {
    if (isEqual(rests, said.rests)) return;
    said.rests = rests;
    this.options.signal(to, { rests });
  }

  /** Gone before anybody is told: whoever hears of it may ask something here at once. */
  private drop(legId: string, { connection, heard, theirs, rests }: Peer): void {
    this.peers.delete(legId);
    connection.close();
    heard?.stop();
    for (const kind of Object.values(theirs)) this.options.show?.(legId, kind, null);
    if (rests) this.options.restsThere?.(legId, []);
  }

  private isPolite(other: string): boolean {
    return this.options.legId < other;
  }

  private sayDescription(to: string, { connection: { localDescription }, pictures }: Peer): void {
    if (!localDescription) return;
    const description = restsInSilence(localDescription.toJSON());
    this.options.signal(to, { description, pictures: pictures.places() });
  }
}

/** Of each packet a copy comes with the next (RFC 2198), where both browsers can; Opus repairs what is lost all the same (RFC 6716 §2.1.7). */
function bearsLoss(way: RTCRtpTransceiver): void {
  const { codecs = [] } = globalThis.RTCRtpReceiver?.getCapabilities('audio') ?? {};
  const isRed = ({ mimeType }: { mimeType: string }) => mimeType.toLowerCase() === 'audio/red';
  if (codecs.some(isRed))
    way.setCodecPreferences([...codecs.filter(isRed), ...codecs.filter((each) => !isRed(each))]);
}
