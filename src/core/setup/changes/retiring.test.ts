import { testSetup } from '@/core/calls/exchange/tests/testOffice';
import { randomSetup } from '@/core/calls/exchange/tests/randomOffice';

import { OfficeIndex } from '../OfficeIndex';
import type { OfficeSetup } from '../setup';
import { changeSetup, newProblems, retiring, undoEntry, type Heir, type RetiredTable } from '.';

const asked = { id: '1', byId: 'ada', at: 1 };
const circle = randomSetup();
const offices: OfficeSetup[] = [
  testSetup,
  { ...circle, people: circle.people.map((each) => ({ ...each, administers: each.id === 'p0' })) },
];
const tables: RetiredTable[] = ['people', 'teams', 'lines', 'menus', 'conferences', 'devices'];

/** The office without them. */
function without(setup: OfficeSetup, table: RetiredTable, id: string, heir: Heir | null) {
  const outcome = changeSetup(setup, retiring(setup, table, id, heir), asked);
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.reason));
  return outcome;
}

describe('whoever is retired', () => {
  const cases = offices.flatMap((setup) =>
    tables.flatMap((table) => setup[table].map(({ id }) => ({ setup, table, id, of: setup.name }))),
  );

  it.each(cases)(
    '$table $id of $of is missed by nobody, and is as before once they are back',
    ({ setup, table, id }) => {
      const heirs: Heir[] = (['people', 'teams', 'menus'] as const).flatMap((of) =>
        setup[of].filter((each) => each.id !== id).map((each) => ({ table: of, id: each.id })),
      );
      for (const heir of table === 'lines' || table === 'devices' ? [null] : heirs) {
        const gone = without(setup, table, id, heir);
        const problems = newProblems(setup, gone.setup).filter(
          ({ sentence }) => !/run the office|a line that is gone/.test(sentence),
        );
        expect(problems).toEqual([]);
        expect(gone.setup.retired?.[table].map((each) => each.id)).toEqual([id]);
        const back = undoEntry(gone.setup, gone.entry, { ...asked, id: '2' });
        if (!back.ok) throw new Error(JSON.stringify(back.reason));
        for (const each of tables)
          expect([...back.setup[each]].sort((a, b) => (a.id < b.id ? -1 : 1))).toEqual(
            [...setup[each]].sort((a, b) => (a.id < b.id ? -1 : 1)),
          );
        expect(new OfficeIndex(back.setup).ringPlans).toEqual(new OfficeIndex(setup).ringPlans);
      }
    },
  );

  it('leaves their lines, and what led to them, to the heir', () => {
    const { setup } = without(testSetup, 'people', 'ada', { table: 'people', id: 'ben' });
    expect(setup.lines[0]?.ownerId).toBe('ben');
    expect(setup.devices.some(({ personId }) => personId === 'ada')).toBe(false);
    expect(setup.ringPlans.some(({ personId }) => personId === 'ada')).toBe(false);
  });

  it('takes them out of the plans of others, whose rules go on without them', () => {
    const { setup } = without(testSetup, 'people', 'ben', { table: 'people', id: 'cleo' });
    const rule = setup.ringPlans.find(({ personId }) => personId === 'ada')?.rules[0];
    expect(rule?.stages.flatMap(({ targets }) => targets)).toHaveLength(3);
    expect(setup.teams[0]?.memberIds).toEqual(['cleo']);
  });

  it('leaves nothing of them in the rules of the house', () => {
    const policies = {
      ...testSetup.policies,
      presented: [{ prefix: '+1', lineId: 'field' }],
      outward: { countries: [], exceptIds: ['ben', 'cleo'] },
    };
    const setup = { ...testSetup, policies };
    const withoutBen = without(setup, 'people', 'ben', { table: 'people', id: 'cleo' }).setup;
    expect(withoutBen.policies).toEqual({ ...policies, outward: { countries: [], exceptIds: ['cleo'] } });
    expect(without(setup, 'lines', 'field', null).setup.policies.presented).toEqual([]);
  });

  it('a line takes the rules along that were for it alone, which would else be for every call', () => {
    const { setup } = without(testSetup, 'lines', 'field', null);
    expect(setup.ringPlans.find(({ personId }) => personId === 'ada')?.rules.map(({ id }) => id)).toEqual([
      'any',
    ]);
  });
});
