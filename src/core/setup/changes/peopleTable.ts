import Papa from 'papaparse';

import { numberingPlan } from '@/core/numbers/numbering';

import { inTurn, type Edit } from '../edits';
import type { OfficeSetup } from '../setup';
import { freeExtensions } from './officeProblems';
import { newPhone, phoneKinds, placeEdits, type Place } from './place';

/** People that a table names: who can come, and who can't, each with their line; the heads are line 1. */
export interface PeopleTable {
  people: { line: number; place: Place }[];
  problems: { line: number; sentence: string }[];
}

type Column = 'name' | 'role' | 'extension' | 'phones' | 'teams' | 'line';
const mostPeople = 2_000;

/**
 * Reads people out of a table with the heads name, role, extension, phones, teams and line, in any order; only the name is needed. Phones
 * and teams are separated by commas or semicolons. Who has no extension gets the next free one. Comma, semicolon or tab, quoted or not
 * (RFC 4180).
 */
export function readPeopleTable(text: string, setup: OfficeSetup): PeopleTable {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trimEnd());
  const [heads = [], ...rows] = data;
  const at = new Map(heads.map((head, index) => [head.trim().toLowerCase(), index]));
  if (!at.has('name'))
    return {
      people: [],
      problems: [
        {
          line: 1,
          sentence:
            'The first row needs a column “name”; others can be role, extension, phones, teams and line.',
        },
      ],
    };
  const reader = new Reader(setup);
  const table: PeopleTable = { people: [], problems: [] };
  rows.forEach((row, index) => {
    const line = index + 2;
    const cell = (column: Column) => (row[at.get(column) ?? -1] ?? '').trim();
    if (row.every((each) => each.trim() === '')) return;
    if (index >= mostPeople) {
      if (index === mostPeople)
        table.problems.push({
          line,
          sentence: `So many people at once are too many: the first ${mostPeople} come.`,
        });
      return;
    }
    const read = reader.read(cell);
    if (typeof read === 'string') table.problems.push({ line, sentence: read });
    else table.people.push({ line, place: read });
  });
  return table;
}

/** All that they bring, each with phones and a first plan. */
export const placesEdits = (seen: OfficeSetup, places: readonly Place[]): Edit[] =>
  inTurn(seen, ...places.map((place) => (setup: OfficeSetup) => placeEdits(setup, null, place)));

/** Reads row by row: an extension is given once. */
class Reader {
  private readonly taken: Map<string, string>;
  private readonly free: Iterator<string>;

  constructor(private readonly setup: OfficeSetup) {
    const { people, teams, menus, conferences } = setup;
    this.taken = new Map(
      [...people, ...teams, ...menus, ...conferences].map(({ extension, name }) => [extension, name]),
    );
    this.free = freeExtensions(setup);
  }

  /** Who it is, or why they can't come. */
  read(cell: (column: Column) => string): Place | string {
    const name = cell('name');
    if (name === '') return 'Nobody is named here.';
    if (name.length > 60) return 'The name is longer than 60 letters.';
    const phones = wordsOf(cell('phones') || 'desk');
    const kinds = phones.map((word) =>
      phoneKinds.find(({ kind, name: phone }) => word === kind || word === phone),
    );
    const unknownPhone = phones[kinds.indexOf(undefined)];
    if (unknownPhone !== undefined)
      return `There is no phone “${unknownPhone}”: it can be app, desk or mobile.`;
    const teams = wordsOf(cell('teams')).map((word) => ({ word, id: this.idOf('teams', word) }));
    const unknownTeam = teams.find(({ id }) => id === null);
    if (unknownTeam) return `There is no team “${unknownTeam.word}”.`;
    const line = cell('line');
    const lineId = line === '' ? (this.setup.lines[0]?.id ?? null) : this.idOf('lines', line.toLowerCase());
    if (lineId === null) return line === '' ? 'The office has no line yet.' : `There is no line “${line}”.`;
    const extension = cell('extension') || this.next();
    if (extension === null) return 'No extension is free any more.';
    if (!numberingPlan(this.setup.numbering).extension.test(extension))
      return `“${extension}” is not an extension of this office.`;
    const holder = this.taken.get(extension);
    if (holder !== undefined) return `${holder} has the extension ${extension} already.`;
    this.taken.set(extension, name);
    return {
      ...{ name, role: cell('role').slice(0, 60), extension, presentedLineId: lineId, administers: false },
      phones: kinds.flatMap((found) => (found ? [newPhone(found.kind)] : [])),
      teamIds: teams.flatMap(({ id }) => id ?? []),
    };
  }

  private next(): string | null {
    for (;;) {
      const { value, done } = this.free.next() as IteratorResult<string, undefined>;
      if (done) return null;
      if (!this.taken.has(value)) return value;
    }
  }

  private idOf(table: 'teams' | 'lines', word: string): string | null {
    return this.setup[table].find(({ name }) => name.toLowerCase() === word)?.id ?? null;
  }
}

const wordsOf = (text: string): string[] =>
  text
    .split(/[,;/+]/)
    .map((word) => word.trim().toLowerCase())
    .filter((word) => word !== '');
