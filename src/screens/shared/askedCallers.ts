import type { Caller } from '@/core/plans/routing';
import type { OfficeIndex } from '@/core/setup';

/** Kinds of callers a plan can tell apart. */
export const callers = [
  { kind: 'unknown', word: 'somebody unknown' },
  { kind: 'starred', word: 'somebody starred' },
  { kind: 'known', word: 'a known caller' },
  { kind: 'withheld', word: 'a withheld caller' },
  { kind: 'colleague', word: 'a colleague' },
] as const;
export type CallerKind = (typeof callers)[number]['kind'];

/** A number kept free for drama, which nobody has. */
const nobodysNumber = '+447700900999';

/** Somebody of that kind, as the routing asks for them. */
export function callerOf(kind: CallerKind, office: OfficeIndex, myId: string): Caller {
  const inGroup = (starred: boolean) =>
    office.setup.callerGroups.find((group) => group.starred === starred)?.numbers[0] ?? nobodysNumber;
  switch (kind) {
    case 'unknown':
      return { number: nobodysNumber, personId: null };
    case 'starred':
      return { number: inGroup(true), personId: null };
    case 'known':
      return { number: inGroup(false), personId: null };
    case 'withheld':
      return { number: null, personId: null };
    case 'colleague':
      return { number: null, personId: office.setup.people.find(({ id }) => id !== myId)?.id ?? null };
  }
}
