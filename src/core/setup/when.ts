import { z } from 'zod';

/** Wall-clock time of the office, "00:00" to "24:00". */
export const clockTimeSchema = z.string().regex(/^(?:[01]\d|2[0-3]):[0-5]\d$|^24:00$/);

export const weekWindowSchema = z
  .object({
    /** 0 Sunday to 6 Saturday. */
    days: z.array(z.number().int().min(0).max(6)).min(1),
    from: clockTimeSchema,
    to: clockTimeSchema,
  })
  .refine(({ from, to }) => from < to, { message: 'ends before it begins', path: ['to'] });

const dayPattern = /^\d{4}-\d{2}-\d{2}$/;
/** Local days, both included. */
export const dateSpanSchema = z
  .object({ from: z.string().regex(dayPattern), to: z.string().regex(dayPattern) })
  .refine(({ from, to }) => from <= to, { message: 'ends before it begins', path: ['to'] });

/** One kind of caller. */
export const callerMatchSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('number'), number: z.string() }),
  z.object({ kind: z.literal('prefix'), prefix: z.string() }),
  z.object({ kind: z.literal('group'), groupId: z.string() }),
  /** In a group that the office calls starred. */
  z.object({ kind: z.literal('starred') }),
  z.object({ kind: z.literal('colleague') }),
  z.object({ kind: z.literal('withheld') }),
  /** With a number that stands in no group and belongs to nobody of the office. */
  z.object({ kind: z.literal('unknown') }),
  /** Has called at least so often within the last minutes, this call not counted. */
  z.object({
    kind: z.literal('repeated'),
    times: z.number().int().positive(),
    withinMinutes: z.number().positive(),
  }),
]);
export type CallerMatch = z.infer<typeof callerMatchSchema>;

/** When a rule is for a call. Each part left out, or empty, lets any call through; in each list one is enough. */
export const whenSchema = z.object({
  callers: z.array(callerMatchSchema).optional(),
  situationIds: z.array(z.string()).optional(),
  hours: z.array(weekWindowSchema).optional(),
  dates: z.array(dateSpanSchema).optional(),
  /** Stretches that come once, in epoch milliseconds, `until` not included. A rule all of whose are over goes by itself. */
  spans: z.array(z.object({ from: z.number(), until: z.number() })).optional(),
  /** true: in the plan's working hours, false: outside them. */
  workingHours: z.boolean().optional(),
  /** Whether the plan's calendar has a meeting then. */
  inMeeting: z.boolean().optional(),
  /** Whether the called person is on a call already. */
  whileOnCall: z.boolean().optional(),
});
export type When = z.infer<typeof whenSchema>;
