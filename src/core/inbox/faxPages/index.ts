/** The pages of a fax: PDFs read, joined with pictures, and headed. Apart, since a PDF library weighs much. */
export {
  faxSourceKind,
  joinFaxPages,
  readFaxPdf,
  withHeader,
  type FaxSource,
  type MadePages,
} from './faxPages';
