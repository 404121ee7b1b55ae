/** The history as a table: filtered, summed, and written out. Apart from `history`, since only who looks back needs it. */
export { historyCsv } from './csv';
export {
  byHour,
  fitsFilter,
  historyDirections,
  historyMarks,
  isFiltering,
  sumsOf,
  type HistoryFilter,
  type HistoryDirection,
  type HistoryMark,
  type HistorySums,
  type OutcomeGroup,
} from './filter';
