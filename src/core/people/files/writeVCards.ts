import type { Fields } from '@/core/people/contacts';
import { nameOf, placeOf } from './vCard';

/** Somebody to be written, under a name that stays the same each time. */
export type Written = Fields & { uid?: string };

/**
 * People as vCards 4.0 (RFC 6350), with what was not understood when they were read; lines folded at 75 octets (§3.2). A
 * number's own label stands beside it in a group, as other programs write it.
 */
export function writeVCards(people: Iterable<Written>): string {
  const lines: string[] = [];
  for (const { name, firm, numbers, mails, places, groups, note, photo, kept, uid } of people) {
    lines.push('BEGIN:VCARD', 'VERSION:4.0', `FN:${escaped(name)}`);
    if (uid !== undefined && !kept.some((json) => propertyOf(json)[0] === 'uid'))
      lines.push(`UID:${escaped(uid)}`);
    if (firm !== null) lines.push(`ORG:${escaped(firm)}`);
    numbers.forEach(({ label, number, tail }, at) => {
      const type = typeOf[label];
      const group = type === undefined && label !== 'number' ? `item${at + 1}` : null;
      lines.push(
        `${group === null ? '' : `${group}.`}TEL;VALUE=uri;TYPE=${type ?? 'voice'}:tel:${number}${tail ?? ''}`,
      );
      if (group !== null) lines.push(`${group}.X-ABLABEL:${escaped(label)}`);
    });
    for (const mail of mails) lines.push(`EMAIL:${escaped(mail)}`);
    if (groups.length > 0) lines.push(`CATEGORIES:${groups.map(escaped).join(',')}`);
    if (note !== '') lines.push(`NOTE:${escaped(note)}`);
    if (photo?.startsWith('data:')) lines.push(`PHOTO:${photo}`);
    lines.push(
      ...addressLines(places, kept),
      ...kept.filter((json) => isNoAddress(json) && isStillTheirs(json, name)).map(keptLine),
      'END:VCARD',
    );
  }
  return lines.map((line) => `${folded(line)}\r\n`).join('');
}

type KeptProperty = [name: string, parameters: Record<string, unknown>, ...values: unknown[]];
const propertyOf = (json: string) => JSON.parse(json) as KeptProperty;
const isNoAddress = (json: string) => propertyOf(json)[0] !== 'adr';

/** The parts of a name are true while the name has all of them. */
function isStillTheirs(json: string, name: string): boolean {
  const [property, , parts] = propertyOf(json);
  if (property !== 'n') return true;
  const words = new Set(name.toLowerCase().split(/[\s,]+/));
  return nameOf(parts)
    .toLowerCase()
    .split(/[\s,]+/)
    .every((word) => words.has(word));
}

/** Each place in the parts in which it was read; one that was written here as its street (RFC 6350 §6.3.1). */
function addressLines(places: readonly string[], kept: readonly string[]): string[] {
  const inParts = new Map(
    kept.filter((json) => !isNoAddress(json)).map((json) => [placeOf(propertyOf(json)[2]), keptLine(json)]),
  );
  return places.map((place) => inParts.get(place) ?? `ADR:;;${escaped(place)};;;;`);
}

const typeOf: Record<string, string> = { mobile: 'cell', work: 'work', home: 'home', fax: 'fax' };

const escaped = (text: string) => text.replace(/[\\,;]/g, '\\$&').replace(/\r\n|\n|\r/g, '\\n');

/** A property that was not understood, as it was read. */
function keptLine(json: string): string {
  const [name, parameters, ...values] = propertyOf(json);
  const given = Object.entries(parameters).map(
    ([key, value]) => `;${key.toUpperCase()}=${[value].flat().join(',')}`,
  );
  const written = values.map((value) =>
    Array.isArray(value) ? value.map((part) => escaped(String(part))).join(';') : escaped(String(value)),
  );
  return `${name.toUpperCase()}${given.join('')}:${written.join(',')}`;
}

const mostOctets = 75;

/** Folded between characters, never inside one. */
function folded(line: string): string {
  let out = '';
  let octets = 0;
  for (const character of line) {
    const size = octetsOf(character.codePointAt(0) ?? 0);
    if (octets + size > mostOctets) {
      out += '\r\n ';
      octets = 1;
    }
    out += character;
    octets += size;
  }
  return out;
}

/** In UTF-8. */
const octetsOf = (point: number) => (point < 0x80 ? 1 : point < 0x800 ? 2 : point < 0x10000 ? 3 : 4);
