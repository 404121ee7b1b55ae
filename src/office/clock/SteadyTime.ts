/**
 * The device's time of day, which never runs back: set back, it goes on at its own pace until the device has come up with it, so
 * that what rings for twenty seconds rings for twenty seconds. Set forward, or woken from sleep, it follows at once.
 */
export class SteadyTime {
  /** Milliseconds from the steady count to the time shown. */
  private ahead: number;

  constructor(
    private readonly ofDay: () => number = Date.now,
    private readonly steady: () => number = () => performance.now(),
  ) {
    this.ahead = ofDay() - steady();
  }

  /** Epoch milliseconds, whole. */
  now(): number {
    const shown = this.steady() + this.ahead;
    const ofDay = this.ofDay();
    if (ofDay <= shown) return Math.floor(shown);
    this.ahead += ofDay - shown;
    return ofDay;
  }

  /** Shows no instant before that one from now on. */
  notBefore(at: number): void {
    this.ahead += Math.max(0, at - this.now());
  }
}
