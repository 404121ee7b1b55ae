import { z } from 'zod';

import { isOfTeam, type AssignmentChange, type Assignments } from './Assignments';
import { assignmentSchema, type Assignment } from './entity';

export const seenAssignmentSchema = z.union([
  z.object({ table: z.literal('assignments'), put: assignmentSchema }),
  z.object({ table: z.literal('assignments'), gone: z.string() }),
]);
type SeenChange = z.infer<typeof seenAssignmentSchema>;

/** What somebody is told of changes, with everything as it is now: what concerns their teams. */
export function assignmentsSeen(
  changes: readonly AssignmentChange[],
  personId: string,
  { office, all }: Assignments,
): SeenChange[] {
  const isTheirs = (assignment: Assignment) => isOfTeam(personId, assignment.teamId, office);
  return changes.flatMap(({ id, before }): SeenChange[] => {
    const now = all.get(id);
    if (now && isTheirs(now)) return [{ table: 'assignments', put: now }];
    return before && isTheirs(before) ? [{ table: 'assignments', gone: id }] : [];
  });
}

/** All of them that somebody sees now. */
export const allAssignmentsSeen = (personId: string, { office, all }: Assignments): Assignment[] =>
  [...all.values()].filter(({ teamId }) => isOfTeam(personId, teamId, office));
