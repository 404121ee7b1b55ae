/** Shares of what is lost above which less is sent, and below which more may be (draft-ietf-rmcat-gcc-02 §6). */
const tooMuchLost = 0.1;
const littleLost = 0.02;
/** A step, for each second. */
const growth = 1.08;
/** So much more than comes is tried at most. */
const mostAhead = 2;
/** Of fewer packets a share says nothing: one of three that is lost is no third. */
const fewestPackets = 30;

/** What came in within the last second or so. */
export interface CameIn {
  kbps: number;
  /** Those that came, and those that did not. */
  packets: number;
  /** Of these, from 0 to 1. */
  lostShare: number;
}

/** What a way is found to carry in, from what gets lost on it: known only once something has been. */
export class CarriedIn {
  /** Kilobits a second; null: as much as has ever been asked of it. */
  kbps: number | null = null;

  /** To be told once a second. `askedKbps`: what was asked for in all; more than that nobody can know of. */
  note(came: CameIn | null, askedKbps: number): void {
    if (came === null || came.packets < fewestPackets) return;
    const { kbps, lostShare } = came;
    if (lostShare > tooMuchLost)
      this.kbps = Math.max(1, (this.kbps ?? Math.max(kbps, askedKbps)) * (1 - lostShare / 2));
    else if (this.kbps !== null && lostShare < littleLost)
      this.kbps = Math.max(this.kbps, Math.min(this.kbps * growth, mostAhead * Math.max(kbps, 100)));
  }
}
