import type { Fields } from '@/core/people/contacts';

/** What could not be read, and why. Lines count from 1. */
export interface Problem {
  line: number;
  sentence: string;
}

export interface ReadPeople {
  people: Fields[];
  problems: Problem[];
}

/** More than anybody reads on one page. */
const mostNumbers = 20;

/** What was read of somebody, made whole: a name, each number once, no more than can be shown. null: nobody. */
export function finishPerson(person: Fields, line: number, problems: Problem[]): Fields | null {
  const name = person.name || person.firm || '';
  if (name === '') return null;
  const numbers = [
    ...new Map(person.numbers.map((each) => [`${each.number}${each.tail ?? ''}`, each])).values(),
  ];
  if (numbers.length > mostNumbers)
    problems.push({
      line,
      sentence: `${name} has ${numbers.length} numbers: the first ${mostNumbers} are taken.`,
    });
  return {
    ...person,
    name,
    firm: person.firm === '' || person.firm === name ? null : person.firm,
    numbers: numbers.slice(0, mostNumbers),
  };
}
