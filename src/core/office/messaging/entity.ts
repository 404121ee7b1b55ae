import { z } from 'zod';

import { messageSchema } from '@/core/inbox/messages';

/** Who a message is between: somebody outside and one of the office's lines, two colleagues, or the people of a room. */
export const betweenSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('line'),
    /** Theirs, in E.164. */
    number: z.string(),
    /** Who of the office wrote it; null: it came in. */
    fromId: z.string().nullable(),
  }),
  z.object({ kind: z.literal('colleagues'), fromId: z.string(), toId: z.string() }),
  z.object({ kind: z.literal('room'), roomId: z.string(), fromId: z.string() }),
]);
export type Between = z.infer<typeof betweenSchema>;

/** A message as the office has it: once, for all whom it concerns. What each of them sees of it is their `Message`. */
export const officeMessageSchema = messageSchema
  .omit({ number: true, direction: true, fromId: true, readAt: true })
  .extend({
    between: betweenSchema,
    /** When (epoch milliseconds) each person has read it, by their ids. */
    readBy: z.record(z.string(), z.number()),
  });
export type OfficeMessage = z.infer<typeof officeMessageSchema>;

/** As a version kept it in which an office was one person's: from their side. */
export const ofOnePersonSchema = z.object({ ofOnePerson: messageSchema });
export const keptMessageSchema = z.union([officeMessageSchema, ofOnePersonSchema]);
/** A message as it may stand in storage. */
export type KeptMessage = z.infer<typeof keptMessageSchema>;

/** To whom it goes, as one word; messages to one addressee arrive in the order they were written. */
export function addresseeOf({ between }: Pick<OfficeMessage, 'between'>): string {
  switch (between.kind) {
    case 'line':
      return between.number;
    case 'colleagues':
      return `person:${between.toId}`;
    case 'room':
      return `room:${between.roomId}`;
  }
}

/** Who of the office wrote it; null for what came in from outside. */
export const authorOf = ({ between }: Pick<OfficeMessage, 'between'>): string | null => between.fromId;

/** A message as it is first written: into the queue, not yet handed to the carrier. */
export function writtenOfficeMessage(
  given: Pick<OfficeMessage, 'id' | 'at' | 'between' | 'lineId' | 'text'> & Partial<OfficeMessage>,
): OfficeMessage {
  return {
    callId: null,
    asks: null,
    picture: null,
    state: 'queued',
    failure: null,
    tries: 0,
    notBefore: null,
    sentAt: null,
    deliveredAt: null,
    readBy: {},
    ...given,
  };
}
