/** A voice that has ended is given up so fast, in dB a second: a pause between words keeps its place. */
const fallsPerSecond = 15;
/** Whoever is to take another one’s place has to be so much louder, in dB. */
const marginDb = 6;
/** Nothing is heard of what is less loud, in dBov (RFC 6464). */
const silenceDbov = -70;

/** Which voices are forwarded, where there are more than one can be sent: the loudest, who keep their places while they speak (RFC 7667 §3.7). */
export class Loudest {
  private readonly peaks = new Map<string, { level: number; at: number }>();

  /** One voice's level as it comes, in dBov. `at`: milliseconds of one clock. */
  note(id: string, level: number, at: number): void {
    if (level >= this.loudness(id, at)) this.peaks.set(id, { level, at });
  }

  forget(id: string): void {
    this.peaks.delete(id);
  }

  /** What stands in the slots of one who may hear `mayHear`; `slots`: what stands there now. */
  choose(
    slots: readonly (string | null)[],
    mayHear: ReadonlySet<string>,
    at: number,
  ): readonly (string | null)[] {
    const kept = slots.map((id) => (id !== null && mayHear.has(id) ? id : null));
    const others = [...mayHear]
      .filter((id) => !kept.includes(id))
      .sort((one, other) => this.loudness(other, at) - this.loudness(one, at));
    for (const id of others) {
      const weakest = this.weakest(kept, at);
      const current = kept[weakest] ?? null;
      const isFree = current === null;
      const level = this.loudness(id, at);
      if (!isFree && (level < silenceDbov || level < this.loudness(current, at) + marginDb)) break;
      kept[weakest] = id;
    }
    return kept.every((id, slot) => id === slots[slot]) ? slots : kept;
  }

  private loudness(id: string, at: number): number {
    const peak = this.peaks.get(id);
    return peak ? Math.max(-127, peak.level - ((at - peak.at) / 1_000) * fallsPerSecond) : -127;
  }

  /** A free slot, else that of whoever is least loud. */
  private weakest(slots: readonly (string | null)[], at: number): number {
    const free = slots.indexOf(null);
    if (free >= 0) return free;
    const levels = slots.map((id) => this.loudness(id ?? '', at));
    return levels.indexOf(Math.min(...levels));
  }
}
