import { z } from 'zod';

import type { ReplyOr } from '../handling';

/** What a member may ask of who has taken on whom. */
export const assignmentRequestSchema = z.discriminatedUnion('type', [
  z.object({
    type: z.literal('takeOn'),
    /** Key of whoever waits. */
    key: z.string(),
    teamId: z.string(),
    /**
     * When (epoch milliseconds) they last tried, as the asker knows: who took them on before that has them no more. Looked at only
     * where the office does not know itself.
     */
    since: z.number(),
    /** Who has them as the asker knows, and is to have them no more; null: nobody. */
    insteadOf: z.string().nullable(),
  }),
  z.object({ type: z.literal('letGo'), key: z.string(), teamId: z.string() }),
]);
export type AssignmentRequest = z.input<typeof assignmentRequestSchema>;
export type ReadAssignmentRequest = z.infer<typeof assignmentRequestSchema>;

/** Why it was not done; nothing has changed then. */
export type AssignmentRefusal =
  | { code: 'notYours'; what: 'team' | 'assignment' }
  /** A colleague was quicker. */
  | { code: 'takenBy'; byId: string };

export type AssignmentReply = ReplyOr<AssignmentRefusal>;
