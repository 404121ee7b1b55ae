/** What a queue has seen of its own calls: how many, and how long they took a member on the mean, wrap-up included. */
export interface Handled {
  count: number;
  meanMs: number;
}

/** So many of the latest calls make the mean. */
const memory = 20;

/** With one call more; older ones fade. */
export function withHandled({ count, meanMs }: Handled, ms: number): Handled {
  const weight = 1 / Math.min(count + 1, memory);
  return { count: count + 1, meanMs: meanMs + (ms - meanMs) * weight };
}

/**
 * How long whoever is at that place (1: next) waits, in seconds, while all of so many members are taken: each of them becomes free after
 * the mean time, so that the queue moves on by one every mean / members (the state-dependent wait of an M/M/c queue: Whitt, Management
 * Science 45 (1999), "Predicting queueing delays", eq. 2). null where nothing is known yet, or nobody is there to take calls.
 */
export function expectedWaitSeconds(
  place: number,
  members: number,
  { count, meanMs }: Handled,
): number | null {
  if (count === 0 || members === 0) return null;
  return (place * meanMs) / members / 1000;
}
