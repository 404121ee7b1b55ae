import { z } from 'zod';

import { guestActSchema, guestSeenSchema } from '@/core/guests';

/** What somebody asks who has come to a meeting by a link. `secret`: by which their browser is known again; nobody else is told it. */
export const askedOfGuestsSchema = z.discriminatedUnion('what', [
  z.object({
    what: z.literal('knock'),
    token: z.string().max(100),
    secret: z.string().min(22).max(100),
    name: z.string().trim().min(1).max(60),
  }),
  z.object({ what: z.literal('act'), act: guestActSchema }),
]);
export type AskedOfGuests = z.infer<typeof askedOfGuestsSchema>;

/** How they are from then on is told as soon as it changes. */
export const answerOfGuestsSchema = z.union([
  z.object({ seen: guestSeenSchema }),
  z.object({ done: z.literal(true) }),
  /** Why not: of the exchange's refusals those that a link or a meeting can give; else that they are asked to come again. */
  z.object({
    refused: z.enum([
      ...(['unknownLink', 'linkTooOld', 'meetingLocked', 'waitingFull'] as const),
      ...(['picturesFull', 'tooMany', 'notNow'] as const),
    ]),
  }),
]);
export type AnswerOfGuests = z.infer<typeof answerOfGuestsSchema>;
export type GuestRefusal = Extract<AnswerOfGuests, { refused: unknown }>['refused'];
