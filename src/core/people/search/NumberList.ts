import type { TypedDigits } from './words';
import { leastInside, numberWorth } from './worth';

const plus = 43;
const four = 52;
const space = 32;
const newline = 10;

const powers = Array.from({ length: 16 }, (_, exponent) => 10 ** exponent);

type Visit = (at: number, score: number) => void;

/** The numbers of some thousand people as one text, a line each. */
export class NumberList {
  /** "\n+441314960142 214\n…" */
  private readonly text: string;
  /** Of each number: whose it is, where it ends in the text, and its digits as one integer (at most 15, so exact). */
  private readonly owners: Uint32Array;
  private readonly ends: Uint32Array;
  private readonly values: Float64Array;
  private readonly lengths: Uint8Array;
  private readonly isExternal: Uint8Array;

  constructor(people: readonly (readonly string[])[]) {
    const count = people.reduce((sum, numbers) => sum + numbers.length, 0);
    this.owners = new Uint32Array(count);
    this.ends = new Uint32Array(count);
    this.values = new Float64Array(count);
    this.lengths = new Uint8Array(count);
    this.isExternal = new Uint8Array(count);
    let text = '\n';
    let index = 0;
    people.forEach((numbers, at) => {
      for (const number of numbers) {
        const digits = number.replace('+', '');
        this.owners[index] = at;
        this.values[index] = Number(digits);
        this.lengths[index] = digits.length;
        this.isExternal[index] = number === digits ? 0 : 1;
        text += number;
        this.ends[index++] = text.length;
        text += ' ';
      }
      text += '\n';
    });
    this.text = text;
  }

  /** Everybody one of whose numbers has the digits, with how well they fit; few digits only begin an extension. */
  each({ digits, where }: TypedDigits, visit: Visit): void {
    if (where === 'anywhere' && digits.length >= leastInside) this.eachWith(digits, visit);
    else if (where === 'end') this.eachEnding(digits, visit);
    else this.eachBeginning(digits, visit);
  }

  private eachBeginning(digits: string, visit: Visit): void {
    const { owners, values, lengths, isExternal } = this;
    const sought = Number(digits);
    const count = digits.length;
    for (let index = 0; index < values.length; index++) {
      const more = (lengths[index] ?? 0) - count;
      // Two digits or less say nothing about a number outside.
      if (more < 0 || (count < leastInside && isExternal[index] === 1)) continue;
      if (Math.floor((values[index] ?? 0) / (powers[more] ?? 1)) !== sought) continue;
      visit(owners[index] ?? 0, more === 0 ? numberWorth.whole : numberWorth.begin);
    }
  }

  private eachEnding(digits: string, visit: Visit): void {
    const { owners, values, lengths } = this;
    const sought = Number(digits);
    const power = powers[digits.length] ?? Infinity;
    for (let index = 0; index < values.length; index++)
      if ((lengths[index] ?? 0) >= digits.length && (values[index] ?? 0) % power === sought)
        visit(owners[index] ?? 0, numberWorth.end);
  }

  private eachWith(digits: string, visit: Visit): void {
    const { text, owners, ends } = this;
    let index = 0;
    for (let found = text.indexOf(digits); found >= 0; found = text.indexOf(digits, found + 1)) {
      while ((ends[index] ?? Infinity) <= found) index++;
      visit(owners[index] ?? 0, this.fit(found, digits.length));
    }
  }

  /** A place where the digits stand: the whole number, its end, its beginning (also of its national part), or inside. */
  private fit(found: number, count: number): number {
    const { text } = this;
    const before = text.charCodeAt(found - 1);
    const isAtEnd = text.charCodeAt(found + count) === space;
    if (before === plus || before === space || before === newline)
      return isAtEnd ? numberWorth.whole : numberWorth.begin;
    if (isAtEnd) return numberWorth.end;
    const isNational =
      before === four && text.charCodeAt(found - 2) === four && text.charCodeAt(found - 3) === plus;
    return isNational ? numberWorth.begin : numberWorth.inside;
  }
}
