import type { Meeting } from './meeting';

/** An end of the meeting's call, as far as it matters who is host. */
export interface Attending {
  legId: string;
  /** At a device of the office. */
  isOfOffice: boolean;
  since: number;
}

/**
 * Hosts who are there. Where none is left it is whoever of the office has been there longest, and without anybody of the office whoever
 * has at all; nobody where nobody is there.
 */
export function hostsAmong({ hostLegIds }: Meeting, attending: readonly Attending[]): string[] {
  const there = hostLegIds.filter((id) => attending.some(({ legId }) => legId === id));
  if (there.length > 0) return there;
  const [next] = [...attending].sort(
    (one, other) => Number(other.isOfOffice) - Number(one.isOfOffice) || one.since - other.since,
  );
  return next ? [next.legId] : [];
}
