/** What the network does to small packets, and by which ways others can reach this browser. */
export { probeLink } from './probeLink';
export { findWays, type FoundWays } from './findWays';
export { probeRelay } from './probeRelay';
