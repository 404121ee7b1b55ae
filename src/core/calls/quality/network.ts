import { z } from 'zod';

import { codecs, type Codec } from './codecs';
import { mosFromRating, ratingFactor } from './eModel';

/** What a network does to packets on their way, one direction. */
export const networkSchema = z.object({
  /** Mean one-way delay. */
  delayMs: z.number().min(0).max(5000),
  /** Mean deviation of the delay, as RFC 3550 §6.4.1 estimates it. */
  jitterMs: z.number().min(0).max(2000),
  /** Packets that never arrive, in percent. */
  lossPercent: z.number().min(0).max(100),
  /** How bursty the loss is: 1 where it is random, more where losses come together (G.107 §3.5). */
  burstRatio: z.number().min(1).max(8),
});
export type Network = z.infer<typeof networkSchema>;

export interface JitterBuffer {
  leastMs: number;
  mostMs: number;
}

/** The buffer is as long as five mean deviations, between these bounds. */
export const jitterBuffer: JitterBuffer = { leastMs: 40, mostMs: 200 };
const deviationsHeld = 5;

/**
 * What an adaptive jitter buffer makes of jitter: it holds packets back (delay), and those later than it holds are
 * lost. Delays are taken as Laplace distributed about their mean, whose mean deviation is the jitter, so that the
 * share later than the buffer is half of exp(-buffer / jitter).
 */
export function playOut(
  network: Network,
  { leastMs, mostMs } = jitterBuffer,
): { delayMs: number; lossPercent: number } {
  const bufferMs = Math.min(mostMs, Math.max(leastMs, deviationsHeld * network.jitterMs));
  const lateShare = network.jitterMs === 0 ? 0 : 0.5 * Math.exp(-bufferMs / network.jitterMs);
  const arriving = 100 - network.lossPercent;
  return { delayMs: network.delayMs + bufferMs, lossPercent: network.lossPercent + arriving * lateShare };
}

export const qualitySchema = z.object({
  /** Rating factor of ITU-T G.107, 0 to about 93. */
  R: z.number(),
  mos: z.number(),
  /** Mouth to ear. */
  delayMs: z.number(),
  /** After the jitter buffer. */
  lossPercent: z.number(),
});
export type Quality = z.infer<typeof qualitySchema>;

/** How a call over this network sounds: jitter becomes loss and delay, and these become R and MOS. */
export function qualityOver(network: Network, codec: Codec = codecs.opus): Quality {
  const { delayMs, lossPercent } = playOut(network);
  const mouthToEarMs = delayMs + codec.packetMs + codec.lookAheadMs;
  const R = Math.max(
    0,
    ratingFactor({
      T: mouthToEarMs,
      Ta: mouthToEarMs,
      Tr: 2 * mouthToEarMs,
      Ie: codec.Ie,
      Bpl: codec.Bpl,
      Ppl: lossPercent,
      BurstR: network.burstRatio,
    }),
  );
  return { R, mos: mosFromRating(R), delayMs: mouthToEarMs, lossPercent };
}
