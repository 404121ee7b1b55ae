import { dialledAs, type Fields } from '@/core/people/contacts';
import { writeTable } from '@/core/shared/tables';

/**
 * People as a table (RFC 4180), under heads that readCsvTable knows: a column for each label of a number ("Number:
 * gate house", and again where somebody has two of it), and for each mail that somebody has.
 */
export function writeCsvPeople(people: readonly Fields[]): string {
  const most = (pick: (person: Fields) => readonly unknown[]) =>
    people.reduce((count, person) => Math.max(count, pick(person).length), 1);
  const numberColumns = columnsOfNumbers(people);
  const mails = most((person) => person.mails);
  const columns = (word: string, count: number) =>
    Array.from({ length: count }, (_, at) => (count === 1 ? word : `${word} ${at + 1}`));
  const rows = people.map((person) => [
    person.name,
    person.firm ?? '',
    ...numberColumns.map(({ label, nth }) =>
      numberCell(person.numbers.filter((each) => each.label === label)[nth]),
    ),
    ...Array.from({ length: mails }, (_, at) => person.mails[at] ?? ''),
    person.places.join(' / '),
    person.groups.join('; '),
    person.note,
  ]);
  const head = [
    'Name',
    'Firm',
    ...numberColumns.map(({ label }) => (label === 'number' ? 'Number' : `Number: ${label}`)),
    ...columns('Mail', mails),
    'Address',
    'Group',
    'Note',
  ];
  return writeTable(head, rows);
}

/** Each label in the order it is met, as often as anybody has numbers of it; one column at least. */
function columnsOfNumbers(people: readonly Fields[]): { label: string; nth: number }[] {
  const most = new Map<string, number>();
  for (const { numbers } of people)
    for (const { label } of numbers) {
      const own = numbers.filter((each) => each.label === label).length;
      most.set(label, Math.max(most.get(label) ?? 0, own));
    }
  if (most.size === 0) most.set('number', 1);
  return [...most].flatMap(([label, count]) => Array.from({ length: count }, (_, nth) => ({ label, nth })));
}

const numberCell = (number: Fields['numbers'][number] | undefined) => (number ? dialledAs(number) : '');
