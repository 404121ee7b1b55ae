import { layers, sizesFor, type LookedAt, type SentAs } from './sizes';

const times = {
  /** So long a way has to carry too little before a picture rests: an estimate dips for a moment. */
  doubtMs: 4_000,
  /** So long it rests before it is tried again; twice as long after each try that fails. */
  firstRestMs: 8_000,
  longestRestMs: 64_000,
  /** A try: by then the way's estimate has followed what was sent. */
  tryMs: 5_000,
  /** A picture that is smaller than it is looked at is tried one size larger after so long; twice as long after each try that fails. */
  firstGrowMs: 3_000,
  longestGrowMs: 60_000,
} as const;

/**
 * The pictures that go by one way, from moment to moment. A way is not asked how much more it would carry than is sent, since its estimate follows
 * that: a picture that rests is tried again, at its smallest, and one that is smaller than it is looked at one size larger.
 */
export class PictureFit {
  private tooLittleSince: number | null = null;
  private restsSince: number | null = null;
  private triesUntil = -Infinity;
  private restMs: number = times.firstRestMs;
  private smallSince: number | null = null;
  private growsUntil = -Infinity;
  private growMs: number = times.firstGrowMs;
  private carried = 0;

  /** `now`: milliseconds on any clock that goes forward. */
  fit(pictures: readonly LookedAt[], carriesKbps: number | null, now: number): SentAs[] {
    if (this.restsSince !== null && now - this.restsSince < this.restMs) return sizesFor(pictures, 0);
    if (this.restsSince !== null) {
      this.restsSince = null;
      this.triesUntil = now + times.tryMs;
      this.restMs = Math.min(2 * this.restMs, times.longestRestMs);
    }
    const [smallest] = layers;
    const small = pictures.map(({ kind, rows }) => ({ kind, rows: Math.min(rows, smallest.rows) }));
    if (now < this.triesUntil) return asNetwork(sizesFor(small, null));
    const sizes = sizesFor(pictures, carriesKbps);
    const isTooLittle = sizes.some(({ layer, why }) => layer === null && why === 'network');
    if (!isTooLittle) {
      this.tooLittleSince = null;
      // One size up is no reason to doubt any more; it has been carried.
      if (sizes.some(({ layer }) => layer !== null && layer !== smallest)) this.restMs = times.firstRestMs;
      return this.grown(pictures, sizes, now);
    }
    this.smallSince = null;
    this.tooLittleSince ??= now;
    if (now - this.tooLittleSince < times.doubtMs) return asNetwork(sizesFor(small, null));
    this.tooLittleSince = null;
    this.restsSince = now;
    return sizes;
  }

  /** The same, one of them a size larger while that is tried. */
  private grown(pictures: readonly LookedAt[], sizes: SentAs[], now: number): SentAs[] {
    const wanted = sizesFor(pictures, null);
    const carried = sizes.reduce((sum, { layer }) => sum + (layer?.kbps ?? 0), 0);
    const hasGrown = carried > this.carried;
    this.carried = carried;
    const at = smallestBelow(sizes, wanted);
    if (at === null || hasGrown) {
      this.smallSince = at === null ? null : now;
      this.growMs = times.firstGrowMs;
    }
    if (at === null) return sizes;
    this.smallSince ??= now;
    if (now >= this.growsUntil && now - this.smallSince >= this.growMs) {
      this.growsUntil = now + times.tryMs;
      this.smallSince = this.growsUntil;
      this.growMs = Math.min(2 * this.growMs, times.longestGrowMs);
    }
    const size = sizes[at];
    if (now >= this.growsUntil || !size?.layer) return sizes;
    return sizes.with(at, { ...size, layer: layers[layers.indexOf(size.layer) + 1] ?? size.layer });
  }
}

/** Which of those that are sent smaller than they are looked at is the smallest; null: none. */
function smallestBelow(sizes: readonly SentAs[], wanted: readonly SentAs[]): number | null {
  const rowsAt = (all: readonly SentAs[], at: number) => all[at]?.layer?.rows ?? 0;
  return sizes.reduce<number | null>((best, _, at) => {
    if (rowsAt(sizes, at) === 0 || rowsAt(sizes, at) >= rowsAt(wanted, at)) return best;
    return best === null || rowsAt(sizes, at) < rowsAt(sizes, best) ? at : best;
  }, null);
}

/** As small as it goes, since the network has it so. */
const asNetwork = (sizes: readonly SentAs[]): SentAs[] =>
  sizes.map((each) => (each.layer === null ? each : { ...each, why: 'network' }));
