import { roomIdOf, type Message } from '@/core/inbox/messages';
import type { OfficeIndex } from '@/core/setup';

import type { Between, OfficeMessage } from './entity';

/** What the office has of a message that was kept from one person's side: they see of it afterwards what they saw before. */
export function fromOnePerson(message: Message, ownerId: string, office: OfficeIndex): OfficeMessage {
  const { number: _, direction, fromId: __, readAt, state, ...rest } = message;
  const isIn = direction === 'in';
  const between = betweenOf(message, ownerId, office);
  const isInside = between.kind !== 'line';
  return {
    ...rest,
    between,
    // What came from a colleague has gone out over there, and arrived.
    state: isIn && isInside ? 'delivered' : state,
    ...(isIn && isInside ? { sentAt: rest.sentAt ?? rest.at, deliveredAt: rest.deliveredAt ?? rest.at } : {}),
    readBy: readAt === null ? {} : { [ownerId]: readAt },
  };
}

function betweenOf({ number, direction, fromId }: Message, ownerId: string, office: OfficeIndex): Between {
  const isIn = direction === 'in';
  const roomId = roomIdOf(number);
  if (roomId !== null) return { kind: 'room', roomId, fromId: isIn ? (fromId ?? '') : ownerId };
  const colleague = office.peopleByExtension.get(number);
  if (!colleague) return { kind: 'line', number, fromId: isIn ? null : ownerId };
  return isIn
    ? { kind: 'colleagues', fromId: colleague.id, toId: ownerId }
    : { kind: 'colleagues', fromId: ownerId, toId: colleague.id };
}
