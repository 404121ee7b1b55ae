import { z } from 'zod';

export const roomSchema = z.object({
  id: z.string(),
  name: z.string(),
  /** Open to everybody of the office; else only its members know of it. */
  isOpen: z.boolean(),
  memberIds: z.array(z.string()),
  /** The call whose people it is for, and with which it ends. */
  callId: z.string().nullable(),
  createdAt: z.number(),
  /** Since then nothing can be written in it any more. */
  closedAt: z.number().nullable(),
  /** Who left it last, and when, so that they can come back; left out where nobody has. */
  lastLeft: z.object({ personId: z.string(), at: z.number() }).optional(),
});
/** Where several colleagues write to each other. */
export type Room = z.infer<typeof roomSchema>;

const prefix = 'room:';
/** How a message says that it is to a room. */
export const roomNumber = (roomId: string): string => `${prefix}${roomId}`;
/** The room a message is to; null where it is to somebody. */
export const roomIdOf = (number: string): string | null =>
  number.startsWith(prefix) ? number.slice(prefix.length) : null;

export const mayRead = ({ isOpen, memberIds }: Room, personId: string): boolean =>
  isOpen || memberIds.includes(personId);

/** Why somebody can write nothing in a room; null where they can. Writing needs to be in it, also where it is open. */
export function cannotWrite({ memberIds, closedAt }: Room, personId: string): 'ended' | 'notInIt' | null {
  if (closedAt !== null) return 'ended';
  return memberIds.includes(personId) ? null : 'notInIt';
}

export const entered = (room: Room, personId: string): Room =>
  room.memberIds.includes(personId) ? room : { ...room, memberIds: [...room.memberIds, personId] };

/** A closed room that is left by its last member ends, since nobody could ever read it again. */
export function left(room: Room, personId: string, now: number): Room {
  const memberIds = room.memberIds.filter((id) => id !== personId);
  const isOver = memberIds.length === 0 && !room.isOpen && room.closedAt === null;
  return { ...room, memberIds, closedAt: isOver ? now : room.closedAt, lastLeft: { personId, at: now } };
}

const comeBackMs = 600_000;

/** As it was before they left it, with whoever came in since; null for whoever was not the last to leave, or left long ago. */
export function returned(room: Room, personId: string, now: number): Room | null {
  const { lastLeft, ...rest } = room;
  if (lastLeft?.personId !== personId || now - lastLeft.at > comeBackMs) return null;
  const wasEndedByIt = room.closedAt === lastLeft.at;
  return entered({ ...rest, closedAt: wasEndedByIt ? null : room.closedAt }, personId);
}

const longestName = 60;

/** What is wrong with a new room's name; null where nothing is. */
export function roomNameProblem(name: string, rooms: Iterable<Room>): string | null {
  const trimmed = name.trim();
  if (trimmed === '') return 'A room needs a name.';
  if (trimmed.length > longestName) return `A name has at most ${longestName} letters.`;
  const same = (other: Room) => other.closedAt === null && sameName(other.name, trimmed);
  return [...rooms].some(same) ? 'There is a room of that name already.' : null;
}

const sameName = (a: string, b: string) => a.localeCompare(b, 'en', { sensitivity: 'base' }) === 0;

/** Whether a message speaks to somebody by their first name, as a word of its own. */
export function speaksTo(text: string, name: string): boolean {
  const first = name.split(' ')[0] ?? '';
  if (first === '') return false;
  const escaped = first.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
  return new RegExp(`(?<![\\p{L}\\p{N}])${escaped}(?![\\p{L}\\p{N}])`, 'iu').test(text);
}
