/** Who of a team has taken on whom: kept once, asked for by its members. */
export type { Assignments, AssignmentChange } from './Assignments';
export { assignmentIdOf, assignmentSchema, type Assignment } from './entity';
export {
  assignmentRequestSchema,
  type AssignmentRefusal,
  type AssignmentReply,
  type AssignmentRequest,
  type ReadAssignmentRequest,
} from './requests';
export { allAssignmentsSeen, assignmentsSeen, seenAssignmentSchema } from './seen';
