import { z } from 'zod';

/** How texts to a number fare, and what comes back. */
export const textScriptSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('delivers'),
    afterSeconds: z.number(),
    reply: z.object({ text: z.string(), afterSeconds: z.number() }).nullable(),
  }),
  /** The carrier has it, and their phone is off. */
  z.object({ kind: z.literal('phoneOff') }),
  /** The carrier knows no such number. */
  z.object({ kind: z.literal('refuses') }),
  /** The carrier itself can't be reached. */
  z.object({ kind: z.literal('unreachable') }),
]);
export type TextScript = z.infer<typeof textScriptSchema>;

export interface CarrierCast {
  texts: Readonly<Record<string, TextScript>>;
  textsOtherwise: TextScript;
}

/** A text on its way out; its picture travels as its size only, since nobody outside looks at it. */
export const outgoingTextSchema = z.object({
  id: z.string(),
  number: z.string(),
  lineId: z.string(),
  text: z.string(),
  hasPicture: z.boolean(),
  asks: z.enum(['callBack']).nullable().default(null),
  /** Who of the office has written it. */
  fromId: z.string().nullable().default(null),
});
export type OutgoingText = z.input<typeof outgoingTextSchema>;

export const incomingPictureSchema = z.object({
  /** Where the picture is fetched: an address of this app, or a data URL. */
  url: z.string(),
  width: z.number().int().positive(),
  height: z.number().int().positive(),
  alt: z.string(),
});
export const incomingTextSchema = z.object({
  number: z.string(),
  lineId: z.string(),
  text: z.string(),
  picture: incomingPictureSchema.nullable(),
  /** Which colleague writes, in a room; left out by earlier versions, like the next. */
  fromId: z.string().nullable().default(null),
  asks: z.enum(['callBack']).nullable().default(null),
  /** To which colleague somebody of the office writes; null: to whoever uses the app. */
  toId: z.string().nullable().default(null),
});
export type IncomingText = z.input<typeof incomingTextSchema>;

export const textEventSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('delivered'), at: z.number(), id: z.string() }),
  z.object({ kind: z.literal('received'), at: z.number(), id: z.string(), text: incomingTextSchema }),
  /** A colleague who was asked to call back does so. */
  z.object({
    kind: z.literal('callsBack'),
    at: z.number(),
    extension: z.string(),
    /** Who asked for it; null: whoever uses the app. */
    toId: z.string().nullable().default(null),
  }),
]);
/** What the carrier tells of a text. */
export type TextEvent = z.infer<typeof textEventSchema>;

export const carrierStateSchema = z.object({
  nextOrder: z.number(),
  pending: z.array(z.object({ order: z.number(), event: textEventSchema })),
  changed: z.record(z.string(), textScriptSchema),
  /** Texts it has taken, so that one sent twice is one. */
  taken: z.array(z.string()),
});
export type CarrierState = z.infer<typeof carrierStateSchema>;
