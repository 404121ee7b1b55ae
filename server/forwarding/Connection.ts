import {
  RTCPeerConnection,
  RTCRtpCodecParameters,
  RTCRtpHeaderExtensionParameters,
  RtpHeader,
  RtpPacket,
  type RTCRtpTransceiver,
} from 'werift';

import { layout, cameraSizes, type CameraSize } from '@/office/forwarding';
import type { PictureKind } from '@/core/calls/meetings';

import type { Reach } from './protocol';

const extensions = (...uris: string[]) => uris.map((uri) => new RTCRtpHeaderExtensionParameters({ uri }));
/** RFC 6464; RFC 9143 and RFC 8852 say at which place, and in which size, a stream comes. */
const levelUri = 'urn:ietf:params:rtp-hdrext:ssrc-audio-level';
const midUri = 'urn:ietf:params:rtp-hdrext:sdes:mid';
const headerExtensions = {
  audio: extensions(midUri, levelUri),
  video: extensions(midUri, 'urn:ietf:params:rtp-hdrext:sdes:rtp-stream-id'),
};

const codecs = {
  audio: [
    new RTCRtpCodecParameters({
      ...{ mimeType: 'audio/opus', clockRate: 48_000, channels: 2 },
      // Whoever says nothing sends next to nothing (RFC 7587 §6.1).
      parameters: 'minptime=10;useinbandfec=1;usedtx=1',
    }),
  ],
  video: [
    new RTCRtpCodecParameters({
      ...{ mimeType: 'video/VP8', clockRate: 90_000 },
      rtcpFeedback: [{ type: 'nack' }, { type: 'nack', parameter: 'pli' }],
    }),
  ],
};

/** A packet as it came. */
export interface Came {
  /** Of which stream: another one is numbered anew. */
  ssrc: number;
  sequenceNumber: number;
  timestamp: number;
  /** The last of a picture; the first of a voice after silence. */
  marker: boolean;
  payload: Uint8Array;
}

interface ConnectionOptions {
  reach: Reach;
  /** `level`: in dBov; null: it was not said. */
  onVoice: (came: Came, level: number | null) => void;
  /** `size`: of a screen there is one. */
  onPicture: (kind: PictureKind, size: CameraSize, came: Came) => void;
  /** What comes at that place can't be shown: it has to begin anew with a whole picture. */
  onUnreadable: (place: number) => void;
  onConnected: () => void;
  onLost: () => void;
}

type Subscription = { unSubscribe: () => void };

/** A connection to one browser, by which its voice and pictures come, and those of others go (W3C WebRTC; Opus, and VP8 as all browsers have it). */
export class Connection {
  private readonly subscriptions: Subscription[] = [];
  private readonly ssrcs = new Map<string, { transceiver: RTCRtpTransceiver; ssrc: number }>();

  private constructor(
    private readonly peer: RTCPeerConnection,
    readonly answer: string,
    private readonly options: ConnectionOptions,
  ) {}

  /** Takes what a browser offers. Rejects where it is not laid out as it has to be. */
  static async open(offer: string, options: ConnectionOptions): Promise<Connection> {
    const { addresses, ports } = options.reach;
    const peer = new RTCPeerConnection({
      codecs,
      headerExtensions,
      iceServers: [],
      // All by one way, as browsers offer it: others would be opened for nothing.
      bundlePolicy: 'max-bundle',
      ...(addresses.length > 0 && { iceAdditionalHostAddresses: [...addresses] }),
      ...(ports && { icePortRange: [ports[0], ports[1]] }),
    });
    try {
      await peer.setRemoteDescription({ type: 'offer', sdp: offer });
      const transceivers = peer.getTransceivers();
      if (
        transceivers.some(({ kind }, at) => kind !== layout[at]?.media) ||
        transceivers.length !== layout.length
      )
        throw new Error('It is not laid out as voices and pictures are forwarded.');
      transceivers.forEach((each, at) =>
        each.setDirection(layout[at]?.direction === 'sendonly' ? 'recvonly' : 'sendonly'),
      );
      await peer.setLocalDescription(await peer.createAnswer());
      const connection = new Connection(peer, asForwarded(peer.localDescription?.sdp ?? ''), options);
      connection.listen();
      return connection;
    } catch (error) {
      await peer.close();
      throw error;
    }
  }

  get isConnected(): boolean {
    return this.peer.connectionState === 'connected';
  }

  async addCandidate(candidate: RTCIceCandidateInit | null): Promise<void> {
    // Names that only the network over there knows are not asked for: the other end finds its way here.
    if (!candidate || candidate.candidate?.includes('.local')) return;
    await this.peer.addIceCandidate({
      candidate: candidate.candidate ?? '',
      ...(candidate.sdpMid != null && { sdpMid: candidate.sdpMid }),
      ...(candidate.sdpMLineIndex != null && { sdpMLineIndex: candidate.sdpMLineIndex }),
    });
  }

  /** Sends a voice on at one of the places for voices. */
  sendVoice(place: number, came: Came, level: number | null): void {
    const transceiver = this.at('voices', place);
    if (!transceiver) return;
    const id = transceiver.headerExtensions.find(({ uri }) => uri === levelUri)?.id;
    const said = level === null || id === undefined ? [] : [{ id, payload: Buffer.of(0x80 | -level) }];
    send(transceiver, came, said);
  }

  sendPicture(place: number, came: Came): void {
    const transceiver = this.at('pictures', place);
    if (transceiver) send(transceiver, came, []);
  }

  /** Asks for a picture that needs no other one (RFC 4585 §6.3.1). */
  askForWhole(kind: PictureKind, size: CameraSize): void {
    const from = this.ssrcs.get(`${kind}/${size}`);
    void from?.transceiver.receiver.sendRtcpPLI(from.ssrc);
  }

  async close(): Promise<void> {
    for (const { unSubscribe } of this.subscriptions) unSubscribe();
    this.subscriptions.length = 0;
    await this.peer.close();
  }

  private listen(): void {
    const { onVoice, onPicture, onUnreadable, onConnected, onLost } = this.options;
    const transceivers = this.peer.getTransceivers();
    layout.forEach(({ carries }, at) => {
      const transceiver = transceivers[at];
      if (!transceiver) return;
      if (carries === 'voice') this.hear(transceiver, (came, _, level) => onVoice(came, level));
      else if (carries === 'camera' || carries === 'screen')
        this.hear(transceiver, (came, rid) => {
          const size = cameraSizes.find((each) => each === rid) ?? 'l';
          this.ssrcs.set(`${carries}/${size}`, { transceiver, ssrc: came.ssrc });
          onPicture(carries, size, came);
        });
      else if (carries === 'pictures') {
        const place = placesOf('pictures').indexOf(at);
        this.subscriptions.push(
          transceiver.sender.onPictureLossIndication.subscribe(() => onUnreadable(place)),
        );
      }
    });
    this.subscriptions.push(
      this.peer.connectionStateChange.subscribe((state) => {
        if (state === 'connected') onConnected();
        if (state === 'failed' || state === 'closed') onLost();
      }),
    );
  }

  private hear(
    { receiver }: RTCRtpTransceiver,
    take: (came: Came, rid: string | undefined, level: number | null) => void,
  ): void {
    for (const track of receiver.tracks)
      this.subscriptions.push(
        track.onReceiveRtp.subscribe(({ header, payload }, extensions) => {
          const said: unknown = extensions?.[levelUri];
          take(
            {
              ssrc: header.ssrc,
              sequenceNumber: header.sequenceNumber,
              timestamp: header.timestamp,
              marker: header.marker,
              payload,
            },
            track.rid,
            isLevel(said) ? -said.level : null,
          );
        }),
      );
  }

  private at(carries: 'voices' | 'pictures', place: number): RTCRtpTransceiver | undefined {
    return this.peer.getTransceivers()[placesOf(carries)[place] ?? -1];
  }
}

/**
 * The answer with what the engine does not write: a voice in packets of 40 ms (RFC 8866 §6.4), of which half as many are forwarded to each of a
 * hundred, for 20 ms more on the way; and by how much browsers that know it begin, since else a camera would be sent small for a quarter of a minute.
 */
const asForwarded = (sdp: string) =>
  sdp
    .replace(/(m=audio [^]*?)(?=m=|$)/, '$1a=ptime:40\r\n')
    .replace(/a=rtpmap:(\d+) VP8\/90000\r\n/g, '$&a=fmtp:$1 x-google-start-bitrate=1000\r\n');

/** RFC 6464: from 0 (overload) to 127 (silence), in −dBov. */
const isLevel = (said: unknown): said is { level: number } =>
  typeof said === 'object' && said !== null && 'level' in said && typeof said.level === 'number';

const all = { voices: [] as number[], pictures: [] as number[] };
layout.forEach(({ carries }, at) => {
  if (carries === 'voices' || carries === 'pictures') all[carries].push(at);
});
const placesOf = (carries: 'voices' | 'pictures'): readonly number[] => all[carries];

function send(
  { sender }: RTCRtpTransceiver,
  { sequenceNumber, timestamp, marker, payload }: Came,
  extensions: { id: number; payload: Buffer }[],
): void {
  const header = new RtpHeader({ sequenceNumber, timestamp, marker, extension: true, extensions });
  // What can't be sent is lost, as on any way.
  sender
    .sendRtp(new RtpPacket(header, Buffer.from(payload.buffer, payload.byteOffset, payload.byteLength)))
    .catch(() => undefined);
}
