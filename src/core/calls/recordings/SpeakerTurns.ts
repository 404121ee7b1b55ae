import { Speaking } from '../meetings';

/** Whoever speaks is known as such so much later (`Speaking`, for those who come and once more here). */
const knownAfterSeconds = 0.6;
/** Levels in dBov: of whoever is said to speak, and at which no more is asked. */
const speaksDbov = -20;

/** Somebody begins to speak, so many seconds into a sound. */
export interface SpeakerTurn {
  atSeconds: number;
  legId: string;
}

/** Who speaks, one after the other, while a meeting is recorded: chapters of its sound. Who says a word while another one speaks is none. */
export class SpeakerTurns {
  private readonly speaking = new Speaking();
  private last: string | null = null;

  /**
   * How it stands now; gives who has begun.
   * @param now `legIds`: who speaks of those who are heard; `mine`: one's own end, and how loud it is, in dBov; `atMs`: of a clock that goes on;
   * `atSeconds`: how much of the sound there is.
   */
  note(now: {
    legIds: readonly string[];
    mine: { legId: string; levelDbov: number };
    atMs: number;
    atSeconds: number;
  }): SpeakerTurn | null {
    const levels = new Map(now.legIds.map((legId) => [legId, speaksDbov]));
    levels.set(now.mine.legId, now.mine.levelDbov);
    this.speaking.note(levels, now.atMs);
    const { inFront } = this.speaking;
    if (inFront === null || inFront === this.last) return null;
    const isFirst = this.last === null;
    this.last = inFront;
    // What was said before anybody was known to speak belongs to the first.
    return { legId: inFront, atSeconds: isFirst ? 0 : Math.max(0, now.atSeconds - knownAfterSeconds) };
  }
}
