import { mayRead, roomNumber, type Message, type Room } from '@/core/inbox/messages';
import type { OfficeIndex } from '@/core/setup';

import type { OfficeMessage } from './entity';

/** What is looked at to decide who sees a message. */
export interface MessagingSeen {
  office: OfficeIndex;
  rooms: ReadonlyMap<string, Room>;
}

/** A line's texts are for whose it is: its owner, or the members of the team that owns it. */
export function usesLine(personId: string, lineId: string, office: OfficeIndex): boolean {
  const ownerId = office.lines.get(lineId)?.ownerId ?? '';
  return ownerId === personId || (office.teams.get(ownerId)?.memberIds.includes(personId) ?? false);
}

/**
 * The message from one person's side; null where they see nothing of it. What has not gone out yet, or could not, only its author
 * sees; of what came to them they see no stages.
 */
export function viewOfMessage(
  message: OfficeMessage,
  personId: string,
  { office, rooms }: MessagingSeen,
): Message | null {
  const { between, readBy, ...rest } = message;
  const isMine = between.fromId === personId;
  const isOut = message.state === 'sent' || message.state === 'delivered';
  const mine = { ...rest, direction: 'out' as const, fromId: null, readAt: readBy[personId] ?? null };
  const cameIn = {
    ...rest,
    ...({ direction: 'in', state: 'received', sentAt: null, deliveredAt: null, notBefore: null } as const),
    ...{ failure: null, tries: 0, fromId: null, readAt: readBy[personId] ?? null },
  };
  switch (between.kind) {
    case 'line': {
      const { number, fromId } = between;
      if (isMine) return { ...mine, number };
      // What somebody has read stays theirs when the line becomes another's.
      if (!usesLine(personId, message.lineId, office) && !(personId in readBy)) return null;
      if (fromId === null) return { ...cameIn, number };
      // What a colleague has sent from a line that both use.
      return isOut ? { ...mine, number, fromId } : null;
    }
    case 'colleagues': {
      const extensionOf = (id: string) => office.people.get(id)?.extension ?? id;
      if (isMine) return { ...mine, number: extensionOf(between.toId) };
      if (between.toId !== personId || message.state !== 'delivered') return null;
      return { ...cameIn, number: extensionOf(between.fromId) };
    }
    case 'room': {
      const room = rooms.get(between.roomId);
      if (!room || !mayRead(room, personId)) return null;
      const number = roomNumber(between.roomId);
      if (isMine) return { ...mine, number };
      return isOut ? { ...cameIn, number, fromId: between.fromId } : null;
    }
  }
}
