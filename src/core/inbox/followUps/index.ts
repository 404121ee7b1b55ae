/** What the worker wrote down, and what they still mean to do: by when, how urgent, in which list. */
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
export { workInOrder, workSchema, type Work } from './work';
