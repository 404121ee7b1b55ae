/** What the worker still means to do: by when, how urgent, in which list. */
export {
  fitsFollowUp,
  followUpSchema,
  isOverdue,
  listsOf,
  orderFollowUps,
  plainFollowUp,
  priorities,
  readWords,
  stillInUse,
  type FollowUp,
  type FollowUpFilter,
  type Priority,
} from './followUp';
