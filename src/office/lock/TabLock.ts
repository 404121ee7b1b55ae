const answerWithinMs = 250;
/** A holder that is gone without a word is noticed within that. */
const askAgainMs = 3_000;

interface Message {
  /** `before`: claimed by whoever says it too, who comes first. */
  kind: 'claim' | 'mine' | 'before' | 'taken' | 'gone';
  from: string;
}

interface TabLockOptions {
  onHeld: () => void;
  /** Another tab has taken it. */
  onLost: () => void;
}

/**
 * Something that one tab of a browser has at a time: whoever wants it gets it once nobody has it, or takes it from whoever has. Web
 * Locks decide where the page has them; a page served without TLS on the local network has not, and there the tabs ask each other.
 */
export class TabLock {
  private readonly id = Math.random().toString(36).slice(2);
  private readonly channel: BroadcastChannel;
  private isHeldNow = false;
  private isOver = false;
  private isQueued = false;
  private letGo: () => void = () => undefined;
  private isClaiming = false;
  /** It is claimed then, or had where nobody has answered. */
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private readonly name: string,
    private readonly options: TabLockOptions,
  ) {
    this.channel = new BroadcastChannel(name);
    this.channel.onmessage = ({ data }: MessageEvent<Message>) => this.hear(data);
  }

  get isHeld(): boolean {
    return this.isHeldNow;
  }

  /** Gets it as soon as nobody else has it. */
  want(): void {
    if (this.isOver || this.isHeldNow) return;
    if (!navigator.locks) return this.claim();
    if (this.isQueued) return;
    this.isQueued = true;
    void this.request({}, () => (this.isQueued = false));
  }

  /** Gets it now. */
  take(): void {
    if (this.isOver || this.isHeldNow) return;
    if (navigator.locks) void this.request({ steal: true });
    else {
      clearTimeout(this.timer);
      this.say('taken');
      this.hold();
    }
  }

  /** Lets it go, and wants it no more. */
  close(): void {
    this.isOver = true;
    clearTimeout(this.timer);
    if (this.isHeldNow) this.say('gone');
    this.isHeldNow = false;
    this.letGo();
    this.channel.close();
  }

  private async request(options: LockOptions, onEnd: () => void = () => undefined): Promise<void> {
    let wasHeld = false;
    try {
      await navigator.locks.request(this.name, options, () => {
        // What was wanted before may be given after it was taken, or when nobody wants it any more.
        if (this.isOver || this.isHeldNow) return undefined;
        wasHeld = true;
        const letGo = new Promise<void>((release) => (this.letGo = release));
        this.hold();
        return letGo;
      });
      onEnd();
    } catch {
      onEnd();
      if (wasHeld) this.lose();
    }
  }

  private claim(): void {
    clearTimeout(this.timer);
    this.isClaiming = true;
    this.say('claim');
    this.timer = setTimeout(() => this.hold(), answerWithinMs);
  }

  private hear({ kind, from }: Message): void {
    if (navigator.locks) return;
    switch (kind) {
      case 'claim':
        if (this.isHeldNow) this.say('mine');
        else if (this.isClaiming && this.id < from) this.say('before');
        else if (this.isClaiming) this.claimLater(askAgainMs);
        return;
      case 'before':
        if (from < this.id) this.claimLater(askAgainMs);
        return;
      case 'mine':
        return this.claimLater(askAgainMs);
      case 'gone':
        return this.claimLater(Math.random() * answerWithinMs);
      case 'taken':
        if (this.isHeldNow) this.lose();
        else this.claimLater(askAgainMs);
    }
  }

  private claimLater(ms: number): void {
    if (this.isHeldNow || this.timer === undefined) return;
    this.isClaiming = false;
    clearTimeout(this.timer);
    this.timer = setTimeout(() => this.claim(), ms);
  }

  private hold(): void {
    this.isHeldNow = true;
    this.isClaiming = false;
    this.options.onHeld();
  }

  private lose(): void {
    this.isHeldNow = false;
    this.options.onLost();
    this.want();
  }

  private say(kind: Message['kind']): void {
    this.channel.postMessage({ kind, from: this.id } satisfies Message);
  }
}
