/** The newest things that came in, within a bound of how many and how large they are together. */
export class Shelf<T> {
  private things: { thing: T; size: number }[] = [];

  constructor(
    private readonly mostThings: number,
    /** Of their sizes, in characters. */
    private readonly mostSize: number,
  ) {}

  add(thing: T, size: number): void {
    this.things.unshift({ thing, size });
    let sum = 0;
    this.things = this.things
      .slice(0, this.mostThings)
      .filter(({ size: each }, at) => (sum += each) <= this.mostSize || at === 0);
  }

  /** Newest first. */
  all(): T[] {
    return this.things.map(({ thing }) => thing);
  }
}
