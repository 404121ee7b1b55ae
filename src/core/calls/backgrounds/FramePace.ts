/** The first ones take longer, on any device. */
const passedOver = 5;
const lookedAt = 12;
/** Fewer pictures a second than that are no moving picture. */
const leastPerSecond = 8;

/** Whether a device bears what is done to each picture. */
export class FramePace {
  private readonly took: number[] = [];
  private count = 0;

  /** One more was done, in so many milliseconds. */
  note(ms: number): void {
    if (++this.count <= passedOver) return;
    this.took.push(ms);
    if (this.took.length > lookedAt) this.took.shift();
  }

  /** null: not known yet. */
  get isTooSlow(): boolean | null {
    if (this.took.length < lookedAt) return null;
    return this.took.reduce((sum, ms) => sum + ms, 0) / lookedAt > 1000 / leastPerSecond;
  }
}
