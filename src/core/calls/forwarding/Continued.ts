/** What is rewritten of a packet (RFC 3550 §5.1), so that one stream goes on where its source becomes another. */
export interface Numbered {
  /** 16 bits. */
  sequenceNumber: number;
  /** 32 bits, in the clock of its codec. */
  timestamp: number;
}

/** Which step of a source comes at which step of the stream: differences that are added to each number. */
interface Offsets {
  source: string;
  sequenceNumber: number;
  timestamp: number;
}

/** One stream that is sent on, of which each packet follows the one before, from whichever source it comes. */
export class Continued {
  private offsets: Offsets | null = null;
  private last: (Numbered & { at: number }) | null = null;

  /** `clockRate`: ticks of its timestamps a second. */
  constructor(private readonly clockRate: number) {}

  /** How a packet of that source is numbered in this stream. `at`: milliseconds of one clock, when it came. */
  next(source: string, { sequenceNumber, timestamp }: Numbered, at: number): Numbered {
    if (this.offsets?.source !== source)
      this.offsets = this.joined(source, { sequenceNumber, timestamp }, at);
    const next = {
      sequenceNumber: (sequenceNumber + this.offsets.sequenceNumber) & 0xffff,
      timestamp: (timestamp + this.offsets.timestamp) >>> 0,
    };
    // What comes late is not the last.
    if (this.last === null || isAfter(next.sequenceNumber, this.last.sequenceNumber))
      this.last = { ...next, at };
    return next;
  }

  /** The first packet of another source follows the last that was sent, by as much as time has gone on. */
  private joined(source: string, first: Numbered, at: number): Offsets {
    if (this.last === null) return { source, sequenceNumber: 0, timestamp: 0 };
    const ticks = Math.max(1, Math.round(((at - this.last.at) / 1_000) * this.clockRate));
    return {
      source,
      sequenceNumber: this.last.sequenceNumber + 1 - first.sequenceNumber,
      timestamp: this.last.timestamp + ticks - first.timestamp,
    };
  }
}

/** Whether one 16-bit number comes after another, by the shorter way around. */
const isAfter = (one: number, other: number): boolean => ((one - other) & 0xffff) < 0x8000 && one !== other;
