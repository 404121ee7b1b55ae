/** How an office is configured as rows, what is to become of one, and what was noted of it. Carried out by `../changes`. */
export { setupEntrySchema, type SetupEntry } from './entry';
export {
  editOf,
  editSchema,
  freeId,
  inTurn,
  readRow,
  rowOf,
  withRow,
  type Edit,
  type SetupRow,
  type SetupTable,
} from './rows';
