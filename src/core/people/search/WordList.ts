import { searchFields, type Searchable } from './searchable';
import { keysOf, wordsOf } from './words';
import { fieldWorth, firstWordWorth, keypadWorth, leastInside, wholeWordWorth } from './worth';

type Visit = (at: number, score: number, field: number) => void;

const nameField = searchFields.indexOf('name');
const initialsField = searchFields.indexOf('initials');
const detailField = searchFields.indexOf('detail');
const begins = searchFields.map((field) => fieldWorth[field].begins);
const inside = searchFields.map((field) => fieldWorth[field].inside);

/** Somebody's place in the list, a field, and whether the word is the name's first, in one integer. */
const pack = (at: number, field: number, isFirst: boolean) => (at << 4) | (field << 1) | (isFirst ? 1 : 0);

/** Every word of some thousand people, in order, with the places where it stands. */
export class WordList {
  /** "\nann\nanstey\n…": gone through for what is inside of a word. */
  private readonly text: string;
  private readonly words: readonly string[];
  /** Where each word begins in the text. */
  private readonly begin: Uint32Array;
  /** The places of word n are those from offsets[n] up to offsets[n + 1]. */
  private readonly offsets: Uint32Array;
  private readonly places: Uint32Array;
  /** The words of names and details as keys, in order, each with its word. */
  private readonly keys: readonly { keys: string; word: number }[];

  constructor(entries: readonly Searchable[]) {
    const placesOf = new Map<string, number[]>();
    const add = (word: string, place: number) => {
      const places = placesOf.get(word);
      if (places) places.push(place);
      else placesOf.set(word, [place]);
    };
    entries.forEach(({ name, detail, texts }, at) => {
      const nameWords = wordsOf(name);
      nameWords.forEach((word, index) => add(word, pack(at, nameField, index === 0)));
      if (nameWords.length > 1) add(initialsOf(nameWords), pack(at, initialsField, false));
      for (const word of wordsOf(detail)) add(word, pack(at, detailField, false));
      for (const { field, text } of texts)
        for (const word of wordsOf(text)) add(word, pack(at, searchFields.indexOf(field), false));
    });
    this.words = [...placesOf.keys()].sort();
    this.text = `\n${this.words.join('\n')}\n`;
    this.begin = new Uint32Array(this.words.length);
    this.offsets = new Uint32Array(this.words.length + 1);
    let position = 1;
    let count = 0;
    this.words.forEach((word, index) => {
      this.begin[index] = position;
      position += word.length + 1;
      count += placesOf.get(word)?.length ?? 0;
      this.offsets[index + 1] = count;
    });
    this.places = new Uint32Array(count);
    this.words.forEach((word, index) => this.places.set(placesOf.get(word) ?? [], this.offsets[index]));
    this.keys = this.words
      .map((word, index) => ({ keys: keysOf(word), word: index }))
      .sort((a, b) => (a.keys < b.keys ? -1 : 1));
  }

  /** Every place of a word that begins with what was typed, or from three letters on has it anywhere. */
  each(typed: string, visit: Visit): void {
    const { words, begin, text } = this;
    let next = firstNotBefore(words.length, (index) => (words[index] ?? '') < typed);
    for (; words[next]?.startsWith(typed); next++) this.visitWord(next, typed.length, visit);
    if (typed.length < leastInside) return;
    let word = 0;
    for (let found = text.indexOf(typed); found >= 0; found = text.indexOf(typed, (begin[word] ?? 0) - 1)) {
      // The last word that begins there or before.
      word = firstNotBefore(words.length, (index) => (begin[index] ?? 0) <= found) - 1;
      if (begin[word] !== found) this.visitInside(word, visit);
      word++;
      if (word >= words.length) return;
    }
  }

  /** Words that become this one, or begin with what does, by one letter put in, left out, changed, or swapped with the next. */
  near(typed: string): string[] {
    return this.words.filter((word) => isNear(typed, word));
  }

  /** The same for keypad letters, in names and details only. */
  eachByKeys(typed: string, visit: Visit): void {
    const { keys, offsets, places } = this;
    let next = firstNotBefore(keys.length, (index) => (keys[index]?.keys ?? '') < typed);
    for (; keys[next]?.keys.startsWith(typed); next++) {
      const word = keys[next]?.word ?? 0;
      for (let index = offsets[word] ?? 0; index < (offsets[word + 1] ?? 0); index++) {
        const place = places[index] ?? 0;
        const field = (place >> 1) & 7;
        if (field === nameField)
          visit(place >> 4, (place & 1) === 1 ? keypadWorth.firstWord : keypadWorth.name, field);
        else if (field === detailField) visit(place >> 4, keypadWorth.detail, field);
      }
    }
  }

  private visitWord(word: number, typed: number, visit: Visit): void {
    const isWhole = this.words[word]?.length === typed;
    const { offsets, places } = this;
    for (let index = offsets[word] ?? 0; index < (offsets[word + 1] ?? 0); index++) {
      const place = places[index] ?? 0;
      const field = (place >> 1) & 7;
      let score = begins[field] ?? 0;
      if (field === nameField) score += (place & 1) * firstWordWorth + (isWhole ? wholeWordWorth : 0);
      visit(place >> 4, score, field);
    }
  }

  private visitInside(word: number, visit: Visit): void {
    const { offsets, places } = this;
    for (let index = offsets[word] ?? 0; index < (offsets[word + 1] ?? 0); index++) {
      const place = places[index] ?? 0;
      const field = (place >> 1) & 7;
      visit(place >> 4, inside[field] ?? 0, field);
    }
  }
}

function initialsOf(words: readonly string[]): string {
  let initials = '';
  for (const word of words) initials += word.charAt(0);
  return initials;
}

/** The first of so many for which it is not before any more (they are in order). */
function firstNotBefore(count: number, isBefore: (index: number) => boolean): number {
  let low = 0;
  let high = count;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (isBefore(middle)) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** Whether one slip lies between what was typed and the word, or its beginning (Damerau's four). */
export function isNear(typed: string, word: string): boolean {
  let at = 0;
  while (at < typed.length && typed[at] === word[at]) at++;
  // The first letter is hardly ever the wrong one, and most words are told apart by it.
  if (at === 0 || at === typed.length) return false;
  const rest = typed.slice(at + 1);
  const starts = (from: number, ending: string) => word.startsWith(ending, from);
  const isSwapped =
    word[at] === typed[at + 1] && word[at + 1] === typed[at] && starts(at + 2, typed.slice(at + 2));
  return starts(at + 1, typed.slice(at)) || starts(at, rest) || starts(at + 1, rest) || isSwapped;
}
