import { mayRead, roomNumber, type Message, type Room } from '@/core/inbox/messages';
import type { OfficeIndex } from '@/core/setup';

import { usesLine } from '../lines';
import type { OfficeMessage } from './entity';

/** What is looked at to decide who sees a message. */
export interface MessagingSeen {
  office: OfficeIndex;
  rooms: ReadonlyMap<string, Room>;
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
  const { between, state } = message;
  const isMine = between.fromId === personId;
  const hasGoneOut = state === 'sent' || state === 'delivered';
  switch (between.kind) {
    case 'line': {
      const { number, fromId } = between;
      if (isMine) return asSent(message, personId, number, null);
      // What somebody has read stays theirs when the line becomes another's.
      if (!usesLine(personId, message.lineId, office) && !(personId in message.readBy)) return null;
      if (fromId === null) return asReceived(message, personId, number, null);
      // What a colleague has sent from a line that both use.
      return hasGoneOut ? asSent(message, personId, number, fromId) : null;
    }
    case 'colleagues': {
      if (isMine) return asSent(message, personId, extensionOf(between.toId, office), null);
      if (between.toId !== personId || state !== 'delivered') return null;
      return asReceived(message, personId, extensionOf(between.fromId, office), null);
    }
    case 'room': {
      const room = rooms.get(between.roomId);
      if (!room || !mayRead(room, personId)) return null;
      const number = roomNumber(between.roomId);
      if (isMine) return asSent(message, personId, number, null);
      return hasGoneOut ? asReceived(message, personId, number, between.fromId) : null;
    }
  }
}

const extensionOf = (personId: string, office: OfficeIndex) =>
  office.people.get(personId)?.extension ?? personId;

function asSent(
  { between: _, readBy, ...rest }: OfficeMessage,
  personId: string,
  number: string,
  fromId: string | null,
): Message {
  return { ...rest, direction: 'out', number, fromId, readAt: readBy[personId] ?? null };
}

function asReceived(
  message: OfficeMessage,
  personId: string,
  number: string,
  fromId: string | null,
): Message {
  const { id, callId, at, asks, lineId, text, picture, readBy } = message;
  // Written out: of a hundred thousand, a copy of a copy would cost more than all else.
  return {
    id,
    callId,
    at,
    asks,
    lineId,
    text,
    picture,
    number,
    fromId,
    direction: 'in',
    state: 'received',
    failure: null,
    tries: 0,
    notBefore: null,
    sentAt: null,
    deliveredAt: null,
    readAt: readBy[personId] ?? null,
  };
}
