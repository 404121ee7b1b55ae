import type { FigureCall } from '@/core/calls/figures';
import type { Traffic } from './erlang';

/**
 * The traffic that calls are, over so many hours in which they could come. Patience is the whole time waited over those who gave up, as
 * who was taken in time only tells that they would have waited longer (maximum likelihood of an exponential, censored). null: nothing is
 * known of how long they take.
 */
export function trafficOf(
  calls: readonly FigureCall[],
  hours: number,
  wrapUpSeconds: number,
): Traffic | null {
  let taken = 0;
  let gaveUp = 0;
  let talkMs = 0;
  let waitedMs = 0;
  for (const { at, takenAt, endedAt, ended } of calls) {
    waitedMs += Math.max(0, (takenAt ?? endedAt) - at);
    if (ended === 'abandoned') gaveUp++;
    if (takenAt === null) continue;
    taken++;
    talkMs += Math.max(0, endedAt - takenAt);
  }
  if (taken === 0 || hours <= 0) return null;
  return {
    callsPerHour: calls.length / hours,
    handleSeconds: talkMs / taken / 1000 + wrapUpSeconds,
    patienceSeconds: gaveUp === 0 || waitedMs === 0 ? null : waitedMs / gaveUp / 1000,
  };
}
