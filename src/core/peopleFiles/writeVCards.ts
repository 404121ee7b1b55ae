import type { OwnContact } from '../people';

type Written = Pick<OwnContact, 'name' | 'firm' | 'numbers' | 'mails' | 'note' | 'kept'>;

/** People as vCards 4.0 (RFC 6350), with what was not understood when they were read; lines folded at 75 octets (§3.2). */
export function writeVCards(people: Iterable<Written>): string {
  const lines: string[] = [];
  for (const { name, firm, numbers, mails, note, kept } of people) {
    lines.push('BEGIN:VCARD', 'VERSION:4.0', `FN:${escaped(name)}`);
    if (firm !== null) lines.push(`ORG:${escaped(firm)}`);
    for (const { label, number } of numbers)
      lines.push(`TEL;VALUE=uri;TYPE=${typeOf[label] ?? 'voice'}:tel:${number}`);
    for (const mail of mails) lines.push(`EMAIL:${escaped(mail)}`);
    if (note !== '') lines.push(`NOTE:${escaped(note)}`);
    lines.push(...kept.flatMap(keptLine), 'END:VCARD');
  }
  return lines.map((line) => `${folded(line)}\r\n`).join('');
}

const typeOf: Record<string, string> = { mobile: 'cell', work: 'work', home: 'home', fax: 'fax' };

const escaped = (text: string) => text.replace(/[\\,;]/g, '\\$&').replace(/\r\n|\n|\r/g, '\\n');

/** A property that was not understood, as it was read. */
function keptLine(json: string): string[] {
  const [name, parameters, ...values] = JSON.parse(json) as [string, Record<string, unknown>, ...unknown[]];
  const given = Object.entries(parameters).map(
    ([key, value]) => `;${key.toUpperCase()}=${[value].flat().join(',')}`,
  );
  const written = values.map((value) =>
    Array.isArray(value) ? value.map((part) => escaped(String(part))).join(';') : escaped(String(value)),
  );
  return [`${name.toUpperCase()}${given.join('')}:${written.join(',')}`];
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
