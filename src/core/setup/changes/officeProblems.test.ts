import { testSetup } from '@/core/calls/exchange/tests/testOffice';

import { editOf, rowOf, type Edit, type SetupTable } from '../edits';
import type { OfficeSetup } from '../setup';
import { changeSetup, freeExtension, newProblems, officeProblems } from '.';

const asked = { id: '1', byId: 'ada', at: 1 };

/** The office of the tests with these edits, and what is wrong with it then. */
function changed(...edits: Edit[]) {
  const outcome = changeSetup(testSetup, edits, asked);
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.reason));
  return { setup: outcome.setup, problems: newProblems(testSetup, outcome.setup) };
}
const edit = (table: SetupTable, id: string, change: object): Edit =>
  editOf(testSetup, table, id, { ...rowOf(testSetup, table, id), ...change });
const retired = (table: SetupTable, id: string): Edit => editOf(testSetup, table, id, null);
const [person, other] = testSetup.people;
const [line] = testSetup.lines;
if (!person || !other || !line) throw new Error('Nobody there');

/** The problem is at that field, and where there is a repair, its edits leave nothing that is wrong there. */
function mends(setup: OfficeSetup, problem: ReturnType<typeof officeProblems>[number]) {
  const mended = changeSetup(setup, problem.repair?.edits ?? [], asked);
  return mended.ok && !officeProblems(mended.setup).some(({ sentence }) => sentence === problem.sentence);
}

describe('what is wrong with an office', () => {
  it('is nothing in that of the tests', () => {
    expect(officeProblems(testSetup)).toEqual([]);
  });

  it('an extension twice, or one that is none, with a free one in its place', () => {
    const twice = changed(edit('people', other.id, { extension: person.extension }));
    expect(twice.problems).toMatchObject([{ table: 'people', id: other.id, field: 'extension' }]);
    expect(twice.problems[0]?.sentence).toBe(`${person.name} has the extension ${person.extension} already.`);
    const none = changed(edit('people', other.id, { extension: '999' }));
    expect(none.problems[0]?.sentence).toBe('“999” is not an extension of this office.');
    for (const { setup, problems } of [twice, none])
      for (const each of problems) expect(mends(setup, each)).toBe(true);
  });

  it('a numbering that leaves several without their extension, said once and where it is chosen', () => {
    const numbering = { ...testSetup.numbering, extensions: { begin: ['3'], least: 3, most: 3 } };
    const { problems } = changed(
      editOf(testSetup, 'office', 'numbering', { id: 'numbering', value: numbering }),
    );
    expect(problems).toMatchObject([{ table: 'office', id: 'numbering', field: 'extensions', repair: null }]);
    expect(problems[0]?.sentence).toMatch(
      new RegExp(`^${person.extension} \\(${person.name}\\), .* more would be`),
    );
    const both = { ...numbering, extensions: { ...numbering.extensions, begin: ['2', '3'] } };
    expect(
      changed(editOf(testSetup, 'office', 'numbering', { id: 'numbering', value: both })).problems,
    ).toEqual([]);
    expect(freeExtension({ ...testSetup, numbering, people: [], teams: [] })).toBe('300');
  });

  it('a PIN that is the end of one of its numbers, as that is written', () => {
    const conference = {
      id: 'c',
      name: 'Site',
      extension: '290',
      pin: '4711',
      hostPin: '80412',
      waitsForHost: false,
      opensForOffice: false,
    };
    const setup = {
      ...testSetup,
      conferences: [{ ...conference, pin: line.number.slice(-4) }],
      lines: [{ ...line, ownerId: 'c' }],
    };
    const problem = officeProblems(setup).find(({ field }) => field === 'pin');
    expect(problem?.sentence).toMatch(/^It is the end of 0\d{3} \d{3} \d{4}, which/);
  });

  it('a number twice, and a line of nobody', () => {
    const second = { ...line, id: 'second', name: 'Second' };
    expect(changed(editOf(testSetup, 'lines', 'second', second)).problems).toMatchObject([
      { table: 'lines', id: 'second', field: 'number', sentence: `${line.name} has this number already.` },
    ]);
    expect(changed(edit('lines', line.id, { ownerId: 'nobody' })).problems).toMatchObject([
      { table: 'lines', id: line.id, field: 'ownerId' },
    ]);
  });

  it('somebody who is retired is missed wherever they are named, and what one tap can mend is mended', () => {
    const { setup, problems } = changed(retired('people', person.id));
    expect(problems.length).toBeGreaterThan(0);
    const fields = problems.map(({ table, field }) => `${table} ${field}`);
    expect(fields).toEqual(
      expect.arrayContaining(['devices personId', 'lines ownerId', 'ringPlans personId']),
    );
    for (const each of problems) if (each.repair) expect(mends(setup, each)).toBe(true);
  });

  it('a line that is retired is named by plans and people', () => {
    const { problems } = changed(...testSetup.lines.map(({ id }) => retired('lines', id)));
    expect(problems).toContainEqual(expect.objectContaining({ table: 'people', field: 'presentedLineId' }));
  });

  it('a language that is chosen by a key of another use, and one that says nothing', () => {
    const menu = {
      ...{ id: 'm', name: 'Menu', extension: '260', text: 'Press one.', waitSeconds: 5, turns: 1 },
      ...{ keys: [{ key: '1', to: '201' }], finish: { kind: 'busy' }, keeperId: 'ada' },
    };
    const speaking = (language: object) =>
      changed(
        editOf(testSetup, 'menus', 'm', {
          ...menu,
          languages: [{ key: '*', language: 'Cymraeg', text: 'Croeso.', ...language }],
        }),
      );
    expect(speaking({}).problems).toEqual([]);
    const { setup, problems } = speaking({ key: '1' });
    expect(problems).toMatchObject([{ field: 'languages', repair: { word: 'Leave out Cymraeg' } }]);
    expect(mends(setup, problems[0]!)).toBe(true);
    expect(speaking({ text: ' ' }).problems).toMatchObject([{ field: 'text' }]);
  });

  it('who answers for somebody and is gone, or would answer for themselves', () => {
    const by = (personId: string) =>
      changed(edit('people', other.id, { answeredBy: [{ personId, showsMine: true }] })).problems;
    expect(by(person.id)).toEqual([]);
    for (const [id, sentence] of [
      ['nobody', `Somebody who answers for ${other.name} is gone.`],
      [other.id, `${other.name} can’t answer for themselves.`],
    ] as const)
      expect(by(id)).toMatchObject([{ field: 'answeredBy', sentence, repair: { word: 'Take them out' } }]);
  });

  it('a menu that says nothing, with a key twice, one for two things and one that leads nowhere', () => {
    const menu = {
      ...{ id: 'm', name: 'Menu', extension: freeExtension(testSetup), text: ' ', waitSeconds: 5, turns: 2 },
      keys: [
        { key: '1', to: person.extension },
        { key: '1', to: other.extension },
        { key: '2', to: '298' },
      ],
      ...{ finish: { kind: 'busy' as const }, keeperId: person.id, nameKey: '2' },
    };
    const { setup, problems } = changed(editOf(testSetup, 'menus', 'm', menu));
    expect(problems.map(({ field, sentence }) => [field, sentence])).toEqual([
      ['text', 'Menu says nothing: nobody would know its keys.'],
      ['keys', 'Key 1 of Menu is there twice.'],
      ['nameKey', 'Key 2 of Menu leads somewhere: names can’t be spelled by it.'],
      ['keys', 'Key 2 of Menu leads nowhere: “298”.'],
    ]);
    for (const each of problems) if (each.repair) expect(mends(setup, each)).toBe(true);
  });

  it('that nobody could ever change it again', () => {
    expect(changed(edit('people', 'ada', { administers: undefined })).problems).toMatchObject([
      { table: 'people', field: 'administers' },
    ]);
  });

  it('what was wrong before is no reason to refuse a change', () => {
    const broken = changed(edit('lines', line.id, { ownerId: 'nobody' })).setup;
    const renamed = changeSetup(broken, [edit('people', person.id, { role: 'Owner' })], asked);
    expect(renamed.ok && newProblems(broken, renamed.setup)).toEqual([]);
  });
});

it('the next free extension is one of the office that nobody has', () => {
  const free = freeExtension(testSetup);
  const all = [...testSetup.people, ...testSetup.teams, ...testSetup.menus];
  expect(all.some(({ extension }) => extension === free)).toBe(false);
  const full = {
    ...testSetup,
    people: Array.from({ length: 100 }, (_, at) => ({ ...person, extension: String(200 + at) })),
  };
  expect(freeExtension(full)).toBe('2000');
});
