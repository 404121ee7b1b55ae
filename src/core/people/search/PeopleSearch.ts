import { Best } from './Best';
import { searchFields, type Hit, type Searchable, type SearchText } from './searchable';
import { byKeypad, Segment } from './Segment';
import { readTyped, wordsOf, type Typed, type TypedDigits } from './words';

/** What comes is laid together with smaller segments before it up to this, so that there are never many of them. */
const fullSegment = 2_000;
/** A shorter word with a letter wrong may be any. */
const leastForgiven = 4;
/** Of words that are near, so many are tried. */
const mostNear = 8;
const wordsBefore = 4;
const wordsAround = 12;

/**
 * Finds people by any scrap, ranked: words anywhere in a name or its initials, firm, mail, places, notes and messages;
 * digits anywhere in a number; keypad letters. Who is used much and lately, or is a favourite, stands higher. Changes are
 * taken in one by one without building all anew.
 */
export class PeopleSearch {
  private segments: Segment[] = [];
  private readonly where = new Map<string, { segment: Segment; at: number }>();
  private usage: ReadonlyMap<string, number> = new Map();

  get size(): number {
    return this.where.size;
  }

  /** Takes people in, each in the place of the one who had the key. */
  put(entries: readonly Searchable[]): void {
    const last = new Map(entries.map((entry) => [entry.key, entry]));
    this.drop([...last.keys()]);
    let gathered = [...last.values()];
    for (let newest = this.segments.at(-1); newest; newest = this.segments.at(-1)) {
      const together = newest.aliveCount + gathered.length;
      if (newest.aliveCount > gathered.length || together > fullSegment) break;
      gathered = [...newest.living(), ...gathered];
      this.segments.pop();
    }
    if (gathered.length > 0) this.segments.push(this.segmentOf(gathered));
    this.sweep();
  }

  drop(keys: readonly string[]): void {
    for (const key of keys) {
      const place = this.where.get(key);
      if (!place) continue;
      place.segment.remove(place.at);
      this.where.delete(key);
    }
  }

  /** How much each number is used: see usageOf. */
  use(usage: ReadonlyMap<string, number>): void {
    this.usage = usage;
    for (const segment of this.segments) segment.use(usage);
  }

  /**
   * The best matches, best first; the same for the same people and the same text, in whatever order they came in. Where
   * nobody has all words, one of them may have a letter wrong ("batery").
   */
  find(text: string, most = 20): Hit[] {
    const typed = readTyped(text);
    const found = this.findExactly(typed, most);
    return found.length > 0 || typed.words.length === 0 ? found : this.findNearly(typed.words, most);
  }

  /** With one word as people of here have it, which is a letter away from what was typed. */
  private findNearly(words: readonly string[], most: number): Hit[] {
    const best = new Map<string, Hit>();
    words.forEach((word, at) => {
      if (word.length < leastForgiven) return;
      const near = new Set(this.segments.flatMap((segment) => segment.near(word)));
      for (const other of [...near].sort().slice(0, mostNear))
        for (const hit of this.findExactly(
          { words: words.map((each, index) => (index === at ? other : each)), digits: [], keys: null },
          most,
        )) {
          const known = best.get(hit.key);
          if (!known || hit.score > known.score) best.set(hit.key, hit);
        }
    });
    return [...best.values()].sort((a, b) => b.score - a.score || (a.key < b.key ? -1 : 1)).slice(0, most);
  }

  /** Only who has all of it as it was typed. */
  findExactly(typed: Typed, most = 20): Hit[] {
    if (typed.words.length === 0 && typed.digits.length === 0) return [];
    const best = new Best(most);
    for (const segment of this.segments) segment.find(typed, best);
    return best.found.map(({ entry, score, code }): Hit => {
      const { key, kind, name, detail, numbers, texts } = entry;
      const by =
        typed.words.length > 0 ? (searchFields[code] ?? 'name') : code === byKeypad ? 'keypad' : 'number';
      const excerpt = isTextField(by) ? excerptOf(texts, by, typed.words) : null;
      const numberAt = by === 'number' ? numberWith(numbers, typed.digits) : null;
      return { key, kind, name, detail, numbers, score, by, excerpt, numberAt };
    });
  }

  private segmentOf(entries: readonly Searchable[]): Segment {
    const segment = new Segment(entries);
    segment.use(this.usage);
    entries.forEach(({ key }, at) => this.where.set(key, { segment, at }));
    return segment;
  }

  /** Lays a segment anew when most of it is gone. */
  private sweep(): void {
    this.segments = this.segments.flatMap((segment) => {
      if (segment.aliveCount * 2 > segment.entries.length) return [segment];
      return segment.aliveCount === 0 ? [] : [this.segmentOf(segment.living())];
    });
  }
}

const isTextField = (by: Hit['by']): by is SearchText['field'] =>
  by === 'mail' || by === 'place' || by === 'note' || by === 'message';

/** Which number has the digits; one that is them before one that only holds them. */
function numberWith(numbers: Searchable['numbers'], typed: readonly TypedDigits[]): number | null {
  const plain = numbers.map(({ number }) => number.replace('+', ''));
  const holds: readonly ((number: string, digits: string) => boolean)[] = [
    (number, digits) => number === digits,
    (number, digits) => number.includes(digits),
  ];
  for (const isIt of holds) {
    const at = plain.findIndex((number) => typed.some(({ digits }) => isIt(number, digits)));
    if (at >= 0) return at;
  }
  return null;
}

/** The words around the first that was typed. */
function excerptOf(
  texts: readonly SearchText[],
  field: SearchText['field'],
  typed: readonly string[],
): string | null {
  for (const { text } of texts.filter((each) => each.field === field)) {
    const words = text.split(/\s+/).filter(Boolean);
    const at = words.findIndex((word) => {
      const plain = wordsOf(word).join(' ');
      return typed.some((part) => plain.includes(part));
    });
    if (at < 0) continue;
    const from = Math.max(0, at - wordsBefore);
    const shown = words.slice(from, from + wordsAround).join(' ');
    return `${from > 0 ? '… ' : ''}${shown}${from + wordsAround < words.length ? ' …' : ''}`;
  }
  return null;
}
