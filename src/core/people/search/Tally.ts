/**
 * Counts together what speaks for each of some thousand people: of each word that was typed the best find, and of those
 * who have all words the sum. Plain arrays, gone through whole: that is quicker than keeping account of who was met.
 */
export class Tally {
  private words = 0;
  private readonly counts: Uint8Array;
  private readonly sums: Float32Array;
  private readonly best: Float32Array;
  private readonly bestCodes: Uint8Array;
  /** The weakest of the best finds: by that somebody was found at all. */
  private readonly codes: Uint8Array;

  constructor(size: number) {
    this.counts = new Uint8Array(size);
    this.sums = new Float32Array(size);
    this.best = new Float32Array(size);
    this.bestCodes = new Uint8Array(size);
    this.codes = new Uint8Array(size);
  }

  /** A find for the present word. A higher code is a weaker place. */
  offer(at: number, score: number, code: number): void {
    if (score <= (this.best[at] ?? 0)) return;
    this.best[at] = score;
    this.bestCodes[at] = code;
  }

  closeWord(): void {
    const { best, bestCodes, counts, sums, codes, words } = this;
    for (let at = 0; at < best.length; at++) {
      const score = best[at] ?? 0;
      if (score === 0) continue;
      best[at] = 0;
      if (counts[at] !== words) continue;
      counts[at] = words + 1;
      sums[at] = (sums[at] ?? 0) + score;
      const code = bestCodes[at] ?? 0;
      if (code > (codes[at] ?? 0)) codes[at] = code;
    }
    this.words++;
  }

  /** Those who have all words, with the mean of their finds. */
  each(visit: (at: number, score: number, code: number) => void): void {
    const { counts, sums, codes, words } = this;
    for (let at = 0; at < counts.length; at++)
      if (counts[at] === words) visit(at, (sums[at] ?? 0) / words, codes[at] ?? 0);
  }
}
