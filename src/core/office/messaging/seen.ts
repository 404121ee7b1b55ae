import { z } from 'zod';

import { mayRead, messageSchema, roomSchema, type Message, type Room } from '@/core/inbox/messages';

import type { OfficeMessage } from './entity';
import type { Messaging, MessagingChange } from './Messaging';
import { viewOfMessage, type MessagingSeen } from './view';

export const seenMessagingSchema = z.union([
  z.object({ table: z.literal('messages'), put: messageSchema }),
  z.object({ table: z.literal('rooms'), put: roomSchema }),
  z.object({ table: z.enum(['messages', 'rooms']), gone: z.string() }),
]);
type SeenChange = z.infer<typeof seenMessagingSchema>;

/**
 * What somebody is told of changes, with everything as it is now. A room that they may read from now on comes with all that was
 * written in it, and takes it along when they may not any more.
 */
export function messagingSeen(
  changes: readonly MessagingChange[],
  personId: string,
  messaging: Messaging,
): SeenChange[] {
  return changes.flatMap((change): SeenChange[] => {
    if (change.table === 'messages')
      return messageSeen(change.id, personId, messaging, change.before, messaging);
    const { id, before } = change;
    const room = messaging.rooms.get(id);
    const was = before !== null && mayRead(before, personId);
    const is = room !== undefined && mayRead(room, personId);
    if (!was && !is) return [];
    const own: SeenChange = is ? { table: 'rooms', put: room } : { table: 'rooms', gone: id };
    if (was === is) return [own];
    const then = { office: messaging.office, rooms: new Map(before ? [[id, before]] : []) };
    const log = messaging.inRoom(id);
    return [own, ...log.flatMap((each) => messageSeen(each.id, personId, messaging, each, then))];
  });
}

/** Of what they saw `then` and do not now they are told that it is gone; of what they never saw, nothing. */
function messageSeen(
  id: string,
  personId: string,
  messaging: Messaging,
  before: OfficeMessage | null,
  then: MessagingSeen,
): SeenChange[] {
  const message = messaging.all.get(id);
  const seen = message && viewOfMessage(message, personId, messaging);
  if (seen) return [{ table: 'messages', put: seen }];
  return before && viewOfMessage(before, personId, then) ? [{ table: 'messages', gone: id }] : [];
}

/** All of it that somebody sees now. */
export function allMessagingSeen(
  personId: string,
  messaging: Messaging,
): { messages: Message[]; rooms: Room[] } {
  return {
    rooms: [...messaging.rooms.values()].filter((room) => mayRead(room, personId)),
    messages: [...messaging.all.values()].flatMap((each) => viewOfMessage(each, personId, messaging) ?? []),
  };
}
