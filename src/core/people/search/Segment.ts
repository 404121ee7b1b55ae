import { nameKeyOf, type Best } from './Best';
import { NumberList } from './NumberList';
import type { Searchable } from './searchable';
import { Tally } from './Tally';
import { WordList } from './WordList';
import type { Typed } from './words';
import { favouriteWorth, kindWorth, mostUseWorth } from './worth';

/** How a number's search found somebody; a search for words says the field. */
export const byNumber = 0;
export const byKeypad = 1;

/**
 * Some thousand people, under each word that anything of theirs holds. A search goes through the words, which are
 * far fewer than the people, and then only through the places of those that fit.
 */
export class Segment {
  private readonly words: WordList;
  private readonly numbers: NumberList;
  private readonly alive: Uint8Array;
  /** What speaks for somebody whatever was typed. */
  private readonly merits: Float32Array;
  private readonly nameKeys: Float64Array;
  aliveCount: number;

  constructor(readonly entries: readonly Searchable[]) {
    this.words = new WordList(entries);
    this.numbers = new NumberList(entries.map(({ numbers }) => numbers.map(({ number }) => number)));
    this.alive = new Uint8Array(entries.length).fill(1);
    this.merits = new Float32Array(entries.length);
    this.nameKeys = Float64Array.from(entries, ({ name }) => nameKeyOf(name));
    this.aliveCount = entries.length;
  }

  remove(at: number): void {
    this.aliveCount -= this.alive[at] ?? 0;
    this.alive[at] = 0;
  }

  living(): Searchable[] {
    return this.entries.filter((_, at) => this.alive[at] === 1);
  }

  use(usage: ReadonlyMap<string, number>): void {
    this.entries.forEach(({ kind, numbers, isFavourite }, at) => {
      let use = 0;
      if (usage.size > 0) for (const { number } of numbers) use += usage.get(number) ?? 0;
      const used = use === 0 ? 0 : mostUseWorth * (1 - 2 ** -use);
      this.merits[at] = used + kindWorth[kind] + (isFavourite ? favouriteWorth : 0);
    });
  }

  /** Words of those here that are a letter away from it. */
  near(word: string): string[] {
    return this.words.near(word);
  }

  find({ words, digits, keys }: Typed, best: Best): void {
    const tally = new Tally(this.entries.length);
    for (const word of words) {
      this.words.each(word, (at, score, field) => tally.offer(at, score, field));
      tally.closeWord();
    }
    if (words.length === 0) {
      for (const sought of digits) this.numbers.each(sought, (at, score) => tally.offer(at, score, byNumber));
      if (keys !== null) this.words.eachByKeys(keys, (at, score) => tally.offer(at, score, byKeypad));
      tally.closeWord();
    }
    tally.each((at, score, code) => {
      const worth = score + (this.merits[at] ?? 0);
      if (best.mayTake(worth, this.nameKeys[at] ?? 0) && this.alive[at] === 1)
        best.offer(this.entries[at], worth, code);
    });
  }
}
