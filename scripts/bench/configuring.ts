import { emptyOffice, firstPlan, type OfficeSetup } from '@/core/setup';
import { changeSetup, newProblems, officeProblems, retiring, undoEntry } from '@/core/setup/changes';
import { editOf, rowOf, type SetupEntry } from '@/core/setup/edits';

import type { Figure } from './figures';

/** An office of 500 people with two phones each, 200 lines, 40 teams and 30 menus. */
export function largeOffice(): OfficeSetup {
  const extension = (index: number) => String(2000 + index);
  const people = Array.from({ length: 500 }, (_, index) => ({
    ...{ id: `p${index}`, name: `Person ${index}`, role: 'Technician', presentedLineId: 'l0' },
    ...{ extension: extension(index), administers: index === 0 },
  }));
  const devices = people.flatMap(({ id }) => [
    { id: `${id}-desk`, personId: id, kind: 'desk' as const, name: 'desk phone', callLimit: 2 },
    { id: `${id}-mobile`, personId: id, kind: 'mobile' as const, name: 'mobile', callLimit: 2 },
  ]);
  return {
    ...emptyOffice,
    name: 'Large office',
    people,
    devices,
    ringPlans: people.map(({ id }) =>
      firstPlan(
        id,
        devices.filter(({ personId }) => personId === id),
      ),
    ),
    teams: Array.from({ length: 40 }, (_, index) => ({
      ...{ id: `t${index}`, name: `Team ${index}`, extension: extension(500 + index) },
      memberIds: Array.from({ length: 12 }, (__, at) => `p${(index * 12 + at) % 500}`),
    })),
    menus: Array.from({ length: 30 }, (_, index) => ({
      ...{ id: `m${index}`, name: `Menu ${index}`, extension: extension(540 + index), text: 'Press a key.' },
      keys: [1, 2, 3].map((key) => ({ key: String(key), to: extension((index * 7 + key) % 100) })),
      ...{ waitSeconds: 5, turns: 2, finish: { kind: 'busy' as const }, keeperId: 'p0' },
    })),
    lines: Array.from({ length: 200 }, (_, index) => ({
      ...{ id: `l${index}`, name: `Line ${index}`, number: `+44131496${String(index).padStart(4, '0')}` },
      ...{ cord: { hue: index % 6, stroke: 'solid' as const }, urgent: false, ownerId: `p${index}` },
    })),
  };
}

const round = (value: number) => Math.round(value * 10) / 10;

/** Changing a large office: an edit with all that would be wrong, somebody retired, all changes of a log taken back. */
export function benchConfiguring(): Figure[] {
  const setup = largeOffice();
  const timed = (act: () => void, times: number) => {
    act();
    const from = performance.now();
    for (let time = 0; time < times; time++) act();
    return (performance.now() - from) / times;
  };
  const asked = { id: '1', byId: 'p0', at: 0 };
  const edit = editOf(setup, 'people', 'p7', { ...rowOf(setup, 'people', 'p7'), role: 'Lead' });
  const editMs = timed(() => {
    const changed = changeSetup(setup, [edit], asked);
    if (changed.ok) newProblems(setup, changed.setup);
  }, 10);
  const retireMs = timed(() => {
    const changed = changeSetup(setup, retiring(setup, 'people', 'p7', { table: 'people', id: 'p8' }), asked);
    if (changed.ok) newProblems(setup, changed.setup);
  }, 10);
  // As it is read anew: nothing of it is known.
  const wholeMs = timed(() => void officeProblems(structuredClone(setup)), 10);
  const { changes, perSecond } = randomChanges(setup, 500);
  return [
    {
      name: 'office of 500: all that is wrong with it',
      value: round(wholeMs),
      unit: 'ms',
      aim: 'under 2000',
      most: 2_000,
    },
    {
      name: 'office of 500: an edit and what would be wrong',
      value: round(editMs),
      unit: 'ms',
      aim: 'under 100',
      most: 100,
    },
    {
      name: 'office of 500: somebody retired and all that names them',
      value: round(retireMs),
      unit: 'ms',
      aim: 'under 100',
      most: 100,
    },
    {
      name: `office of 500: ${changes} random changes and undos`,
      value: perSecond,
      unit: '/s',
      aim: 'valid after each',
    },
  ];
}

/** People come, change and go, and some of it is taken back; after each the office must be as valid as before. */
function randomChanges(begun: OfficeSetup, changes: number): { changes: number; perSecond: number } {
  let setup = begun;
  const log: SetupEntry[] = [];
  const from = performance.now();
  for (let number = 1; number <= changes; number++) {
    const mixed = (number * 7_919) % 499;
    const person = setup.people[1 + (mixed % (setup.people.length - 1))];
    const asked = { id: String(number), byId: 'p0', at: number };
    const last = log.at(-1);
    const outcome =
      number % 3 === 0 && last
        ? undoEntry(setup, last, asked)
        : number % 3 === 1 && person
          ? changeSetup(setup, retiring(setup, 'people', person.id, { table: 'people', id: 'p0' }), asked)
          : changeSetup(
              setup,
              [editOf(setup, 'people', 'p0', { ...rowOf(setup, 'people', 'p0'), role: `Lead ${number}` })],
              asked,
            );
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.reason));
    ({ setup } = outcome);
    log.push(outcome.entry);
    if (officeProblems(setup).length > officeProblems(begun).length) throw new Error('The office is broken.');
  }
  const seconds = (performance.now() - from) / 1000;
  return { changes, perSecond: Math.round(changes / seconds) };
}
