import { z } from 'zod';

/** What was asked, by a number that its app made: one more each time. */
export interface Numbered {
  app: string;
  /** From 1. */
  id: number;
  /** Every answer up to this one has come. */
  answeredUpTo: number;
}

const replySchema = z.looseObject({ ok: z.boolean() });

export const answeredSchema = z.array(
  z.object({ app: z.string(), replies: z.array(z.tuple([z.number(), replySchema])) }),
);
