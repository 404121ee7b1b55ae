import { z } from 'zod';

import type { ReplyOr } from '../handling';

export const personalRowSchema = z.looseObject({ id: z.string() });

/** A row that is there now, or is there no more. What is in it the schema of its sort says. */
export const personalChangeSchema = z.union([
  z.object({ table: z.literal('personal'), sort: z.string(), put: personalRowSchema }),
  z.object({ table: z.literal('personal'), sort: z.string(), gone: z.string() }),
]);
export type SeenPersonal = z.infer<typeof personalChangeSchema>;

/** What a member may ask of what they keep for themselves: all of it is done, or nothing. */
export const personalRequestSchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('keepOwn'), changes: z.array(personalChangeSchema) }),
]);
export type PersonalRequest = z.input<typeof personalRequestSchema>;
export type ReadPersonalRequest = z.infer<typeof personalRequestSchema>;

/** Why it was not done; nothing has changed then. */
export type PersonalRefusal =
  | { code: 'notYours'; what: 'belongings' }
  /** There is no such sort, or the row does not pass its schema. */
  | { code: 'notReadable'; sort: string; id: string };

export type PersonalReply = ReplyOr<PersonalRefusal>;
