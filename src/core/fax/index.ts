/** Fax: how one stands, when it is tried again, and what is said of it. Its pages are made in `core/faxPages`. */
export {
  cannotFax,
  faxAfter,
  faxAgain,
  faxEventSchema,
  faxFailures,
  faxSchema,
  faxWords,
  nextFax,
  nextFaxAt,
  pagesWord,
  writtenFax,
  type Fax,
  type FaxEvent,
  type FaxFailure,
} from './fax';
