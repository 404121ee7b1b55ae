/** Something that one tab does for all, begun when it is to do it. Gives what ends it. */
export type Duty = () => () => void;

/** What the tab that hosts the office does for all: begun once it does, and ended when another one does. */
export class Duties {
  private readonly running = new Map<Duty, (() => void) | null>();
  private isMine = false;

  /** Gives what takes it away again. */
  add(duty: Duty): () => void {
    this.running.set(duty, this.isMine ? duty() : null);
    return () => {
      this.running.get(duty)?.();
      this.running.delete(duty);
    };
  }

  begin(): void {
    if (this.isMine) return;
    this.isMine = true;
    for (const duty of this.running.keys()) this.running.set(duty, duty());
  }

  end(): void {
    this.isMine = false;
    for (const [duty, end] of this.running) {
      end?.();
      this.running.set(duty, null);
    }
  }
}
