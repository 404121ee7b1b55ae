import ICAL from 'ical.js';

import type { NumberingPlan } from '@/core/numbers/numbering';
import { emptyFields, type Fields, readNumber } from '@/core/people/contacts';
import { finishPerson, type Problem, type ReadPeople } from './read';

interface CardLines {
  /** Of its BEGIN, counted from 1. */
  line: number;
  lines: string[];
}

/**
 * Reads vCards 2.1, 3.0 (RFC 2426) and 4.0 (RFC 6350), folded or in quoted-printable, as several programs write them. A
 * card that can't be read is named with its line, and the others are kept.
 *
 * @param plan how numbers are written where the cards are read
 * @param onProgress hears which share of the cards has been read.
 */
export function readVCards(
  text: string,
  plan: NumberingPlan,
  onProgress?: (share: number) => void,
): ReadPeople {
  const people: Fields[] = [];
  const problems: Problem[] = [];
  const cards = cardsIn(text, problems);
  if (cards.length === 0 && problems.length === 0)
    problems.push({ line: 1, sentence: 'There is no vCard in this file: none begins with BEGIN:VCARD.' });
  cards.forEach((card, index) => {
    const read = readCard(card, plan, problems);
    if (read) people.push(read);
    if (index % 200 === 199) onProgress?.((index + 1) / cards.length);
  });
  return { people, problems };
}

function cardsIn(text: string, problems: Problem[]): CardLines[] {
  const cards: CardLines[] = [];
  let open: CardLines | null = null;
  text.split(/\r\n|\n|\r/).forEach((content, index) => {
    const line = index + 1;
    if (/^BEGIN:VCARD\s*$/i.test(content)) {
      if (open)
        problems.push({ line: open.line, sentence: 'This card does not end before the next begins.' });
      open = { line, lines: [content] };
    } else if (open) {
      open.lines.push(content);
      if (!/^END:VCARD\s*$/i.test(content)) return;
      cards.push(open);
      open = null;
    }
  });
  const left = open as CardLines | null;
  if (left) problems.push({ line: left.line, sentence: 'This card is cut off: its end is missing.' });
  return cards;
}

type Property = [name: string, parameters: Record<string, unknown>, type: string, ...values: unknown[]];

function readCard({ line, lines }: CardLines, plan: NumberingPlan, problems: Problem[]): Fields | null {
  let properties: Property[];
  try {
    const parsed = ICAL.parse(asVersion3(lines).join('\r\n')) as unknown as [string, Property[]];
    properties = parsed[1];
  } catch (error) {
    problems.push({ line, sentence: `This card can’t be read: ${said(error)}` });
    return null;
  }
  const read = emptyFields();
  for (const property of properties) take(read, property, plan, line, problems);
  const person = finishPerson(read, line, problems);
  if (!person) problems.push({ line, sentence: 'This card has neither a name nor a firm.' });
  return person;
}

const said = (error: unknown) => (error instanceof Error ? error.message : String(error)).slice(0, 120);

function take(
  person: Fields,
  property: Property,
  plan: NumberingPlan,
  line: number,
  problems: Problem[],
): void {
  const [name, parameters, , ...values] = property;
  const [first] = values.map(plain);
  const value = wordsOf(first);
  switch (name) {
    case 'fn':
      if (value !== '') person.name = value;
      return;
    case 'n':
      if (person.name === '') person.name = nameOf(first);
      // Seen as one name; kept in its parts (RFC 6350 §6.2.2) to be written out again.
      person.kept.push(keptProperty(property));
      return;
    case 'org':
      person.firm = value;
      return;
    case 'tel': {
      const read = readNumber(value, plan);
      if (read.ok) person.numbers.push({ label: labelOf(parameters), ...read.number });
      else problems.push({ line, sentence: `${person.name || 'Somebody'}: ${read.sentence}` });
      return;
    }
    case 'email':
      if (value !== '') person.mails.push(value);
      return;
    case 'note':
      person.note = value;
      return;
    case 'adr': {
      // Seen as a line; kept in its parts (RFC 6350 §6.3.1) to be written out again.
      const place = placeOf(first);
      if (place === '') return;
      person.places.push(place);
      person.kept.push(keptProperty(property));
      return;
    }
    case 'categories':
      for (const value of values) {
        const group = wordsOf(value);
        if (group) person.groups.push(group);
      }
      return;
    case 'photo': {
      const photo = photoOf(parameters, value);
      if (photo === 'large')
        problems.push({ line, sentence: `${person.name || 'Somebody'}: the photo is larger than 10 MB.` });
      else if (photo === null) person.kept.push(keptProperty(property));
      else person.photo = photo;
      return;
    }
    case 'version':
    case 'prodid':
    case 'rev':
      return;
    default:
      // Kept as it is, to be written out again.
      person.kept.push(keptProperty(property));
  }
}

const keptProperty = ([name, parameters, , ...values]: Property) =>
  JSON.stringify([name, parameters, ...values.map(plain)]);

/** "Weir Lane 1, Cawder" of the parts of an address, those that are empty left out. */
export function placeOf(parts: unknown): string {
  return wordsOf(parts);
}

/** Some ten megabytes as base64. */
const longestPhoto = 14_000_000;

/** A photo as a data URL; null where it stands elsewhere, which is not fetched, or is no picture. */
function photoOf(parameters: Record<string, unknown>, value: string): string | 'large' | null {
  if (value.length > longestPhoto) return 'large';
  if (/^data:image\//i.test(value)) return value;
  const isBase64 = /^(?:b|base64)$/i.test(String(parameters['encoding'] ?? ''));
  const bytes = value.replace(/\s/g, '');
  if (!isBase64 || !/^[A-Za-z0-9+/]+=*$/.test(bytes)) return null;
  const type = String([parameters['type'] ?? 'jpeg'].flat()[0]).toLowerCase();
  return `data:image/${type.replace(/^image\//, '')};base64,${bytes}`;
}

/** The parser leaves an escaped semicolon in values that have no parts. */
const plain = (value: unknown) => (typeof value === 'string' ? value.replace(/\\;/g, ';') : value);

/** "Dr Ada Lovelace" of family, given, further, before, after (RFC 6350 §6.2.2). */
export function nameOf(parts: unknown): string {
  if (!Array.isArray(parts)) return wordsOf(parts);
  const [family, given, further, before, after] = parts.map(wordsOf);
  return [before, given, further, family, after].filter((part) => part).join(' ');
}

function wordsOf(value: unknown): string {
  if (Array.isArray(value))
    return value
      .map(wordsOf)
      .filter((part) => part !== '')
      .join(', ');
  return typeof value === 'string' ? value.trim() : value == null ? '' : String(value);
}

const telephoneTypes: Record<string, string> = {
  cell: 'mobile',
  work: 'work',
  home: 'home',
  fax: 'fax',
  main: 'main',
};

/** As which parameter the label of a group is handed to the parser. */
const ownLabel = 'x-own-label';

/** Their own label, else what kind it is. */
function labelOf(parameters: Record<string, unknown>): string {
  const own = parameters[ownLabel];
  if (typeof own === 'string' && own !== '') return own;
  const types = [parameters['type'] ?? []].flat().map((type) => String(type).toLowerCase());
  const known = types.flatMap((type) => telephoneTypes[type] ?? []);
  return known.find((label) => label === 'mobile' || label === 'fax') ?? known[0] ?? 'number';
}

/**
 * Old phones write version 2.1: types without "TYPE=", and quoted-printable with soft line ends. Made into what 3.0 writes,
 * which the parser knows; grouped properties ("item1.TEL") lose their group, and their number takes the label that it
 * gives them ("item1.X-ABLabel").
 */
function asVersion3(lines: readonly string[]): string[] {
  const out: string[] = [];
  const labels = labelsOf(lines);
  for (let at = 0; at < lines.length; at++) {
    if (groupLabel.test(lines[at] ?? '')) continue;
    const [, group = '', name = ''] = /^([\w-]+)\.([A-Za-z-]+)(?=[;:])/.exec(lines[at] ?? '') ?? [];
    let line = group === '' ? (lines[at] ?? '') : (lines[at] ?? '').slice(group.length + 1);
    const label = labels.get(group.toLowerCase());
    if (label !== undefined && name.toUpperCase() === 'TEL')
      line = line.replace(/^TEL/i, `TEL;${ownLabel.toUpperCase()}="${label}"`);
    const isQuoted = /^[^:]*;(?:ENCODING=)?QUOTED-PRINTABLE[;:]/i.test(line);
    while (isQuoted && line.endsWith('=') && at + 1 < lines.length)
      line = line.slice(0, -1) + (lines[++at] ?? '');
    if (line.trim() === '') continue;
    out.push(/^VERSION:2\.1\s*$/i.test(line) ? 'VERSION:3.0' : withTypes(isQuoted ? unquoted(line) : line));
  }
  return out;
}

const groupLabel = /^([\w-]+)\.X-ABLABEL(?:;[^:]*)?:(.*)$/i;

/** The labels that groups give, without the marks that some programs put around their own words. */
function labelsOf(lines: readonly string[]): Map<string, string> {
  const labels = new Map<string, string>();
  for (const line of lines) {
    const [, group = '', text = ''] = groupLabel.exec(line) ?? [];
    const label = text
      .trim()
      .replace(/^_\$!<(.*)>!\$_$/, '$1')
      .replace(/\\([,;\\])/g, '$1')
      .replaceAll('"', '’');
    if (group !== '' && label !== '') labels.set(group.toLowerCase(), label);
  }
  return labels;
}

/** "TEL;CELL;PREF:1" as "TEL;TYPE=CELL;TYPE=PREF:1". */
function withTypes(line: string): string {
  const colon = line.indexOf(':');
  if (colon < 0 || /^[ \t]/.test(line)) return line;
  const [name = '', ...parameters] = line.slice(0, colon).split(';');
  const typed = parameters.map((each) => (each.includes('=') || each === '' ? each : `TYPE=${each}`));
  return [name, ...typed].join(';') + line.slice(colon);
}

/** A quoted-printable value (RFC 2045 §6.7) in UTF-8, its semicolons and commas left as they part the value. */
function unquoted(line: string): string {
  const colon = line.indexOf(':');
  const head = line
    .slice(0, colon)
    .split(';')
    .filter((part) => !/^(?:(?:ENCODING=)?QUOTED-PRINTABLE|CHARSET=.*)$/i.test(part))
    .join(';');
  const value = line.slice(colon + 1);
  let text: string;
  try {
    text = decodeURIComponent(value.replace(/%/g, '%25').replace(/=([0-9A-F]{2})/gi, '%$1'));
  } catch {
    // Not UTF-8: each byte as the letter of ISO 8859-1.
    text = value.replace(/=([0-9A-F]{2})/gi, (_, byte: string) => String.fromCharCode(parseInt(byte, 16)));
  }
  return `${head}:${text.replace(/\r\n|\n|\r/g, '\\n')}`;
}
