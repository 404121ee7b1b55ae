import type { PictureKind } from '@/core/calls/meetings';

/** What a picture may take of the way that the voice shares with it: as much as each needs where it is looked at on a phone. */
const encodings: Readonly<Record<PictureKind, RTCRtpEncodingParameters>> = {
  camera: { maxBitrate: 400_000, maxFramerate: 24 },
  screen: { maxBitrate: 1_200_000, maxFramerate: 10 },
};

/** The ways by which pictures go over one connection to another end: one for each kind, made when it is first wanted, and kept. */
export class PictureWays {
  private readonly ways = new Map<PictureKind, RTCRtpTransceiver>();

  constructor(private readonly connection: RTCPeerConnection) {}

  /** Sends exactly these: that one stops, or is another one of its kind, needs no negotiation. */
  send(pictures: readonly { kind: PictureKind; track: MediaStreamTrack }[]): void {
    for (const { kind, track } of pictures) {
      const way = this.ways.get(kind);
      if (way) replace(way, track);
      else {
        const sendEncodings = [encodings[kind]];
        this.ways.set(kind, this.connection.addTransceiver(track, { direction: 'sendonly', sendEncodings }));
      }
    }
    for (const [kind, way] of this.ways) if (!pictures.some((each) => each.kind === kind)) replace(way, null);
  }

  /** Which kind of picture goes at which place of the description. */
  places(): Record<string, PictureKind> {
    return Object.fromEntries(
      [...this.ways].flatMap(([kind, { mid }]) => (mid === null ? [] : [[mid, kind]])),
    );
  }
}

function replace({ sender }: RTCRtpTransceiver, track: MediaStreamTrack | null): void {
  if (sender.track !== track) void sender.replaceTrack(track).catch(() => undefined);
}
