import Papa from 'papaparse';

import { readNumber } from './readNumber';
import { emptyPerson, type Problem, type ReadPeople, type ReadPerson } from './readPerson';

/** What a column of a table can hold. */
export const csvFields = ['name', 'given', 'family', 'firm', 'number', 'mail', 'note', 'none'] as const;
export type CsvField = (typeof csvFields)[number];

export interface CsvTable {
  /** As they stand in the first row. */
  columns: string[];
  /** What each is taken for, as far as its head tells. */
  fields: CsvField[];
  rows: string[][];
}

const heads: readonly [RegExp, CsvField][] = [
  [/^(given|first|fore)[ -]?name$|^vorname$|^prénom$/i, 'given'],
  [/^(family|last|sur)[ -]?name$|^nachname$|^nom$/i, 'family'],
  [/^(full |display )?name$|^contact$/i, 'name'],
  [/firm|company|organi[sz]ation|^org$|firma|société/i, 'firm'],
  [/phone|mobile|cell|^tel|number|fax|handy/i, 'number'],
  [/mail/i, 'mail'],
  [/note|comment|remark|bemerkung/i, 'note'],
];

/** A table with its columns recognised by their heads; comma, semicolon or tab, quoted or not (RFC 4180). */
export function readCsvTable(text: string): CsvTable | { problem: Problem } {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trimEnd());
  const [columns, ...rows] = data;
  if (!columns || columns.length < 2 || rows.length === 0)
    return {
      problem: { line: 1, sentence: 'This is no table: a row of heads and a row for each is needed.' },
    };
  const fields = columns.map((head) => heads.find(([pattern]) => pattern.test(head.trim()))?.[1] ?? 'none');
  return { columns: columns.map((head) => head.trim()), fields, rows };
}

/** The people of a table, by what each of its columns holds. Lines count rows, the heads being the first. */
export function readCsvPeople(
  { columns, rows }: CsvTable,
  fields: readonly CsvField[],
  onProgress?: (share: number) => void,
): ReadPeople {
  const people: ReadPerson[] = [];
  const problems: Problem[] = [];
  rows.forEach((row, index) => {
    if (row.every((cell) => cell.trim() === '')) return;
    const line = index + 2;
    const person = readRow(row, columns, fields, line, problems);
    if (person.name === '')
      problems.push({ line, sentence: 'There is neither a name nor a firm in this row.' });
    else people.push(person);
    if (index % 1000 === 999) onProgress?.((index + 1) / rows.length);
  });
  return { people, problems };
}

function readRow(
  row: readonly string[],
  columns: readonly string[],
  fields: readonly CsvField[],
  line: number,
  problems: Problem[],
): ReadPerson {
  const person = emptyPerson();
  const names = { given: '', family: '' };
  row.forEach((cell, at) => {
    const value = cell.trim();
    const field = fields[at] ?? 'none';
    if (value === '' || field === 'none') return;
    if (field === 'given' || field === 'family') names[field] = value;
    else if (field === 'mail') person.mails.push(value);
    else if (field !== 'number') person[field] = value;
    else {
      const read = readNumber(value);
      if (read.ok) person.numbers.push({ label: labelOf(columns[at] ?? ''), number: read.number });
      else problems.push({ line, sentence: read.sentence });
    }
  });
  if (person.name === '') person.name = `${names.given} ${names.family}`.trim();
  if (person.name === '') person.name = person.firm;
  return person;
}

const labels: readonly [RegExp, string][] = [
  [/mobile|cell|handy/i, 'mobile'],
  [/fax/i, 'fax'],
  [/home|private/i, 'home'],
  [/work|office|business/i, 'work'],
];
const labelOf = (head: string) => labels.find(([pattern]) => pattern.test(head))?.[1] ?? 'number';
