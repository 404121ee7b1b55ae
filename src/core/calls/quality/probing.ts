import type { Network } from './network';

/** A small packet sent to find out what a network does: when it was sent, and when it, or its answer, came; null: it never did. Milliseconds of one clock. */
export interface Probe {
  sentMs: number;
  cameMs: number | null;
}

/** `roundTrip`: the answer came back to who had sent it; `oneWay`: it was looked at where it arrived, by the same clock. */
export type ProbedWay = 'roundTrip' | 'oneWay';

/** What takes longer than that in one direction is no use to a voice: it counts as lost. */
export const tooLateMs = 1_000;
/** What Network takes for the most. */
const mostBurstRatio = 8;

/**
 * What a network does to packets in one direction, by probes in the order in which they were sent. Of round trips half the delay is taken, as if
 * both ways were alike; the jitter is that of both together, so it is never said to be less than it is. null: none came.
 *
 * Jitter is the mean deviation of the delay from its mean; the burst ratio is the mean length of losses in a row over what it would be where each
 * is lost by itself, 1 / (1 - loss) (ITU-T G.107 §3.5).
 */
export function networkOf(probes: readonly Probe[], way: ProbedWay): Network | null {
  const directions = way === 'roundTrip' ? 2 : 1;
  const delays = probes.map(({ sentMs, cameMs }) =>
    cameMs === null || cameMs - sentMs > directions * tooLateMs ? null : cameMs - sentMs,
  );
  const came = delays.filter((delay) => delay !== null);
  if (came.length === 0) return null;
  const mean = average(came);
  const lost = delays.length - came.length;
  return {
    delayMs: mean / directions,
    jitterMs: average(came.map((delay) => Math.abs(delay - mean))),
    lossPercent: (100 * lost) / delays.length,
    burstRatio: burstRatioOf(delays.map((delay) => delay === null)),
  };
}

function burstRatioOf(isLost: readonly boolean[]): number {
  const lost = isLost.filter(Boolean).length;
  if (lost === 0) return 1;
  const bursts = isLost.filter((is, at) => is && !isLost[at - 1]).length;
  const alone = 1 / (1 - lost / isLost.length);
  return Math.min(mostBurstRatio, Math.max(1, lost / bursts / alone));
}

const average = (numbers: readonly number[]) => numbers.reduce((sum, each) => sum + each, 0) / numbers.length;

interface Probing {
  count: number;
  everyMs: number;
  /** From 0 to below 1. */
  random: () => number;
}

/**
 * Round trips of probes over a stand-in network: delays Laplace distributed about their mean, whose mean deviation over both ways is the
 * jitter, and losses in bursts (a two-state Gilbert model). The inverse of `networkOf`.
 */
export function probesOver(network: Network, { count, everyMs, random }: Probing): Probe[] {
  const loss = network.lossPercent / 100;
  const meanBurst = network.burstRatio / Math.max(1e-9, 1 - loss);
  const [endsBurst, beginsBurst] = [1 / meanBurst, loss / meanBurst / Math.max(1e-9, 1 - loss)];
  let isLost = random() < loss;
  return Array.from({ length: count }, (_, at) => {
    const sentMs = at * everyMs;
    const roundTripMs = Math.max(0, 2 * network.delayMs + laplace(network.jitterMs, random()));
    const probe = { sentMs, cameMs: isLost ? null : sentMs + roundTripMs };
    isLost = isLost ? random() >= endsBurst : random() < beginsBurst;
    return probe;
  });
}

/** The value that a share of a Laplace distribution about 0 lies below. */
function laplace(meanDeviation: number, share: number): number {
  const centred = share - 0.5;
  return -meanDeviation * Math.sign(centred) * Math.log(1 - 2 * Math.abs(centred));
}
