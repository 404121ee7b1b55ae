import type { CameIn } from '@/core/calls/forwarding';

import type { Counts } from './measuring';

/** What came in between one look and the next, of voices and pictures. */
export class InMeasure {
  private before: { bytes: number; received: number; lost: number; at: number } | null = null;

  /** `at`: milliseconds; null: nothing came and nothing was lost, or this is the first look. */
  look(report: RTCStatsReport, at: number): CameIn | null {
    const now = { bytes: 0, received: 0, lost: 0, at };
    report.forEach((each: { type: string; bytesReceived?: number } & Partial<Counts>) => {
      if (each.type !== 'inbound-rtp') return;
      now.bytes += each.bytesReceived ?? 0;
      now.received += each.packetsReceived ?? 0;
      now.lost += each.packetsLost ?? 0;
    });
    const { before } = this;
    this.before = now;
    if (before === null || at <= before.at) return null;
    const received = now.received - before.received;
    const lost = Math.max(0, now.lost - before.lost);
    if (received + lost <= 0) return null;
    const packets = received + lost;
    return { kbps: (8 * (now.bytes - before.bytes)) / (at - before.at), packets, lostShare: lost / packets };
  }
}
