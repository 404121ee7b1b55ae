import { Buffer } from 'node:buffer';
import fc from 'fast-check';

import { emptyFields } from '@/core/people/contacts';
import { numberingPlan, ukNumbering } from '@/core/numbers/numbering';
import * as files from '.';
import { readCsvTable, signatureOf, writeCsvPeople, writeVCards } from '.';

const plan = numberingPlan(ukNumbering);
const readVCards = (text: string) => files.readVCards(text, plan);
const readCsvPeople = (table: files.CsvTable, fields: readonly files.CsvField[]) =>
  files.readCsvPeople(table, fields, plan);

const card = (...lines: string[]) => ['BEGIN:VCARD', ...lines, 'END:VCARD', ''].join('\r\n');

describe('vCards', () => {
  it('of version 3.0 and 4.0 give name, firm, numbers, mail and note', () => {
    const { people, problems } = readVCards(
      card(
        'VERSION:3.0',
        'FN:Peg Anstey',
        'N:Anstey;Peg;;;',
        'ORG:Lathmoor Farm;Dairy',
        'TEL;TYPE=HOME,VOICE:0117 496 0155',
        'item1.TEL;TYPE=CELL:+44 7700 900155',
        'EMAIL:peg@lathmoor.example',
        'NOTE:Bull in the long',
        '  meadow\\, mind it',
      ) + card('VERSION:4.0', 'FN:Ívor Lamb', 'TEL;VALUE=uri;TYPE=work:tel:+44-131-496-0142'),
    );
    expect(problems).toEqual([]);
    expect(people).toMatchObject([
      {
        name: 'Peg Anstey',
        firm: 'Lathmoor Farm, Dairy',
        numbers: [
          { label: 'home', number: '+441174960155' },
          { label: 'mobile', number: '+447700900155' },
        ],
        mails: ['peg@lathmoor.example'],
        note: 'Bull in the long meadow, mind it',
      },
      { name: 'Ívor Lamb', numbers: [{ label: 'work', number: '+441314960142' }] },
    ]);
  });

  it('of old phones are read: 2.1, quoted-printable over several lines, types without a name', () => {
    const { people, problems } = readVCards(
      card(
        'VERSION:2.1',
        'N;ENCODING=QUOTED-PRINTABLE;CHARSET=UTF-8:M=C3=BCller;J=C3=',
        '=B6rg;;;',
        'TEL;CELL;PREF:07700900123',
        'NOTE;ENCODING=QUOTED-PRINTABLE:caf=E9',
      ),
    );
    expect(problems).toEqual([]);
    expect(people).toMatchObject([
      { name: 'Jörg Müller', numbers: [{ label: 'mobile', number: '+447700900123' }], note: 'café' },
    ]);
  });

  it('without a name take the firm’s; without either they are named by their line, and the rest is kept', () => {
    const { people, problems } = readVCards(
      card('VERSION:3.0', 'FN:', 'ORG:Skerrow Harbour') +
        card('VERSION:3.0', 'TEL:0131 496 0142') +
        card('VERSION:3.0', 'FN:Ann', 'TEL:ring the bell') +
        'BEGIN:VCARD\r\nVERSION:3.0\r\nFN:Cut off',
    );
    expect(people.map(({ name }) => name)).toEqual(['Skerrow Harbour', 'Ann']);
    expect(problems).toEqual([
      { line: 15, sentence: 'This card is cut off: its end is missing.' },
      { line: 6, sentence: 'This card has neither a name nor a firm.' },
      { line: 10, sentence: 'Ann: “ring the bell” is not a phone number outside the office.' },
    ]);
  });

  it('keep a number’s own label with it, out and in, and a name in its parts', () => {
    const file = card(
      'VERSION:3.0',
      'N:Anstey;Peg;;Dr;',
      'FN:Dr Peg Anstey',
      'item1.TEL:0117 496 0155',
      'item1.X-ABLabel:Gate house\\, lower',
      'item2.TEL;TYPE=CELL:07700 900155',
      'item2.X-ABLabel:_$!<Mobile>!$_',
      'TEL;TYPE=WORK:0131 496 0142',
    );
    const [peg] = readVCards(file).people;
    const labels = ['Gate house, lower', 'Mobile', 'work'];
    expect(peg?.numbers.map(({ label }) => label)).toEqual(labels);
    const written = writeVCards([peg!]);
    expect(written).toContain('N:Anstey;Peg;;Dr;');
    const [again] = readVCards(written).people;
    expect(again?.numbers.map(({ label }) => label)).toEqual(labels);
    expect(signatureOf(again!)).toBe(signatureOf(peg!));
    // With another name those parts would be of somebody else.
    expect(writeVCards([{ ...peg!, name: 'Peg Lamb' }])).not.toContain('N:Anstey');
  });

  it('go out with a name for each that stays, and come in again as the same people', () => {
    const people = readVCards(
      card('VERSION:3.0', 'FN:Ann', 'ORG:Yard', 'TEL;TYPE=CELL:07700 900123', 'CATEGORIES:Farms,North'),
    ).people;
    const written = writeVCards(people.map((each) => ({ ...each, uid: 'cendro-c1' })));
    expect(written).toContain('UID:cendro-c1');
    const [again] = readVCards(written).people;
    expect(signatureOf(again!)).toBe(signatureOf(people[0]!));
    // One that came with a name of its own keeps it.
    expect(writeVCards([{ ...again!, uid: 'cendro-c9' }])).not.toContain('cendro-c9');
    expect(signatureOf({ ...again!, note: 'other' })).not.toBe(signatureOf(again!));
  });

  it('as a table carry labels and groups that read back', () => {
    const person = {
      ...emptyFields(),
      name: 'Ann',
      numbers: [
        { label: 'Gate house', number: '+441174960155' },
        { label: 'mobile', number: '+447700900123' },
        { label: 'Gate house', number: '+441174960156' },
        { label: 'number', number: '+441314960142' },
      ],
      groups: ['Farms', 'North'],
    };
    const other = { ...emptyFields(), name: 'Bo', numbers: [{ label: 'fax', number: '+441314960143' }] };
    const table = readCsvTable(writeCsvPeople([person, other]));
    if ('problem' in table) throw new Error(table.problem.sentence);
    expect(readCsvPeople(table, table.fields).people.map(signatureOf)).toEqual(
      [person, other].map(signatureOf),
    );
  });

  it('keep what is not understood', () => {
    const { people } = readVCards(card('VERSION:3.0', 'FN:Ann', 'X-GAUGE:0.2 mm', 'BDAY:1980-01-02'));
    expect(people[0]?.kept).toHaveLength(2);
    expect(people[0]?.kept.join()).toContain('0.2 mm');
  });

  it('give places, groups, a photo, and what follows a number', () => {
    const { people, problems } = readVCards(
      card(
        'VERSION:3.0',
        'FN:Ann',
        'ADR;TYPE=WORK:;;Weir Lane 1;Cawder;;CA1 2AB;',
        'CATEGORIES:Farms,Upper valley',
        'PHOTO;ENCODING=b;TYPE=PNG:iVBORw0KGgo=',
        'TEL;TYPE=WORK:+44 131 496 0142 ext. 42',
        'TEL;TYPE=CELL:07700 900123,,7#',
      ),
    );
    expect(problems).toEqual([]);
    expect(people).toMatchObject([
      {
        places: ['Weir Lane 1, Cawder, CA1 2AB'],
        groups: ['Farms', 'Upper valley'],
        photo: 'data:image/png;base64,iVBORw0KGgo=',
        numbers: [
          { number: '+441314960142', tail: ';ext=42' },
          { number: '+447700900123', tail: ';postd=pppp7#' },
        ],
      },
    ]);
    const again = readVCards(writeVCards(people)).people;
    expect(again).toEqual(people.map((person) => ({ ...person, kept: again[0]?.kept })));
    expect(again[0]?.kept.join()).toContain('["","","Weir Lane 1","Cawder","","CA1 2AB",""]');
  });

  it('take twenty of thirty numbers, leave out a photo of more than 10 MB, and say so', () => {
    const numbers = Array.from({ length: 30 }, (_, at) => `TEL:0131 496 01${at + 10}`);
    const { people, problems } = readVCards(
      card('VERSION:3.0', 'FN:Ann', ...numbers, `PHOTO;ENCODING=b:${'A'.repeat(14_000_001)}`),
    );
    expect(people[0]?.numbers).toHaveLength(20);
    expect(people[0]?.photo).toBeNull();
    expect(problems.map(({ sentence }) => sentence)).toEqual([
      'Ann: the photo is larger than 10 MB.',
      'Ann has 30 numbers: the first 20 are taken.',
    ]);
  });

  it('that are none say so', () => {
    expect(readVCards('hello\nworld').problems).toEqual([
      { line: 1, sentence: 'There is no vCard in this file: none begins with BEGIN:VCARD.' },
    ]);
  });

  it('never throw, whatever stands between their begin and end', () => {
    fc.assert(
      fc.property(fc.array(fc.string()), (lines) => {
        const { people, problems } = readVCards(card('VERSION:3.0', ...lines));
        expect(people.length + problems.length).toBeGreaterThan(0);
      }),
    );
  });
});

describe('people as vCards', () => {
  const written = (people: Parameters<typeof writeVCards>[0]) => readVCards(writeVCards(people));

  it('come back as they went, with what nobody understood', () => {
    const { people } = readVCards(
      card(
        'VERSION:3.0',
        'FN:Ann',
        'X-GAUGE:0.2 mm',
        'ADR;TYPE=HOME:;;Weir Lane 1;Cawder;;;',
        'TEL;TYPE=CELL:07700 900123',
      ),
    );
    const again = written(people);
    expect(again.problems).toEqual([]);
    expect(again.people[0]).toMatchObject({ name: 'Ann', numbers: people[0]?.numbers });
    expect(again.people[0]?.kept.join()).toMatch(/Weir Lane 1.*Cawder.*0\.2 mm/);
  });

  it('keep any name, firm and note, in lines of at most 75 octets', () => {
    const words = fc
      .string({ unit: 'grapheme', minLength: 1, maxLength: 90 })
      .filter((text) => text.trim() === text);
    // In values with parts the parser mistakes a backslash before a semicolon.
    const firms = words.filter((text) => !text.includes('\\'));
    fc.assert(
      fc.property(words, firms, words, (name, firm, note) => {
        const text = writeVCards([{ ...emptyFields(), name, firm, note }]);
        for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
        expect(readVCards(text).people).toMatchObject([{ name, firm: firm === name ? null : firm, note }]);
      }),
    );
  });
});

describe('a table of people', () => {
  const table = (text: string) => {
    const read = readCsvTable(text);
    if ('problem' in read) throw new Error(read.problem.sentence);
    return read;
  };

  it('parted by semicolons, its columns known by their heads', () => {
    const read = table(
      'Vorname;Nachname;Firma;Handy;E-Mail\r\nJörg;Müller;"Wehr; Bau";07700 900123;j@wehr.example\r\n',
    );
    expect(read.fields).toEqual(['given', 'family', 'firm', 'number', 'mail']);
    expect(readCsvPeople(read, read.fields)).toEqual({
      people: [
        {
          ...emptyFields(),
          name: 'Jörg Müller',
          firm: 'Wehr; Bau',
          numbers: [{ label: 'mobile', number: '+447700900123' }],
          mails: ['j@wehr.example'],
        },
      ],
      problems: [],
    });
  });

  it('with other heads is read as it is said to be', () => {
    const read = table('A,B,C\nAnn,0131 496 0142,x\n,,\nBen,twelve,y');
    expect(read.fields).toEqual(['none', 'none', 'none']);
    const { people, problems } = readCsvPeople(read, ['name', 'number', 'none']);
    expect(people.map(({ name, numbers }) => [name, numbers.length])).toEqual([
      ['Ann', 1],
      ['Ben', 0],
    ]);
    expect(problems).toEqual([{ line: 4, sentence: '“twelve” is not a phone number outside the office.' }]);
  });

  it('comes back as it was written, and holds nothing that a spreadsheet would run', () => {
    const people = [
      {
        ...emptyFields(),
        name: '=SUM(A1)',
        firm: 'Wehr; "Bau"',
        numbers: [
          { label: 'number', number: '+441314960142', tail: ';ext=42' },
          { label: 'number', number: '+447700900123' },
        ],
        mails: ['j@wehr.example'],
        groups: ['Farms', 'North'],
        note: 'two\nlines',
      },
      { ...emptyFields(), name: 'Ann' },
    ];
    const written = writeCsvPeople(people);
    expect(written).not.toMatch(/(^|,)"?=/m);
    const read = table(written);
    const [first, second] = readCsvPeople(read, read.fields).people;
    expect(first).toEqual(people[0]);
    expect(second).toEqual(people[1]);
  });

  it('that has no rows is none', () => {
    expect(readCsvTable('just a line')).toMatchObject({ problem: { line: 1 } });
    expect(readCsvTable('')).toMatchObject({ problem: { line: 1 } });
  });
});
