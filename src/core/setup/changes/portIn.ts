import { formatNumber, interpretDialled, numberingPlan, type NumberingPlan } from '@/core/numbers/numbering';

import { editOf, freeId, inTurn, type Edit } from '../edits';
import { isAbroad } from '../outward';
import type { OfficeSetup } from '../setup';
import { freeCord } from './cords';

/** Numbers that an office brings along from another carrier: those that can come, and those that can't, each with its line. */
export interface PortIn {
  numbers: { line: number; number: string; name: string }[];
  problems: { line: number; sentence: string }[];
}

/** At once; each becomes a line of the office. */
const mostNumbers = 200;

/**
 * Reads what is to be ported: one number in a line, as it is written at home, then a comma and what the line is for, if it has a name; or a
 * range, "0131 496 0300 - 0309", whose end may be its last figures alone.
 */
export function readPortIn(text: string, setup: OfficeSetup): PortIn {
  const found: PortIn = { numbers: [], problems: [] };
  const plan = numberingPlan(setup.numbering);
  const taken = new Map(setup.lines.map(({ number, name }) => [number, name]));
  text.split(/\r?\n/).forEach((written, index) => {
    const line = index + 1;
    if (written.trim() === '') return;
    const read = readRow(written, plan);
    if (typeof read === 'string') return found.problems.push({ line, sentence: read });
    for (const number of read.numbers) {
      const shown = formatNumber(number, plan);
      const holder = taken.get(number);
      const sentence =
        holder !== undefined
          ? holder === ''
            ? `${shown} stands here twice.`
            : `${shown} is a line of the office already: ${holder}.`
          : found.numbers.length >= mostNumbers
            ? `So many at once are too many: ${shown} and what follows stay out, the first ${mostNumbers} come.`
            : null;
      if (sentence !== null) {
        found.problems.push({ line, sentence });
        if (found.numbers.length >= mostNumbers) return undefined;
        continue;
      }
      taken.set(number, '');
      found.numbers.push({ line, number, name: read.name === '' ? shown : read.name });
    }
    return undefined;
  });
  return found;
}

/** The numbers of one line (E.164) with their name; or why they can't be read. */
function readRow(written: string, plan: NumberingPlan): { numbers: string[]; name: string } | string {
  const [first = '', ...rest] = written.split(',');
  const name = rest.join(',').trim().slice(0, 60);
  const [from = '', to, ...more] = first.split(/\s*(?:–|—|\bto\b|\s-\s)\s*/);
  const start = readNumber(from, plan);
  if (typeof start === 'string') return start;
  if (to === undefined) return { numbers: [start.number], name };
  if (more.length > 0) return `“${first.trim()}” is more than one range.`;
  const digits = to.replace(/\D/g, '');
  const end =
    to.trim().startsWith('0') && digits.length > 4 ? readNumber(to, plan) : endOf(start.number, digits);
  if (typeof end === 'string') return end;
  const count = Number(BigInt(end.number.slice(1)) - BigInt(start.number.slice(1))) + 1;
  if (count < 1) return `“${first.trim()}” ends before it begins.`;
  if (count > mostNumbers)
    return `“${first.trim()}” holds ${count} numbers: at most ${mostNumbers} come at once.`;
  const numbers = Array.from({ length: count }, (_, at) => `+${BigInt(start.number.slice(1)) + BigInt(at)}`);
  return { numbers, name };
}

/** The number whose last figures are these. */
const endOf = (start: string, digits: string): { number: string } | string =>
  digits === '' || digits.length >= start.length
    ? 'A range ends in a number, or in its last figures: 0131 496 0300 - 0309.'
    : { number: start.slice(0, start.length - digits.length) + digits };

function readNumber(written: string, plan: NumberingPlan): { number: string } | string {
  const said = `“${written.trim()}”`;
  const dialled = interpretDialled(written.trim(), plan);
  switch (dialled.kind) {
    case 'national':
    case 'international':
      if (isAbroad(dialled.e164, plan)) return `${said} is a number of another country.`;
      if (dialled.extension !== undefined || dialled.postDial !== undefined)
        return `${said} is more than a number.`;
      return { number: dialled.e164 };
    case 'emergency':
      return `${said} is an emergency number.`;
    case 'extension':
      return `${said} is an extension: a whole number is wanted, with its area code.`;
    default:
      return `${said} can’t be read as a number.`;
  }
}

/** What makes each of them a line whose calls go to that owner, with a cord of its own as far as there is one. */
export const portInEdits = (
  seen: OfficeSetup,
  numbers: readonly Pick<PortIn['numbers'][number], 'number' | 'name'>[],
  ownerId: string,
): Edit[] =>
  inTurn(
    seen,
    ...numbers.map(({ number, name }) => (setup: OfficeSetup) => {
      const id = freeId(setup, 'lines', 'l');
      const row = { id, name, number, ownerId, cord: freeCord(setup), urgent: false };
      return [editOf(setup, 'lines', id, row)];
    }),
  );
