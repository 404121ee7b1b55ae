import type { Message, Room } from '@/core/inbox/messages';
import type { OfficeIndex } from '@/core/setup';

export const roomKind = ({ isOpen }: Room): string => (isOpen ? 'open' : 'closed');

/** "You", or the colleague's first name. */
export function authorOf({ direction, fromId }: Message, office: OfficeIndex): string {
  if (direction === 'out') return 'You';
  return office.ever.people.get(fromId ?? '')?.name.split(' ')[0] ?? 'Somebody';
}

/** "Ilse Varga and Nadia Feroz": those in it besides the worker. */
export function othersIn({ memberIds }: Room, myId: string, office: OfficeIndex): string {
  const names = memberIds.filter((id) => id !== myId).flatMap((id) => office.people.get(id)?.name ?? []);
  if (names.length < 2) return names[0] ?? 'nobody else';
  return `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
}
