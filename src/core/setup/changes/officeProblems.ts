import { formatNumber, interpretDialled, numberingPlan, type NumberingPlan } from '@/core/numbers/numbering';
import { weaknessOf } from '@/core/shared/pins';

import { editOf, rowOf, type Edit, type SetupTable } from '../edits';
import { joinWindows, overlapOf } from '../hours';
import { OfficeIndex } from '../OfficeIndex';
import { checkFinish, planProblems } from '../problems';
import type { OfficeSetup, Person, Team } from '../setup';

/** What makes an office impossible to run, at the field where it was entered. */
export interface OfficeProblem {
  table: SetupTable;
  id: string;
  field: string;
  sentence: string;
  /** One tap that mends it; null where it takes a decision. */
  repair: { word: string; edits: Edit[] } | null;
}

const dayNames = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'];

type Say = (problem: Omit<OfficeProblem, 'repair'> & Partial<Pick<OfficeProblem, 'repair'>>) => void;

/** Everything that is wrong with how an office is configured, in the order of its tables. Whether it is wise is another question. */
export function officeProblems(setup: OfficeSetup): readonly OfficeProblem[] {
  const known = found.get(setup);
  if (known) return known;
  const problems = allProblems(setup);
  found.set(setup, problems);
  return problems;
}

/** Setups are not changed but replaced. */
const found = new WeakMap<OfficeSetup, readonly OfficeProblem[]>();

function allProblems(setup: OfficeSetup): OfficeProblem[] {
  const office = new OfficeIndex(setup);
  const problems: OfficeProblem[] = [];
  const say: Say = (problem) => problems.push({ repair: null, ...problem });
  checkExtensions(setup, office, say);
  checkPeople(setup, office, say);
  checkTeams(setup, office, say);
  checkLines(setup, office, say);
  checkDevices(setup, office, say);
  checkMenus(setup, office, say);
  checkConferences(setup, say);
  for (const plan of setup.ringPlans)
    for (const { path, sentence } of planProblems(plan, office))
      say({ table: 'ringPlans', id: plan.personId, field: path.join('.'), sentence });
  return problems;
}

/** Those that a change brings about: what was wrong before is no reason to refuse it. */
export function newProblems(before: OfficeSetup, after: OfficeSetup): OfficeProblem[] {
  const nameOf = ({ table, id, field, sentence }: OfficeProblem) =>
    JSON.stringify([table, id, field, sentence]);
  const known = new Set(officeProblems(before).map(nameOf));
  return officeProblems(after).filter((problem) => !known.has(nameOf(problem)));
}

/** The extensions that nobody has, lowest first. */
export function* freeExtensions({
  people,
  teams,
  menus,
  conferences,
  numbering,
}: OfficeSetup): Generator<string, undefined> {
  const { extension: pattern } = numberingPlan(numbering);
  const taken = new Set([...people, ...teams, ...menus, ...conferences].map(({ extension }) => extension));
  for (let number = 100; number <= 99_999; number++)
    if (pattern.test(String(number)) && !taken.has(String(number))) yield String(number);
  return undefined;
}

/** The next of them; null where all are taken. */
export const freeExtension = (setup: OfficeSetup): string | null =>
  freeExtensions(setup).next().value ?? null;

const numbered = ['people', 'teams', 'menus', 'conferences'] as const;

function checkExtensions(setup: OfficeSetup, { plan }: OfficeIndex, say: Say): void {
  const holders = new Map<string, string>();
  const free = freeExtension(setup);
  const outside = numbered.flatMap((table) =>
    setup[table].filter(({ extension }) => isOutside(extension, plan)),
  );
  if (outside.length > 1) say(outsideRange(outside));
  for (const table of numbered)
    for (const { id, name, extension } of setup[table]) {
      if (outside.length > 1 && isOutside(extension, plan)) continue;
      const holder = holders.get(extension);
      const isOne = interpretDialled(extension, plan).kind === 'extension';
      if (isOne && holder === undefined) {
        holders.set(extension, name);
        continue;
      }
      const sentence = isOne
        ? `${holder ?? 'Somebody'} has the extension ${extension} already.`
        : `“${extension}” is not an extension of this office.`;
      const row = rowOf(setup, table, id);
      const edits: Edit[] = free === null ? [] : [editOf(setup, table, id, { ...row, extension: free })];
      const repair = free === null ? null : { word: `Give ${name} the extension ${free}`, edits };
      say({ table, id, field: 'extension', sentence, repair });
    }
}

/** Written like an extension, and not one of the office's. */
const isOutside = (extension: string, plan: NumberingPlan) =>
  /^\d{3,5}$/.test(extension) && interpretDialled(extension, plan).kind !== 'extension';

/** Several at once: the office's numbering does not fit them. */
function outsideRange(holders: readonly { name: string; extension: string }[]): Parameters<Say>[0] {
  const named = holders.slice(0, 3).map(({ name, extension }) => `${extension} (${name})`);
  const more = holders.length - named.length;
  return {
    ...{ table: 'office', id: 'numbering', field: 'extensions' },
    sentence: `${named.join(', ')}${more > 0 ? ` and ${more} more` : ''} would be no extensions any more. Let them begin so too, until everybody has another.`,
  };
}

function checkPeople(setup: OfficeSetup, office: OfficeIndex, say: Say): void {
  const [line] = setup.lines;
  if (!setup.people.some(({ administers }) => administers))
    say({
      ...{ table: 'people', id: setup.people[0]?.id ?? '', field: 'administers' },
      sentence: 'Somebody has to run the office: nobody else could ever change it.',
    });
  for (const person of setup.people) {
    const { id, name, presentedLineId } = person;
    if (name.trim() === '')
      say({ table: 'people', id, field: 'name', sentence: 'Whoever they are needs a name.' });
    checkAnsweredBy(setup, office, person, say);
    if (office.lines.has(presentedLineId)) continue;
    const repair = line && {
      word: `Show the number of ${line.name}`,
      edits: [editOf(setup, 'people', id, { ...person, presentedLineId: line.id })],
    };
    say({
      ...{
        table: 'people',
        id,
        field: 'presentedLineId',
        sentence: `${name} shows the number of a line that is gone.`,
      },
      repair: repair ?? null,
    });
  }
}

function checkAnsweredBy(setup: OfficeSetup, office: OfficeIndex, person: Person, say: Say): void {
  const { id, name, answeredBy = [] } = person;
  const here = answeredBy.filter((each) => each.personId !== id && office.people.has(each.personId));
  if (here.length === answeredBy.length) return;
  const isOwn = answeredBy.some(({ personId }) => personId === id);
  say({
    ...{ table: 'people', id, field: 'answeredBy' },
    sentence: isOwn ? `${name} can’t answer for themselves.` : `Somebody who answers for ${name} is gone.`,
    repair: {
      word: 'Take them out',
      edits: [editOf(setup, 'people', id, { ...person, answeredBy: here })],
    },
  });
}

function checkTeams(setup: OfficeSetup, office: OfficeIndex, say: Say): void {
  for (const team of setup.teams) {
    const { id, name, memberIds } = team;
    if (name.trim() === '') say({ table: 'teams', id, field: 'name', sentence: 'The team needs a name.' });
    const here = memberIds.filter((memberId) => office.people.has(memberId));
    if (here.length < memberIds.length)
      say({
        ...{ table: 'teams', id, field: 'memberIds', sentence: `${name} has a member who is gone.` },
        repair: { word: 'Take them out', edits: [editOf(setup, 'teams', id, { ...team, memberIds: here })] },
      });
    if (team.queue && memberIds.length === 0)
      say({
        table: 'teams',
        id,
        field: 'memberIds',
        sentence: `Nobody of ${name} could take who waits for it.`,
      });
    checkTeamHours(setup, team, say);
    checkTeamFinishes(team, office, say);
  }
}

function checkTeamHours(setup: OfficeSetup, team: Team, say: Say): void {
  const { id, name, hours } = team;
  const day = hours && overlapOf(hours.open);
  if (!hours || day === undefined || day === null) return;
  const joined = { ...team, hours: { ...hours, open: joinWindows(hours.open) } };
  say({
    ...{ table: 'teams', id, field: 'hours', sentence: `The hours of ${name} overlap on ${dayNames[day]}.` },
    repair: { word: 'Make them one', edits: [editOf(setup, 'teams', id, joined)] },
  });
}

/** Where a team's calls end, by its hours and its queue. */
function checkTeamFinishes(team: Team, office: OfficeIndex, say: Say): void {
  const { id, name, extension, hours, queue } = team;
  const finishes = {
    closedFinish: hours?.closedFinish,
    fullFinish: queue?.fullFinish,
    longFinish: queue?.longFinish,
    nobodyFinish: queue?.nobodyFinish,
  };
  for (const [field, finish] of Object.entries(finishes)) {
    if (!finish) continue;
    checkFinish(finish, [], office, (_, sentence) => say({ table: 'teams', id, field, sentence }));
    if (finish.kind === 'forward' && finish.to === extension)
      say({ table: 'teams', id, field, sentence: `${name} would forward its calls to itself.` });
  }
}

function checkLines(setup: OfficeSetup, office: OfficeIndex, say: Say): void {
  const numbers = new Map<string, string>();
  for (const { id, name, number, ownerId } of setup.lines) {
    if (name.trim() === '') say({ table: 'lines', id, field: 'name', sentence: 'The line needs a name.' });
    const holder = numbers.get(number);
    if (holder === undefined) numbers.set(number, name);
    else say({ table: 'lines', id, field: 'number', sentence: `${holder} has this number already.` });
    if (![office.people, office.teams, office.menus, office.conferences].some((each) => each.has(ownerId)))
      say({
        table: 'lines',
        id,
        field: 'ownerId',
        sentence: `${name} belongs to nobody: a call to it reaches nobody.`,
      });
  }
}

function checkDevices(setup: OfficeSetup, office: OfficeIndex, say: Say): void {
  for (const { id, name, personId } of setup.devices)
    if (personId !== null && !office.people.has(personId))
      say({
        ...{ table: 'devices', id, field: 'personId', sentence: `${name} belongs to somebody who is gone.` },
        repair: { word: 'Take it away', edits: [editOf(setup, 'devices', id, null)] },
      });
}

function checkConferences(setup: OfficeSetup, say: Say): void {
  const table = 'conferences';
  const plan = numberingPlan(setup.numbering);
  for (const { id, name, extension, pin, hostPin } of setup.conferences) {
    if (name.trim() === '') say({ table, id, field: 'name', sentence: 'The conference needs a name.' });
    const numbers = [
      extension,
      ...setup.lines.filter(({ ownerId }) => ownerId === id).map(({ number }) => formatNumber(number, plan)),
    ];
    for (const [field, value] of Object.entries({ pin, hostPin })) {
      const weakness = weaknessOf(value, numbers);
      if (weakness !== null) say({ table, id, field, sentence: weakness });
    }
    if (pin === hostPin && pin !== '')
      say({ table, id, field: 'hostPin', sentence: 'Both PINs are the same: everybody would be a host.' });
  }
}

function checkMenus(setup: OfficeSetup, office: OfficeIndex, say: Say): void {
  for (const menu of setup.menus) {
    const { id, name, text, greetings = [], keys, keeperId } = menu;
    if (
      [text, ...[...greetings, ...(menu.languages ?? [])].map((each) => each.text)].some(
        (each) => each.trim() === '',
      )
    )
      say({
        table: 'menus',
        id,
        field: 'text',
        sentence: `${name} says nothing: nobody would know its keys.`,
      });
    const twice = keys.find(({ key }, at) => keys.findIndex((each) => each.key === key) < at);
    if (twice) {
      const once = keys.filter(({ key }, at) => keys.findIndex((each) => each.key === key) === at);
      say({
        ...{ table: 'menus', id, field: 'keys', sentence: `Key ${twice.key} of ${name} is there twice.` },
        repair: { word: 'Keep the first', edits: [editOf(setup, 'menus', id, { ...menu, keys: once })] },
      });
    }
    const { languages = [], ...rest } = menu;
    const isTaken = (key: string) => key === menu.nameKey || keys.some((each) => each.key === key);
    const twofold = languages.find(
      ({ key }, at) => isTaken(key) || languages.findIndex((each) => each.key === key) < at,
    );
    if (twofold) {
      const others = languages.filter((each) => each !== twofold);
      const after = others.length > 0 ? { ...rest, languages: others } : rest;
      say({
        ...{ table: 'menus', id, field: 'languages' },
        sentence: `Key ${twofold.key} of ${name} does something else: ${twofold.language} can’t be chosen by it.`,
        repair: { word: `Leave out ${twofold.language}`, edits: [editOf(setup, 'menus', id, after)] },
      });
    }
    const { nameKey, ...withoutNames } = menu;
    if (nameKey !== undefined && keys.some(({ key }) => key === nameKey))
      say({
        ...{ table: 'menus', id, field: 'nameKey' },
        sentence: `Key ${nameKey} of ${name} leads somewhere: names can’t be spelled by it.`,
        repair: { word: 'Spell no names', edits: [editOf(setup, 'menus', id, withoutNames)] },
      });
    for (const { key, to } of keys) {
      const dialled = interpretDialled(to, office.plan);
      const { extension } = dialled.kind === 'extension' ? dialled : { extension: null };
      const isSomebody =
        extension === null
          ? dialled.kind === 'national' || dialled.kind === 'international'
          : [
              ...[office.peopleByExtension, office.teamsByExtension],
              ...[office.menusByExtension, office.conferencesByExtension],
            ].some((each) => each.has(extension));
      if (!isSomebody)
        say({
          ...{ table: 'menus', id, field: 'keys', sentence: `Key ${key} of ${name} leads nowhere: “${to}”.` },
          repair: {
            word: `Take key ${key} away`,
            edits: [editOf(setup, 'menus', id, { ...menu, keys: keys.filter((each) => each.key !== key) })],
          },
        });
    }
    if (!office.people.has(keeperId))
      say({
        table: 'menus',
        id,
        field: 'keeperId',
        sentence: `Whoever is told of calls that leave ${name} is gone.`,
      });
  }
}
