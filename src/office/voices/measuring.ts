import type { Network } from '@/core/calls/quality';

/** Counts of what has come in so far (W3C WebRTC Statistics, `RTCInboundRtpStreamStats`). */
interface Counts {
  packetsReceived: number;
  packetsLost: number;
}

/** Measures one connection: what its network does to the voice that comes by it, between one look and the next. */
export class VoiceMeasure {
  private before: Counts = { packetsReceived: 0, packetsLost: 0 };

  /** What it has done since the last look; null where nothing has come in since. */
  look(report: RTCStatsReport): Network | null {
    let inbound: (Counts & { jitter?: number }) | null = null;
    let roundTripSeconds = 0;
    report.forEach(
      (each: { type: string; kind?: string; nominated?: boolean; currentRoundTripTime?: number }) => {
        if (each.type === 'inbound-rtp' && each.kind === 'audio') inbound = each as unknown as Counts;
        if (each.type === 'candidate-pair' && each.nominated === true)
          roundTripSeconds = each.currentRoundTripTime ?? 0;
      },
    );
    if (inbound === null) return null;
    const { packetsReceived, packetsLost, jitter = 0 } = inbound as Counts & { jitter?: number };
    const received = packetsReceived - this.before.packetsReceived;
    // A packet that was taken for lost may come late.
    const lost = Math.max(0, packetsLost - this.before.packetsLost);
    this.before = { packetsReceived, packetsLost };
    if (received + lost <= 0) return null;
    return {
      delayMs: (roundTripSeconds * 1000) / 2,
      jitterMs: jitter * 1000,
      lossPercent: (100 * lost) / (received + lost),
      burstRatio: 1,
    };
  }
}

/** Of several voices the one that comes worst: by loss, then by delay and jitter. */
export function worstOf(networks: readonly Network[]): Network | null {
  const badness = ({ lossPercent, delayMs, jitterMs }: Network) => lossPercent * 100 + delayMs + 5 * jitterMs;
  return networks.reduce<Network | null>(
    (worst, each) => (worst === null || badness(each) > badness(worst) ? each : worst),
    null,
  );
}
