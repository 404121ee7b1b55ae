import { z } from 'zod';

import { isOfTeam } from '../lines';
import { rowsSeen } from '../rows';
import type { AssignmentChange, Assignments } from './Assignments';
import { assignmentSchema, type Assignment } from './entity';

export const seenAssignmentSchema = z.union([
  z.object({ table: z.literal('assignments'), put: assignmentSchema }),
  z.object({ table: z.literal('assignments'), gone: z.string() }),
]);

/** What somebody is told of changes, with everything as it is now: what concerns their teams. */
export const assignmentsSeen = (
  changes: readonly AssignmentChange[],
  personId: string,
  { office, all }: Assignments,
) => rowsSeen(changes, all, (row) => (isOfTeam(personId, row.teamId, office) ? row : null));

/** All of them that somebody sees now. */
export const allAssignmentsSeen = (personId: string, { office, all }: Assignments): Assignment[] =>
  [...all.values()].filter(({ teamId }) => isOfTeam(personId, teamId, office));
