import type { PictureKind } from '@/core/calls/meetings';
import { PictureFit, type Layer, type SentAs } from '@/core/calls/pictureSizes';

import type { Looks } from '../looks';

/** Of a camera movement is to be seen, of a screen its letters. */
export const framesPerSecond: Readonly<Record<PictureKind, number>> = { camera: 24, screen: 10 };
/** Until it is said how large it is looked at: as on a phone. */
const usualRows = 360;

/** The ways by which pictures go over one connection to another end: one for each kind, made when it is first wanted, and kept. */
export class PictureWays {
  private readonly ways = new Map<PictureKind, RTCRtpTransceiver>();
  private readonly fit = new PictureFit();
  private looks: Looks = {};
  private carriesKbps: number | null = null;
  /** What of it is not sent since the network bears no more than the voice. */
  rests: readonly PictureKind[] = [];

  constructor(private readonly connection: RTCPeerConnection) {}

  /** Sends exactly these: that one stops, or is another one of its kind, needs no negotiation. */
  send(pictures: readonly { kind: PictureKind; track: MediaStreamTrack }[]): void {
    for (const { kind, track } of pictures) {
      const way = this.ways.get(kind);
      if (way) replace(way, track);
      else {
        const sendEncodings = [{ maxFramerate: framesPerSecond[kind] }];
        this.ways.set(kind, this.connection.addTransceiver(track, { direction: 'sendonly', sendEncodings }));
      }
    }
    for (const [kind, way] of this.ways) if (!pictures.some((each) => each.kind === kind)) replace(way, null);
    this.apply();
  }

  /** How large they are looked at there. */
  lookedAt(looks: Looks): void {
    this.looks = looks;
    this.apply();
  }

  /** What the connection carries out in all, as far as is known. */
  carries(kbps: number | null): void {
    this.carriesKbps = kbps;
    this.apply();
  }

  /** Which kind of picture goes at which place of the description. */
  places(): Record<string, PictureKind> {
    return Object.fromEntries(
      [...this.ways].flatMap(([kind, { mid }]) => (mid === null ? [] : [[mid, kind]])),
    );
  }

  private apply(): void {
    const sent = [...this.ways].flatMap(([kind, { sender }]) => (sender.track ? [{ kind, sender }] : []));
    const wanted = sent.map(({ kind }) => ({ kind, rows: this.looks[kind] ?? usualRows }));
    const sizes = this.fit.fit(wanted, this.carriesKbps, performance.now());
    this.rests = sizes.flatMap(({ kind, layer, why }) => (layer === null && why === 'network' ? [kind] : []));
    sent.forEach(({ sender }, at) => void encodeAs(sender, sizes[at]));
  }
}

function replace({ sender }: RTCRtpTransceiver, track: MediaStreamTrack | null): void {
  if (sender.track !== track) void sender.replaceTrack(track).catch(() => undefined);
}

/** Sends what a sender has in these sizes: one for each of its encodings. */
export async function encodeAs(sender: RTCRtpSender, ...sizes: (SentAs | undefined)[]): Promise<void> {
  const parameters = sender.getParameters();
  let isSame = true;
  parameters.encodings.forEach((encoding, at) => {
    const size = sizes[at];
    if (!size) return;
    const wanted = encodingFor(size.layer, sender.track);
    isSame &&= Object.entries(wanted).every(
      ([name, value]) => encoding[name as keyof RTCRtpEncodingParameters] === value,
    );
    Object.assign(encoding, wanted);
  });
  // Another change has come before it.
  if (!isSame) await sender.setParameters(parameters).catch(() => undefined);
}

function encodingFor(layer: Layer | null, track: MediaStreamTrack | null): RTCRtpEncodingParameters {
  if (!layer) return { active: false };
  const rows = track?.getSettings().height ?? layer.rows;
  return {
    active: true,
    maxBitrate: layer.kbps * 1_000,
    scaleResolutionDownBy: Math.max(1, rows / layer.rows),
  };
}
