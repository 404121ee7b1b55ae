/** Which pages of a file go as a fax. Apart, since no start needs it. */
export { readPageChoice, writePageChoice, type ReadPageChoice } from './pageChoice';
