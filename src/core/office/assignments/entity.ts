import { z } from 'zod';

export const assignmentSchema = z.object({
  /** Of the team and of whoever waits for it: whoever waits for two may be taken on by one of each. */
  id: z.string(),
  /** By what the office knows whoever waits; of an earlier version, the key of the taker's contact. */
  key: z.string(),
  /** The team for which they wait. */
  teamId: z.string(),
  byId: z.string(),
  /** Epoch milliseconds. A try that comes later is for everybody of the team again. */
  at: z.number(),
});
/** Who of a team has taken on somebody that waits for it: one at a time, so that two do not both call back. */
export type Assignment = z.infer<typeof assignmentSchema>;

export const assignmentIdOf = (teamId: string, key: string): string => `${teamId} ${key}`;
