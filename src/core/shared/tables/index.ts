/** Tables that go out, none of whose cells a spreadsheet can be made to run. */
export { unguarded, writeTable, type Cell } from './tables';
