import { z } from 'zod';

import { qualitySchema, type Quality } from './network';

/** Below this many users are dissatisfied (ITU-T G.109: R under 70). */
export const worstAcceptableMos = 3.6;
const smoothingSeconds = 4;
const slopeSeconds = 6;
const warnAheadSeconds = 12;

/** How a call has sounded. Plain data; `at` is epoch milliseconds. */
export const trendSchema = z.object({
  at: z.number(),
  /** One measurement as it was taken, so that all its figures agree: of the last three the one in the middle. */
  quality: qualitySchema,
  /** The score, smoothed, and its change per second. */
  smoothedMos: z.number(),
  slopePerSecond: z.number(),
  /** The two latest measurements as they came, the latest last. */
  latest: z.tuple([qualitySchema, qualitySchema]),
});
export type Trend = z.infer<typeof trendSchema>;

/**
 * Takes in a new measurement. Of the last three the middle one counts: one bad second frightens nobody, two are a
 * collapse, and two good ones a recovery. Its score is also smoothed exponentially (time constant 4 s), and so is the
 * slope of that (6 s), so that a network that gets worse is seen before it hurts.
 */
export function follow(before: Trend | null, at: number, measured: Quality): Trend {
  if (!before)
    return {
      at,
      quality: measured,
      smoothedMos: measured.mos,
      slopePerSecond: 0,
      latest: [measured, measured],
    };
  const seconds = (at - before.at) / 1000;
  if (seconds <= 0) return before;
  const [older, newer] = before.latest;
  const [, middle = measured] = [older, newer, measured].sort((a, b) => a.mos - b.mos);
  const smoothedMos =
    before.smoothedMos + (middle.mos - before.smoothedMos) * (1 - Math.exp(-seconds / smoothingSeconds));
  const slope = (smoothedMos - before.smoothedMos) / seconds;
  const share = 1 - Math.exp(-seconds / slopeSeconds);
  const slopePerSecond = before.slopePerSecond + (slope - before.slopePerSecond) * share;
  return { at, quality: middle, smoothedMos, slopePerSecond, latest: [newer, measured] };
}

/**
 * Whether to warn: `now` where the score is already below 3.6, `soon` where it will be within 12 seconds if it goes on
 * like this.
 */
export function warningOf({ quality, slopePerSecond }: Trend): 'none' | 'soon' | 'now' {
  if (quality.mos < worstAcceptableMos) return 'now';
  const isFalling = slopePerSecond < 0;
  return isFalling && quality.mos + slopePerSecond * warnAheadSeconds < worstAcceptableMos ? 'soon' : 'none';
}

/** How well talk is understood, by ITU-T G.109's steps of R: 80, 70 and 60. */
export type Hearing = 'well' | 'fair' | 'poor' | 'hardly';

export function hearingOf({ R }: Pick<Quality, 'R'>): Hearing {
  if (R >= 80) return 'well';
  if (R >= 70) return 'fair';
  return R >= 60 ? 'poor' : 'hardly';
}
