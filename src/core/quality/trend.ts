import { z } from 'zod';

/** Below this many users are dissatisfied (ITU-T G.109: R under 70). */
export const worstAcceptableMos = 3.6;

const smoothingSeconds = 4;
const slopeSeconds = 6;
const warnAheadSeconds = 12;

/** A call's score as it has developed. Plain data; `at` is epoch milliseconds. */
export const trendSchema = z.object({
  at: z.number(),
  mos: z.number(),
  /** Change of the smoothed score per second. */
  slopePerSecond: z.number(),
  /** The two latest measurements as they came, the latest last. */
  latest: z.tuple([z.number(), z.number()]),
});
export type Trend = z.infer<typeof trendSchema>;

/**
 * Takes in a new measurement: of the last three the middle one counts, so that one bad second frightens nobody; the
 * score is smoothed exponentially (time constant 4 s), and so is its slope (6 s), so that a network that gets worse is
 * seen before it hurts.
 */
export function follow(before: Trend | null, at: number, mos: number): Trend {
  if (!before) return { at, mos, slopePerSecond: 0, latest: [mos, mos] };
  const seconds = (at - before.at) / 1000;
  if (seconds <= 0) return before;
  const [older, newer] = before.latest;
  const middle = Math.max(Math.min(older, newer), Math.min(Math.max(older, newer), mos));
  const next = before.mos + (middle - before.mos) * (1 - Math.exp(-seconds / smoothingSeconds));
  const slope = (next - before.mos) / seconds;
  const share = 1 - Math.exp(-seconds / slopeSeconds);
  const slopePerSecond = before.slopePerSecond + (slope - before.slopePerSecond) * share;
  return { at, mos: next, slopePerSecond, latest: [newer, mos] };
}

/**
 * Whether to warn: `now` where the score is already below 3.6, `soon` where it will be within 12 seconds if it goes on
 * like this.
 */
export function warningOf(trend: Trend): 'none' | 'soon' | 'now' {
  if (trend.mos < worstAcceptableMos) return 'now';
  return trend.mos + trend.slopePerSecond * warnAheadSeconds < worstAcceptableMos ? 'soon' : 'none';
}
