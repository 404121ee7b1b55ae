import { z } from 'zod';

/** The path under which sockets are met. */
export const linkPath = '/api/link';

/** Something said at a named end of a channel. */
export const saidSchema = z.tuple([z.string().max(300), z.unknown()]);

const key = z.string().min(1).max(300);

/** What an app asks of what is kept beside the rows: which keys there are, what stands under them, and that something be kept. */
export const askedOfFilesSchema = z.discriminatedUnion('what', [
  z.object({ what: z.literal('keys'), prefix: z.string().max(300) }),
  z.object({ what: z.literal('read'), keys: z.array(key).max(500) }),
  z.object({ what: z.literal('write'), entries: z.record(key, z.string()) }),
]);
export type AskedOfFiles = z.infer<typeof askedOfFilesSchema>;

/** What is answered, by what was asked; or why it is not done. */
export const answerOfFilesSchema = z.union([
  z.object({ keys: z.array(z.string()) }),
  z.object({ texts: z.record(z.string(), z.string()) }),
  z.object({ kept: z.literal(true) }),
  z.object({ refused: z.string() }),
]);
export type AnswerOfFiles = z.infer<typeof answerOfFilesSchema>;
