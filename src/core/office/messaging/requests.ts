import { z } from 'zod';

import { messageSchema, pictureSchema, roomSchema, type Failure } from '@/core/inbox/messages';

import type { ReplyOr } from '../handling';

const ids = z.array(z.string());

/** What a member may ask of the office's messages and rooms. Ids are made by the app, so that what is asked twice is done once. */
export const messagingRequestSchema = z.discriminatedUnion('type', [
  z.object({
    type: z.literal('write'),
    id: z.string(),
    /** E.164; of a colleague the extension; of a room `room:` and its id. */
    number: z.string(),
    lineId: z.string(),
    text: z.string(),
    picture: pictureSchema.nullable().default(null),
    /** Epoch milliseconds: not before then; null: at once. */
    notBefore: z.number().nullable().default(null),
    asks: z.enum(['callBack']).nullable().default(null),
    /** The call it is written around. */
    callId: z.string().nullable().default(null),
  }),
  /** Puts one that could not be sent into the queue again. */
  z.object({ type: z.literal('sendAgain'), id: z.string() }),
  /** Takes back one that has not gone out. */
  z.object({ type: z.literal('takeBack'), id: z.string() }),
  z.object({ type: z.literal('markRead'), ids }),
  /** Drops them for good, for everybody. */
  z.object({ type: z.literal('forget'), ids }),
  z.object({
    type: z.literal('openRoom'),
    id: z.string(),
    name: z.string(),
    isOpen: z.boolean(),
    memberIds: ids,
  }),
  /** The chat of a call: one room, under the call's id, for those who are in it. */
  z.object({ type: z.literal('openChat'), callId: z.string(), memberIds: ids }),
  /** Enters an open room, or asks somebody into a room that one is in. */
  z.object({ type: z.literal('enter'), roomId: z.string(), personId: z.string() }),
  z.object({ type: z.literal('leave'), roomId: z.string() }),
  /** As it was before one left it. */
  z.object({ type: z.literal('comeBack'), roomId: z.string() }),
  /** Brings what is kept elsewhere, seen from the asker's side; what is there already stays. */
  z.object({
    type: z.literal('bring'),
    messages: z.array(messageSchema),
    rooms: z.array(roomSchema),
  }),
]);
export type MessagingRequest = z.input<typeof messagingRequestSchema>;
export type ReadMessagingRequest = z.infer<typeof messagingRequestSchema>;

/** Why it was not done; nothing has changed then. */
export type MessagingRefusal =
  | { code: 'notYours'; what: 'line' | 'message' | 'room' | 'office' }
  | { code: 'unknownMessage' | 'unknownRoom' | 'idTaken' | 'roomEnded' | 'notInRoom' | 'alreadySent' }
  | { code: 'cannotText'; failure: Failure }
  | { code: 'badRoomName'; problem: string };

export type MessagingReply = ReplyOr<MessagingRefusal>;
