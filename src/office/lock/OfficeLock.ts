const name = 'cendro-office';
const answerWithinMs = 250;
const yieldWithinMs = 3000;

type Message = { kind: 'claim' | 'mine' | 'yield' | 'yielded'; from: string };

/**
 * Sees to it that one tab runs the office. Web Locks decide where the page has them; a page served without TLS on
 * the local network has not, and there the tabs ask each other.
 */
export class OfficeLock {
  private readonly id = Math.random().toString(36).slice(2);
  private readonly channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(name);
  private readonly waiting = new Map<Message['kind'], () => void>();
  private isHeld = false;
  private letGo: () => void = () => undefined;

  /** `onLost` runs when another tab takes over; what it returns is awaited before that tab begins. */
  constructor(private readonly onLost: () => Promise<void>) {
    this.channel?.addEventListener('message', (event: MessageEvent<Message>) => void this.hear(event.data));
  }

  /** True when this tab may run the office. */
  async acquire(): Promise<boolean> {
    if (navigator.locks) return this.requestLock({ ifAvailable: true });
    this.say('claim');
    this.isHeld = !(await this.heard('mine', answerWithinMs));
    return this.isHeld;
  }

  /** Asks the other tab to hand over; one that does not answer is passed over. */
  async takeOver(): Promise<void> {
    this.say('yield');
    const yielded = await this.heard('yielded', yieldWithinMs);
    if (navigator.locks) await this.requestLock(yielded ? {} : { steal: true });
    this.isHeld = true;
  }

  private requestLock(options: LockOptions): Promise<boolean> {
    return new Promise((resolve) => {
      navigator.locks
        .request(name, options, (lock) => {
          this.isHeld = lock !== null;
          resolve(this.isHeld);
          return lock ? new Promise<void>((release) => (this.letGo = release)) : undefined;
        })
        .catch(() => this.lose());
    });
  }

  private async hear({ kind, from }: Message): Promise<void> {
    if (from === this.id) return;
    if (kind === 'claim' && this.isHeld) this.say('mine');
    if (kind === 'yield' && this.isHeld) {
      await this.lose();
      this.letGo();
      this.say('yielded');
    }
    this.waiting.get(kind)?.();
  }

  private async lose(): Promise<void> {
    if (!this.isHeld) return;
    this.isHeld = false;
    await this.onLost();
  }

  private say(kind: Message['kind']): void {
    this.channel?.postMessage({ kind, from: this.id } satisfies Message);
  }

  private heard(kind: Message['kind'], withinMs: number): Promise<boolean> {
    return new Promise((resolve) => {
      const settle = (isHeard: boolean) => {
        clearTimeout(timer);
        this.waiting.delete(kind);
        resolve(isHeard);
      };
      const timer = setTimeout(() => settle(false), withinMs);
      this.waiting.set(kind, () => settle(true));
    });
  }
}
