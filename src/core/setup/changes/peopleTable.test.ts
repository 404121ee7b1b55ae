import { testSetup } from '@/core/calls/exchange/tests/testOffice';

import { changeSetup, newProblems, placesEdits, readPeopleTable } from '.';

const asked = { id: '1', byId: 'ada', at: 1 };

describe('people out of a table', () => {
  it('come with what it says of them, and with the next free extension where it says none', () => {
    const { people, problems } = readPeopleTable(
      [
        'Name;Role;Extension;Phones;Teams',
        'Eve;Fitter;;desk, mobile;yard',
        'Finn;;220;;',
        ';;;;',
        'Gus;"Mate, second year";;app;',
      ].join('\r\n'),
      testSetup,
    );
    expect(problems).toEqual([]);
    expect(people).toMatchObject([
      {
        line: 2,
        place: {
          name: 'Eve',
          role: 'Fitter',
          extension: '200',
          phones: ['new desk', 'new mobile'],
          teamIds: ['yard'],
        },
      },
      { line: 3, place: { name: 'Finn', extension: '220', phones: ['new desk'] } },
      { line: 5, place: { name: 'Gus', role: 'Mate, second year', extension: '202', phones: ['new app'] } },
    ]);
    const outcome = changeSetup(
      testSetup,
      placesEdits(
        testSetup,
        people.map(({ place }) => place),
      ),
      asked,
    );
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.reason));
    expect(newProblems(testSetup, outcome.setup)).toEqual([]);
    expect(outcome.setup.teams[0]?.memberIds).toHaveLength(3);
  });

  it('of which some can’t come are told by line, and the others come: 300, of which 4', () => {
    const rows = Array.from({ length: 300 }, (_, index) => `Person ${index},,,desk,`);
    rows[9] = ',,,desk,';
    rows[49] = 'Kim,,214,desk,';
    rows[149] = 'Lou,,,pager,';
    rows[299] = 'Max,,,desk,Orchestra';
    const { people, problems } = readPeopleTable(
      ['name,role,extension,phones,teams', ...rows].join('\n'),
      testSetup,
    );
    expect(problems).toEqual([
      { line: 11, sentence: 'Nobody is named here.' },
      { line: 51, sentence: 'Ada has the extension 214 already.' },
      { line: 151, sentence: 'There is no phone “pager”: it can be app, desk or mobile.' },
      { line: 301, sentence: 'There is no team “orchestra”.' },
    ]);
    expect(people).toHaveLength(296);
    expect(new Set(people.map(({ place }) => place.extension)).size).toBe(296);
    const outcome = changeSetup(
      testSetup,
      placesEdits(
        testSetup,
        people.map(({ place }) => place),
      ),
      asked,
    );
    expect(outcome.ok && newProblems(testSetup, outcome.setup)).toEqual([]);
  });

  it('an extension that it gives twice is given once, and one that is none is said', () => {
    const { people, problems } = readPeopleTable('name,extension\nEve,230\nFinn,230\nGus,12', testSetup);
    expect(people.map(({ line }) => line)).toEqual([2]);
    expect(problems.map(({ sentence }) => sentence)).toEqual([
      'Eve has the extension 230 already.',
      '“12” is not an extension of this office.',
    ]);
  });

  it('something that is no table says so', () => {
    expect(readPeopleTable('hello', testSetup).problems).toMatchObject([{ line: 1 }]);
    expect(readPeopleTable('', testSetup)).toMatchObject({ people: [], problems: [{ line: 1 }] });
  });
});
