import Papa from 'papaparse';

import { dialledAs, type Fields } from '../people';

/** People as a table (RFC 4180): a column for each number and mail that somebody has, under heads that readCsvTable knows. */
export function writeCsvPeople(people: readonly Fields[]): string {
  const most = (pick: (person: Fields) => readonly unknown[]) =>
    people.reduce((count, person) => Math.max(count, pick(person).length), 1);
  const numbers = most((person) => person.numbers);
  const mails = most((person) => person.mails);
  const columns = (word: string, count: number) =>
    Array.from({ length: count }, (_, at) => (count === 1 ? word : `${word} ${at + 1}`));
  const rows = people.map((person) => [
    person.name,
    person.firm ?? '',
    ...Array.from({ length: numbers }, (_, at) => numberCell(person.numbers[at])),
    ...Array.from({ length: mails }, (_, at) => person.mails[at] ?? ''),
    person.places.join(' / '),
    person.groups.join('; '),
    person.note,
  ]);
  const head = [
    'Name',
    'Firm',
    ...columns('Number', numbers),
    ...columns('Mail', mails),
    'Address',
    'Group',
    'Note',
  ];
  return Papa.unparse([head, ...rows], { newline: '\r\n', escapeFormulae: formula });
}

/** What a spreadsheet would run; a telephone number it would not. */
const formula = /^(?:[=@\t\r]|[+-](?!\d))/;

const numberCell = (number: Fields['numbers'][number] | undefined) => (number ? dialledAs(number) : '');
