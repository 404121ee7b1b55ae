import type { HandOutOrder } from '@/core/setup';

/** A member who could take a call now. */
export interface FreeMember {
  personId: string;
  /** When they last ended a talk or became ready, epoch milliseconds. */
  freeSince: number;
  /** 1 is asked first. */
  level: number;
}

/**
 * Whom to ring next, of those who are free. `free` is in the order in which the team names its members, `memberIds` is all of them, and
 * `lastRungId` who was rung last in turn. All of them for "all at once", else one; none where none is free.
 */
export function handOutTo(
  order: HandOutOrder,
  free: readonly FreeMember[],
  memberIds: readonly string[],
  lastRungId: string | null,
): FreeMember[] {
  const [first] = free;
  if (!first) return [];
  switch (order) {
    case 'allAtOnce':
      return [...free];
    case 'fixedOrder':
      return [first];
    case 'inTurn':
      return [nextAfter(free, memberIds, lastRungId) ?? first];
    case 'longestFree':
      return [best(free, first, (a, b) => a.freeSince - b.freeSince)];
    case 'byLevel':
      return [best(free, first, (a, b) => a.level - b.level || a.freeSince - b.freeSince)];
  }
}

function nextAfter(free: readonly FreeMember[], memberIds: readonly string[], lastRungId: string | null) {
  const last = lastRungId === null ? -1 : memberIds.indexOf(lastRungId);
  return free.find(({ personId }) => memberIds.indexOf(personId) > last);
}

/** The least by that comparison; of equals whom the team names first. */
function best(
  free: readonly FreeMember[],
  first: FreeMember,
  compare: (a: FreeMember, b: FreeMember) => number,
): FreeMember {
  return free.reduce((least, each) => (compare(each, least) < 0 ? each : least), first);
}
