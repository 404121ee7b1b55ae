import isEqual from 'fast-deep-equal';

import type { OfficeSetup } from '@/core/setup';

/** Whether everybody sees the same rows in both: it hangs on who is there, who runs it, in which team, and whose the lines are. */
export const isSeenAlike = (before: OfficeSetup, now: OfficeSetup): boolean =>
  before === now || isEqual(seenBy(before), seenBy(now));

const seenBy = ({ people, teams, lines }: OfficeSetup) => [
  people.map(({ id, administers = false }) => [id, administers]),
  teams.map(({ id, memberIds, mailbox }) => [id, memberIds, mailbox !== undefined]),
  lines.map(({ id, ownerId }) => [id, ownerId]),
];
