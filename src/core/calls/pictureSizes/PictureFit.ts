import { layers, sizesFor, type LookedAt, type SentAs } from './sizes';

const times = {
  /** So long a way has to carry too little before a picture rests: an estimate dips for a moment. */
  doubtMs: 4_000,
  /** So long it rests before it is tried again; twice as long after each try that fails. */
  firstRestMs: 8_000,
  longestRestMs: 64_000,
  /** A try: by then the way's estimate has followed what was sent. */
  tryMs: 5_000,
} as const;

/**
 * The pictures that go by one way, from moment to moment. A way that carries nothing but the voice is not asked how much more it would
 * carry, since its estimate follows what is sent: a picture that rests is tried again, at its smallest.
 */
export class PictureFit {
  private tooLittleSince: number | null = null;
  private restsSince: number | null = null;
  private triesUntil = -Infinity;
  private restMs: number = times.firstRestMs;

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
      return sizes;
    }
    this.tooLittleSince ??= now;
    if (now - this.tooLittleSince < times.doubtMs) return asNetwork(sizesFor(small, null));
    this.tooLittleSince = null;
    this.restsSince = now;
    return sizes;
  }
}

/** As small as it goes, since the network has it so. */
const asNetwork = (sizes: readonly SentAs[]): SentAs[] =>
  sizes.map((each) => (each.layer === null ? each : { ...each, why: 'network' }));
