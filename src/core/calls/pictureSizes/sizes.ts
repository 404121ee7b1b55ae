import type { PictureKind } from '../meetings';

/** The sizes in which a picture is sent: the rows of its image, and the kilobits per second that it takes at 10 to 24 pictures a second (VP8). */
export const layers = [
  { rows: 90, kbps: 60 },
  { rows: 180, kbps: 160 },
  { rows: 360, kbps: 500 },
  { rows: 720, kbps: 1_500 },
  { rows: 1_080, kbps: 2_500 },
] as const;
export type Layer = (typeof layers)[number];

/** What a voice takes with Opus, its copies (RFC 2198) and headers. */
const voiceKbps = 72;
/** So much of what a way is said to carry is used: estimates are late, and the voice must never wait. */
const usedShare = 0.8;

/** A picture that goes by a way, and the rows at which it is looked at there; 0: it is not. */
export interface LookedAt {
  kind: PictureKind;
  rows: number;
}

export interface SentAs {
  kind: PictureKind;
  /** null: it is not sent. */
  layer: Layer | null;
  /** What holds it below what is looked at. */
  why: 'nobodyLooks' | 'network' | null;
}

/**
 * In which sizes pictures go by one way, which the voice shares with them: nothing is sent that nobody looks at, and the voice keeps what it needs; the
 * largest is made smaller first. `carriesKbps`: what the way carries out in all; null: nobody knows yet.
 */
export function sizesFor(pictures: readonly LookedAt[], carriesKbps: number | null): SentAs[] {
  const left = carriesKbps === null ? Infinity : usedShare * carriesKbps - voiceKbps;
  const wanted = pictures.map(({ rows }) => (rows > 0 ? layerFor(rows) : null));
  const sent = fitting(wanted, left);
  return pictures.map(({ kind }, at) => {
    const layer = sent[at] ?? null;
    const why = wanted[at] === null ? 'nobodyLooks' : layer === wanted[at] ? null : 'network';
    return { kind, layer, why };
  });
}

/** So much larger than it was sent a picture may be shown: nobody sees it, and a small one on a dense screen is not sent four times as large for it. */
const mostEnlarged = 1.25;

/** The smallest that is large enough; the largest there is. */
const layerFor = (rows: number): Layer =>
  layers.find((layer) => mostEnlarged * layer.rows >= rows) ?? layers[4];

const kbpsOf = (sent: readonly (Layer | null)[]): number =>
  sent.reduce((sum, layer) => sum + (layer?.kbps ?? 0), 0);

function fitting(wanted: readonly (Layer | null)[], leftKbps: number): (Layer | null)[] {
  let sent = [...wanted];
  while (kbpsOf(sent) > leftKbps) {
    const largest = sent.reduce((best, _, at) => (kbpsAt(sent, at) > kbpsAt(sent, best) ? at : best), 0);
    const layer = sent[largest];
    if (!layer) break;
    sent = sent.with(largest, layers[layers.indexOf(layer) - 1] ?? null);
  }
  return sent;
}

const kbpsAt = (sent: readonly (Layer | null)[], at: number): number => sent[at]?.kbps ?? 0;
