import Papa from 'papaparse';

import { emptyFields, type Fields, readNumber } from '@/core/people/contacts';
import type { NumberingPlan } from '@/core/numbers/numbering';
import { unguarded } from '@/core/shared/tables';
import { finishPerson, type Problem, type ReadPeople } from './read';

/** What a column of a table can hold. */
export const csvFields = [
  'name',
  'given',
  'family',
  'firm',
  'number',
  'mail',
  'place',
  'group',
  'note',
  'none',
] as const;
export type CsvField = (typeof csvFields)[number];

export interface CsvTable {
  /** As they stand in the first row. */
  columns: string[];
  /** What each is taken for, as far as its head tells. */
  fields: CsvField[];
  rows: string[][];
}

const heads: readonly [RegExp, CsvField][] = [
  [/^number(?: \d+)?\s*:/i, 'number'],
  [/mail/i, 'mail'],
  [/^(given|first|fore)[ -]?name$|^vorname$|^prénom$/i, 'given'],
  [/^(family|last|sur)[ -]?name$|^nachname$|^nom$/i, 'family'],
  [/^(full |display )?name$|^contact$/i, 'name'],
  [/firm|company|organi[sz]ation|^org$|firma|société/i, 'firm'],
  [/phone|mobile|cell|^tel|number|fax|handy/i, 'number'],
  [/address|street|town|city|post ?code|adresse|ort$|ville/i, 'place'],
  [/group|categor|gruppe|groupe/i, 'group'],
  [/note|comment|remark|bemerkung/i, 'note'],
];

/** A table with its columns recognised by their heads; comma, semicolon or tab, quoted or not (RFC 4180). */
export function readCsvTable(text: string): CsvTable | { problem: Problem } {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trimEnd());
  const [columns, ...rows] = data;
  if (!columns || columns.length < 2 || rows.length === 0)
    return {
      problem: {
        line: 1,
        sentence: 'This is not a table: it needs a row of headings, and a row for each person.',
      },
    };
  const fields = columns.map((head) => heads.find(([pattern]) => pattern.test(head.trim()))?.[1] ?? 'none');
  return { columns: columns.map((head) => head.trim()), fields, rows };
}

/** The people of a table, by what each of its columns holds. Lines count rows, the heads being the first. */
export function readCsvPeople(
  { columns, rows }: CsvTable,
  fields: readonly CsvField[],
  plan: NumberingPlan,
  onProgress?: (share: number) => void,
): ReadPeople {
  const people: Fields[] = [];
  const problems: Problem[] = [];
  rows.forEach((row, index) => {
    if (row.every((cell) => cell.trim() === '')) return;
    const line = index + 2;
    const person = finishPerson(readRow(row, columns, fields, plan, line, problems), line, problems);
    if (person) people.push(person);
    else problems.push({ line, sentence: 'There is neither a name nor a firm in this row.' });
    if (index % 1000 === 999) onProgress?.((index + 1) / rows.length);
  });
  return { people, problems };
}

function readRow(
  row: readonly string[],
  columns: readonly string[],
  fields: readonly CsvField[],
  plan: NumberingPlan,
  line: number,
  problems: Problem[],
): Fields {
  const person = emptyFields();
  const names = { given: '', family: '' };
  const place: string[] = [];
  row.forEach((cell, at) => {
    const value = unguarded(cell).trim();
    if (value === '') return;
    switch (fields[at] ?? 'none') {
      case 'none':
        return;
      case 'given':
        names.given = value;
        return;
      case 'family':
        names.family = value;
        return;
      case 'mail':
        person.mails.push(value);
        return;
      case 'place':
        place.push(value);
        return;
      case 'group':
        for (const group of value.split(/[;,]/)) if (group.trim() !== '') person.groups.push(group.trim());
        return;
      case 'number': {
        const read = readNumber(value, plan);
        if (read.ok) person.numbers.push({ label: labelOf(columns[at] ?? ''), ...read.number });
        else problems.push({ line, sentence: read.sentence });
        return;
      }
      case 'name':
        person.name = value;
        return;
      case 'firm':
        person.firm = value;
        return;
      case 'note':
        person.note = value;
    }
  });
  if (place.length > 0) person.places.push(place.join(', '));
  if (person.name === '') person.name = `${names.given} ${names.family}`.trim();
  return person;
}

const labels: readonly [RegExp, string][] = [
  [/mobile|cell|handy/i, 'mobile'],
  [/fax/i, 'fax'],
  [/home|private/i, 'home'],
  [/work|office|business/i, 'work'],
];
/** "Number: gate house", as we write it, is a label of its own. */
const ownLabel = /^number(?: \d+)?\s*:\s*(.*\S)\s*$/i;
const labelOf = (head: string) =>
  ownLabel.exec(head)?.[1] ?? labels.find(([pattern]) => pattern.test(head))?.[1] ?? 'number';
