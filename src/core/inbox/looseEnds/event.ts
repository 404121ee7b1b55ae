import { z } from 'zod';

/** Somebody who may wait for an answer; all numbers of one contact are one, and withheld callers are never the same. */
export const whoSchema = z.object({
  /** The same for all that is about this person. */
  key: z.string(),
  name: z.string(),
  /** The number to reach them at: the one they used last; null for a withheld one. */
  number: z.string().nullable(),
});
export type Who = z.infer<typeof whoSchema>;

const taskPrefix = 'task:';
/** The key of something to do that is about nobody: its follow-up's id, under a name of its own. */
export const taskKey = (followUpId: string): string => `${taskPrefix}${followUpId}`;
export const isTask = ({ key }: Pick<Who, 'key'>): boolean => key.startsWith(taskPrefix);

/** By what somebody tried to reach the worker. */
export const channels = [
  'call',
  'leftMenu',
  'voicemail',
  'text',
  'fax',
  'message',
  'callBackRequest',
  'returnedTransfer',
] as const;
export type Channel = (typeof channels)[number];

const base = { id: z.string(), at: z.number() };

/** What opens, changes and closes loose ends, in the order it happened. `at` is epoch milliseconds. */
export const looseEventSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('tried'),
    ...base,
    who: whoSchema,
    channel: z.enum(channels),
    lineId: z.string().nullable(),
    /** The team it was meant for; left out by earlier versions. */
    teamId: z.string().nullable().default(null),
    isUrgent: z.boolean(),
    isStarred: z.boolean(),
    /** The newest words, where there are any: of a text, of a transcript. */
    words: z.string().nullable(),
    /** Of a voicemail, in milliseconds. */
    lengthMs: z.number().nullable(),
  }),
  /** The worker has promised, or means, to reach somebody by then. */
  z.object({
    kind: z.literal('promised'),
    ...base,
    who: whoSchema,
    lineId: z.string().nullable(),
    dueAt: z.number(),
    /** They do not wait before then; null: from now on. */
    notBefore: z.number().nullable().default(null),
    words: z.string(),
  }),
  /** They were called, answered when they called, or got a text; by a colleague where it isn't the worker (null). */
  z.object({
    kind: z.literal('reached'),
    ...base,
    key: z.string(),
    how: z.enum(['call', 'answer', 'text']),
    talkMs: z.number(),
    byId: z.string().nullable(),
  }),
  z.object({ kind: z.literal('done'), ...base, key: z.string() }),
  /** One of the reasons is settled by itself: a follow-up ticked, a text read and needing no answer. */
  z.object({ kind: z.literal('settled'), ...base, key: z.string(), reasonId: z.string() }),
  z.object({ kind: z.literal('snoozed'), ...base, key: z.string(), until: z.number() }),
  /** Takes back the last done, snooze or reaching of this person. */
  z.object({ kind: z.literal('undone'), ...base, key: z.string() }),
  /** Somebody of the team takes it on (or, null, lets go of it), so that two do not call the same person back. */
  z.object({ kind: z.literal('taken'), ...base, key: z.string(), byId: z.string().nullable() }),
]);
export type LooseEvent = z.infer<typeof looseEventSchema>;
export type Tried = Extract<LooseEvent, { kind: 'tried' }>;
