import type { Voicemail } from './voicemail';

/** Where a voicemail lies: one's own, not heard or heard; a team's; or put away, to be had back. */
export const shelves = ['unheard', 'heard', 'team', 'away'] as const;
export type Shelf = (typeof shelves)[number];

export function shelfOf({ mailboxId, heardAt, deletedAt }: Voicemail, myId: string): Shelf {
  if (deletedAt !== null) return 'away';
  if (mailboxId !== myId) return 'team';
  return heardAt === null ? 'unheard' : 'heard';
}

/** Those of somebody's own mailbox and of their teams', by where they lie, the newest first, urgent ones before others. */
export function onShelves(
  voicemails: Iterable<Voicemail>,
  myId: string,
  teamIds: readonly string[],
): Record<Shelf, Voicemail[]> {
  const found: Record<Shelf, Voicemail[]> = { unheard: [], heard: [], team: [], away: [] };
  for (const voicemail of voicemails)
    if (voicemail.mailboxId === myId || teamIds.includes(voicemail.mailboxId))
      found[shelfOf(voicemail, myId)].push(voicemail);
  for (const shelf of shelves)
    found[shelf].sort((a, b) => Number(b.isUrgent) - Number(a.isUrgent) || b.at - a.at);
  // What was put away last is what somebody wants back.
  found.away.sort((a, b) => (b.deletedAt ?? 0) - (a.deletedAt ?? 0));
  return found;
}
