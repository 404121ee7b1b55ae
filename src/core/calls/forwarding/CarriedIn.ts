/** Shares of what is lost above which less is sent, and below which more may be (draft-ietf-rmcat-gcc-02 §6). */
const tooMuchLost = 0.1;
const littleLost = 0.02;
/** A step, for each second. */
const growth = 1.08;
/** So much more than comes is tried at most. */
const mostAhead = 2;

/** What came in within the last second or so. */
export interface CameIn {
  kbps: number;
  /** Of its packets, from 0 to 1. */
  lostShare: number;
}

/** What a way is found to carry in, from what gets lost on it: known only once something has been. */
export class CarriedIn {
  /** Kilobits a second; null: more than has ever been asked of it. */
  kbps: number | null = null;

  /** To be told once a second; null: nothing came and nothing was lost. */
  note(came: CameIn | null): void {
    if (came === null) return;
    const { kbps, lostShare } = came;
    if (lostShare > tooMuchLost) this.kbps = Math.max(1, kbps * (1 - lostShare / 2));
    else if (this.kbps !== null && lostShare < littleLost) {
      const grown = this.kbps * growth;
      // Nobody can know of more than is sent.
      this.kbps = Math.max(this.kbps, Math.min(grown, mostAhead * Math.max(kbps, 100)));
    }
  }
}
