import { z } from 'zod';

/** `queued`: waits for the network or for its time; `sent`: the carrier has it; `delivered`: their phone has it. */
export const messageStates = ['queued', 'sent', 'delivered', 'failed', 'received'] as const;

export const failures = ['noTexts', 'unknownNumber', 'optedOut', 'carrier', 'tooManyTries'] as const;
export type Failure = (typeof failures)[number];

export const pictureSchema = z.object({
  id: z.string(),
  /** An address of this app, or a data URL. */
  url: z.string(),
  width: z.number().int().positive(),
  height: z.number().int().positive(),
  bytes: z.number().int().positive(),
  /** What is on it, for those who don't see it; what the sender wrote. */
  alt: z.string(),
});

export const messageSchema = z.object({
  id: z.string(),
  /** The call it was written around; null for one by itself. */
  callId: z.string().nullable(),
  /** Epoch milliseconds: when it was written, or came in. */
  at: z.number(),
  direction: z.enum(['in', 'out']),
  /** E.164; of a colleague the extension; of a room `room:` and its id. */
  number: z.string(),
  /** Who of the office wrote it, in a room; null elsewhere. */
  fromId: z.string().nullable(),
  /** A colleague's wish to be called back. */
  asks: z.enum(['callBack']).nullable(),
  /** The business line it comes from or to. */
  lineId: z.string(),
  text: z.string(),
  picture: pictureSchema.nullable(),
  state: z.enum(messageStates),
  failure: z.enum(failures).nullable(),
  /** How often the carrier was asked. */
  tries: z.number().int().min(0),
  /** Not before then: written to be sent later, or to be tried again. */
  notBefore: z.number().nullable(),
  /** When it was sent and delivered. */
  sentAt: z.number().nullable(),
  deliveredAt: z.number().nullable(),
  readAt: z.number().nullable(),
});
/** A text, with or without a picture. */
export type Message = z.infer<typeof messageSchema>;

/** A text as it is first written: into the queue, not yet handed to the carrier. */
export function writtenMessage(
  given: Pick<Message, 'id' | 'at' | 'number' | 'lineId' | 'text'> & Partial<Message>,
): Message {
  return {
    callId: null,
    fromId: null,
    asks: null,
    direction: 'out',
    picture: null,
    state: 'queued',
    failure: null,
    tries: 0,
    notBefore: null,
    sentAt: null,
    deliveredAt: null,
    readAt: null,
    ...given,
  };
}
