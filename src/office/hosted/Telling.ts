/** Tells all who listen, each thing in its order: whoever hears of one may bring about the next. */
export class Telling<T> {
  private readonly listeners = new Set<(told: T) => void>();
  private readonly untold: T[] = [];
  private isTelling = false;

  subscribe(listener: (told: T) => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  tell(told: T): void {
    this.untold.push(told);
    if (this.isTelling) return;
    this.isTelling = true;
    try {
      for (let next = this.untold.shift(); next; next = this.untold.shift())
        for (const listener of this.listeners) listener(next);
    } finally {
      this.isTelling = false;
    }
  }

  close(): void {
    this.listeners.clear();
  }
}
