import type { Network } from '@/core/calls/quality';

/** What the data network does at the worker's place, from a good mast down to one behind the hill. */
export const goodNetwork: Network = { delayMs: 45, jitterMs: 6, lossPercent: 0.2, burstRatio: 1 };

export const networks: Readonly<Record<'good' | 'busy' | 'poor' | 'gone', Network>> = {
  good: goodNetwork,
  busy: { delayMs: 110, jitterMs: 25, lossPercent: 1.5, burstRatio: 1.5 },
  poor: { delayMs: 260, jitterMs: 60, lossPercent: 7, burstRatio: 2 },
  /** Drops nearly everything. */
  gone: { delayMs: 900, jitterMs: 200, lossPercent: 55, burstRatio: 4 },
};
