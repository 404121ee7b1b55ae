import { emptyOffice, OfficeIndex, type RingPlan, type Situation } from '@/core/setup';
import { ringsIn, setRingsIn, withoutSituation, withSituationBack } from '.';

const office = new OfficeIndex({
  ...emptyOffice,
  people: [{ id: 'ada', name: 'Ada', role: '', extension: '214', presentedLineId: '' }],
  lines: [
    {
      id: 'flood',
      name: 'Flood desk',
      number: '+441314960199',
      cord: { hue: 1, stroke: 'dotted' },
      urgent: true,
      ownerId: 'ada',
    },
  ],
  devices: [
    { id: 'desk', personId: 'ada', kind: 'desk', name: 'desk phone', callLimit: 2 },
    { id: 'van', personId: 'ada', kind: 'mobile', name: 'van phone', callLimit: 2 },
  ],
});
const bench: Situation = { id: 'bench', name: 'At the bench', shows: 'free' };
const mailbox = { kind: 'mailbox', personId: 'ada' } as const;
const rule = (id: string, more: Partial<RingPlan['rules'][number]> = {}) => ({
  id,
  name: id,
  lineIds: [],
  stages: [],
  finish: mailbox,
  ...more,
});
const plan: RingPlan = {
  personId: 'ada',
  rules: [rule('urgent', { lineIds: ['flood'] }), rule('any')],
};

describe('what rings in a situation', () => {
  it('is what the plan says, until phones are named; an urgent line keeps its rule before it', () => {
    expect(ringsIn(plan, 'bench')).toEqual({ kind: 'plan' });
    const named = setRingsIn(plan, bench, ['van'], office);
    expect(ringsIn(named, 'bench')).toEqual({ kind: 'devices', deviceIds: ['van'] });
    expect(named.rules.map(({ name }) => name)).toEqual(['urgent', 'At the bench', 'any']);
    // A mobile's own mailbox would take the call.
    expect(named.rules[1]?.stages[0]?.targets).toEqual([
      { deviceId: 'van', startSeconds: 0, acceptKey: true },
    ]);
    const silent = setRingsIn(named, { ...bench, name: 'Soldering' }, [], office);
    expect(ringsIn(silent, 'bench')).toEqual({ kind: 'devices', deviceIds: [] });
    expect(silent.rules.map(({ name }) => name)).toEqual(['urgent', 'Soldering', 'any']);
    expect(setRingsIn(silent, bench, null, office)).toEqual(plan);
  });

  it('is a rule that says more than phones, and stays as it is', () => {
    const two = { targets: [{ deviceId: 'desk', startSeconds: 0 }], length: { seconds: 20 } };
    const own = rule('own', { when: { situationIds: ['bench'] }, stages: [two, two] });
    expect(ringsIn({ ...plan, rules: [own] }, 'bench')).toEqual({ kind: 'rule', name: 'own' });
    const alsoHours = rule('hours', { when: { situationIds: ['bench'], workingHours: true } });
    expect(ringsIn({ ...plan, rules: [alsoHours] }, 'bench')).toEqual({ kind: 'plan' });
  });

  it('taken out, takes its rule along and leaves those that ask for others too', () => {
    const both = rule('both', { when: { situationIds: ['bench', 'van'] } });
    const greetings = [{ id: 'g', name: 'Bench', text: 'x', situationIds: ['bench'] }];
    const without = withoutSituation({ ...setRingsIn(plan, bench, ['desk'], office), greetings }, 'bench');
    expect(without).toEqual({ ...plan, greetings: [] });
    expect(withoutSituation({ ...plan, rules: [both] }, 'bench').rules[0]?.when).toEqual({
      situationIds: ['van'],
    });
  });

  it('put back, has what was taken along, and what was changed since stays', () => {
    const both = rule('both', { when: { situationIds: ['bench', 'van'] } });
    const greetings = [{ id: 'g', name: 'Bench', text: 'x', situationIds: ['bench'] }];
    const named = setRingsIn(plan, bench, ['desk'], office);
    const before = { ...named, rules: [...named.rules, both], greetings };
    const without = withoutSituation(before, 'bench');
    expect(withSituationBack(without, before, 'bench')).toEqual(before);
    const since = { ...without, rules: without.rules.map((each) => ({ ...each, name: `${each.name}!` })) };
    const back = withSituationBack(since, before, 'bench');
    expect(back.rules.map(({ name }) => name)).toEqual(['urgent!', 'At the bench', 'any!', 'both']);
  });
});
