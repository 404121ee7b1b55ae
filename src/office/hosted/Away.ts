import { limits } from '@/core/calls/exchange';

/** While an app is in a call, it is noted so often that it is still there. */
export const beatMs = 30_000;

/**
 * How long nobody was there: the page was closed, or its device asleep. What its apps talked on has been ended by the network
 * meanwhile, as it ends a session that is refreshed no more (RFC 4028).
 */
export class Away {
  /** `seenAt`: when the app was last known to be there; null: just now. */
  constructor(private seenAt: number | null) {}

  /** Time that is moved on by hand has passed for nobody. */
  forget(): void {
    this.seenAt = null;
  }

  /** The app is here at that instant. Gives when the network has ended what it talked on; null where it has not. */
  isBackAt(now: number, isStanding: boolean): number | null {
    const { seenAt } = this;
    this.seenAt = Math.max(seenAt ?? now, now);
    if (seenAt === null || isStanding) return null;
    const expiredAt = seenAt + limits.sessionMs;
    return expiredAt <= now ? expiredAt : null;
  }
}
