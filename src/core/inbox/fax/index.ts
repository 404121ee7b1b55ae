/** Fax: how one stands, when it is tried again, and what is said of it. Its pages are made in `inbox/faxPages`. */
export {
  cannotFax,
  faxAfter,
  faxAgain,
  faxEventSchema,
  faxFailures,
  faxSchema,
  faxWords,
  isOver,
  isUnderway,
  nextFaxes,
  nextFaxAt,
  pagesWord,
  writtenFax,
  type Fax,
  type FaxEvent,
  type FaxFailure,
} from './fax';
export { mostPages, readPageChoice, writePageChoice, type ReadPageChoice } from './pageChoice';
