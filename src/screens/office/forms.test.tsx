import { sampleOffice } from '@sample';

import { OfficeIndex, type OfficeSetup } from '@/core/setup';
import { changeSetup, officeProblems } from '@/core/setup/changes';
import type { Edit } from '@/core/setup/edits';

import { asLineForm, lineEdits, lineFormSchema } from './lines/lineForm';
import { asMenuForm, menuEdits, menuFormSchema, spokenMenu } from './menus/menuForm';
import { asPersonForm, personEdits, personFormSchema } from './people/personForm';
import { asNewOffice, beginFormSchema, blankForm } from './beginForm';
import { asRulesForm, rulesEdits, rulesFormSchema } from './rules/rulesForm';
import { asTeamForm, teamEdits, teamFormSchema } from './teams/teamForm';

const asked = { id: '1', byId: 'maren', at: 1 };

function after(edits: Edit[], setup: OfficeSetup = sampleOffice): OfficeSetup {
  const outcome = changeSetup(setup, edits, asked);
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.reason));
  return outcome.setup;
}

describe('a form that is kept as it was opened', () => {
  const recorded = { recording: 'never' } as const;
  const full: OfficeSetup = {
    ...sampleOffice,
    people: sampleOffice.people.map((person) => ({
      ...{ ...person, ...recorded, may: ['seeFigures'] as const },
      answeredBy: [{ personId: person.id === 'ilse' ? 'kofi' : 'ilse', showsMine: true }],
    })),
    lines: sampleOffice.lines.map((line) => ({ ...line, ...recorded, isKeptToOwner: true })),
    teams: sampleOffice.teams.map((team) => ({ ...team, ...recorded })),
    menus: sampleOffice.menus.map((menu) => ({
      ...{ ...menu, dialsExtensions: true, nameKey: '9' },
      languages: [{ key: '*', language: 'Cymraeg', text: 'Croeso.' }],
      greetings: [{ hours: [{ days: [0, 6], from: '08:00', to: '12:00' }], text: 'It is the weekend.' }],
    })),
    policies: {
      ...sampleOffice.policies,
      keptAtMostDays: { texts: 60, recordings: 30 },
      outward: {
        ...{ countries: ['+353', '+33'], mostPerMinuteMicros: 25_000, exceptIds: ['kofi'] },
        lockedAbroad: [{ days: [1, 2, 3, 4, 5], from: '18:00', to: '24:00' }],
      },
    },
  };

  it.each([
    ['the sample', sampleOffice],
    ['one in which all is said', full],
  ])('changes nothing in %s', (_, setup) => {
    const { people, lines, teams, menus } = setup;
    const all = [
      ...people.map((person) => personEdits(setup, person, asPersonForm(setup, person))),
      ...lines.map((line) => lineEdits(setup, line, asLineForm(setup, line))),
      ...teams.map((team) => teamEdits(setup, team, asTeamForm(setup, team))),
      ...menus.map((menu) => menuEdits(setup, menu, asMenuForm(setup, menu))),
      rulesEdits(setup, asRulesForm(setup)),
    ];
    for (const edits of all)
      expect(changeSetup(setup, edits, asked)).toEqual({
        ok: false,
        reason: { code: 'nothingToChange' },
      });
  });
});

describe('somebody new', () => {
  const form = {
    ...asPersonForm(sampleOffice, null),
    ...{ name: 'Wynn Abara', role: 'Surveyor', phones: ['new desk', 'new mobile'], teamIds: ['field-team'] },
  };

  it('is begun with the next free extension, and has phones, a team and a first plan, with nothing wrong', () => {
    expect(form.extension).toBe('202');
    expect(personFormSchema.safeParse(form).success).toBe(true);
    const setup = after(personEdits(sampleOffice, null, form));
    expect(officeProblems(setup)).toEqual(officeProblems(sampleOffice));
    const person = setup.people.find(({ name }) => name === 'Wynn Abara');
    const phones = setup.devices.filter(({ personId }) => personId === person?.id);
    expect(phones.map(({ kind }) => kind)).toEqual(['desk', 'mobile']);
    expect(setup.teams.find(({ id }) => id === 'field-team')?.memberIds.at(-1)).toBe(person?.id);
    const plan = setup.ringPlans.find(({ personId }) => personId === person?.id);
    // A mobile’s own mailbox never takes a call of theirs.
    expect(plan?.rules[0]?.stages[0]?.targets).toMatchObject([
      { deviceId: phones[0]?.id },
      { deviceId: phones[1]?.id, acceptKey: true },
    ]);
  });

  it('without a name is asked for one', () => {
    const read = personFormSchema.safeParse({ ...form, name: ' ' });
    expect(read.error?.issues).toMatchObject([{ path: ['name'], message: 'Say who they are.' }]);
  });
});

it('phones that are taken away are in no plan any more, and the plan goes on with the others', () => {
  const maren = sampleOffice.people.find(({ id }) => id === 'maren') ?? null;
  const form = { ...asPersonForm(sampleOffice, maren), phones: ['maren-app'] };
  const setup = after(personEdits(sampleOffice, maren, form));
  expect(officeProblems(setup)).toEqual([]);
  expect(JSON.stringify(setup.ringPlans)).not.toMatch(/maren-(desk|mobile)/);
  expect(JSON.stringify(setup.ringPlans)).toContain('maren-app');
});

it('what somebody says of themselves meanwhile stays when their form is kept', () => {
  const maren = sampleOffice.people.find(({ id }) => id === 'maren') ?? null;
  const edits = personEdits(sampleOffice, maren, { ...asPersonForm(sampleOffice, maren), role: 'Lead' });
  const away = sampleOffice.people.map((each) =>
    each.id === 'maren' ? { ...each, situation: { id: 'van', word: 'A9', until: null } } : each,
  );
  const setup = after(edits, { ...sampleOffice, people: away });
  expect(setup.people.find(({ id }) => id === 'maren')).toMatchObject({
    role: 'Lead',
    situation: { word: 'A9' },
  });
});

it('a new line has a number that nobody has, and a cord that can be told from the others', () => {
  const form = { ...asLineForm(sampleOffice, null), name: 'Depot' };
  expect(lineFormSchema.safeParse(form).success).toBe(true);
  const setup = after(lineEdits(sampleOffice, null, form));
  const line = setup.lines.at(-1);
  expect(officeProblems(setup)).toEqual([]);
  expect(sampleOffice.lines.map(({ cord }) => JSON.stringify(cord))).not.toContain(
    JSON.stringify(line?.cord),
  );
});

it('a team needs somebody in it, and words for its mailbox', () => {
  const form = { ...asTeamForm(sampleOffice, null), name: 'Night', greeting: '' };
  expect(teamFormSchema.safeParse(form).error?.issues.map(({ path }) => path[0])).toContain('memberIds');
  const read = teamFormSchema.safeParse({ ...form, memberIds: ['ilse'] });
  expect(read.error?.issues.map(({ path }) => path[0])).toEqual(['greeting']);
  const setup = after(teamEdits(sampleOffice, null, { ...form, memberIds: ['ilse'], otherwise: 'busy' }));
  expect(setup.teams.at(-1)).toMatchObject({ name: 'Night', memberIds: ['ilse'] });
});

it('the rules of the house say what is wrong at its field, and change nothing else of them', () => {
  const form = { ...asRulesForm(sampleOffice), zone: 'Europe/Atlantis', slots: '1, 1, 123' };
  // A comma alone names no country, and is not "none of them".
  const comma = { ...asRulesForm(sampleOffice), abroad: 'some', countries: ' , ' };
  expect(rulesFormSchema.safeParse(comma).error?.issues).toMatchObject([
    { path: ['countries'], message: 'Say which: +353 for Ireland.' },
  ]);
  const bad = rulesFormSchema.safeParse({ ...form, barred: [{ prefix: '0900', why: '' }] });
  expect([...new Set(bad.error?.issues.map(({ path }) => path.join('.')))].sort()).toEqual([
    ...['barred.0.prefix', 'barred.0.why', 'slots', 'zone'],
  ]);
  const setup = after(
    rulesEdits(sampleOffice, { ...asRulesForm(sampleOffice), mayWithhold: false, slots: '7, 8' }),
  );
  expect(setup.parkSlots).toEqual(['7', '8']);
  expect(setup.policies).toEqual({ ...sampleOffice.policies, mayWithhold: false });
});

it('the rules of the house change how numbers are read, and say what can’t be', () => {
  const form = asRulesForm(sampleOffice);
  const wrong = rulesFormSchema.safeParse({
    ...form,
    ...{ emergency: ' , ', services: { ...form.services, join: '84', pickUp: '8' } },
    extensions: { begin: '0, 2', least: 5, most: 4 },
  });
  expect([...new Set(wrong.error?.issues.map(({ path }) => path.join('.')))].sort()).toEqual([
    ...['emergency', 'extensions', 'extensions.begin', 'services.join', 'services.pickUp'],
  ]);
  const irish = { ...form, country: 'IE', emergency: '112, 999' } as const;
  const setup = after(
    rulesEdits(sampleOffice, { ...irish, extensions: { begin: '2, 3', least: 3, most: 4 } }),
  );
  expect(setup.numbering).toEqual({
    ...{ country: 'IE', emergency: ['112', '999'], services: sampleOffice.numbering.services },
    extensions: { begin: ['2', '3'], least: 3, most: 4 },
  });
});

it('an office is begun where its number is one of its country', () => {
  const form = { ...blankForm('Europe/Dublin', 'IE'), name: 'Tarn Edge', personName: 'Ada Ferris' };
  const [issue] = beginFormSchema.safeParse(form).error?.issues ?? [];
  expect(issue).toMatchObject({ path: ['written'] });
  expect(issue?.message).toBe('Type a whole phone number, for example +353 and the rest.');
  expect(asNewOffice({ ...form, written: '01 234 5678' }).number).toBe('+35312345678');
  const american = { ...blankForm('America/New_York', 'US'), name: 'Tarn Edge', personName: 'Ada Ferris' };
  expect(asNewOffice(beginFormSchema.parse(american)).number).toBe('+12025550100');
});

it('a menu can say by itself what its keys do', () => {
  const keys = [
    { key: '1', to: '250' },
    { key: '#', to: '201' },
    { key: '3', to: ' ' },
  ];
  const office = new OfficeIndex(sampleOffice);
  const said = 'Welcome to Orrin Vale Gauging. For Field team, press 1. For Ilse Varga, press hash.';
  expect(spokenMenu({ keys, dialsExtensions: false, nameKey: '' }, office)).toBe(said);
  expect(spokenMenu({ keys, dialsExtensions: true, nameKey: '*' }, office)).toBe(
    `${said} If you know the extension, dial it. To spell a name, press star.`,
  );
});

it('a key of a menu that leads nowhere is said at the keys, with what mends it', () => {
  const form = { ...asMenuForm(sampleOffice, null), name: 'Front', keys: [{ key: '1', to: '298' }] };
  expect(menuFormSchema.safeParse(form).success).toBe(true);
  const setup = after(menuEdits(sampleOffice, null, form));
  const [problem] = officeProblems(setup);
  expect(problem).toMatchObject({ table: 'menus', field: 'keys' });
  expect(problem?.sentence).toBe('Key 1 of Front leads nowhere: “298”.');
  expect(after(problem?.repair?.edits ?? [], setup).menus.at(-1)?.keys).toEqual([]);
});
