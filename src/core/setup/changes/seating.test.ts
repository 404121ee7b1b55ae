import { testSetup } from '@/core/calls/exchange/tests/testOffice';

import { changeSetup, newProblems, seating } from '.';

const seated = (personId: string) => {
  const outcome = changeSetup(testSetup, seating(testSetup, personId), { id: '1', byId: 'ada', at: 1 });
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.reason));
  return outcome.setup;
};

describe('whoever is to use an app', () => {
  it('gets one that rings where another phone of theirs does, and as soon as that', () => {
    const [rule] = testSetup.ringPlans.find(({ personId }) => personId === 'ada')?.rules ?? [];
    if (!rule) throw new Error('No rule');
    const stages = [{ length: { seconds: 20 }, targets: [{ deviceId: 'ben-desk', startSeconds: 7 }] }];
    const ringPlans = [
      { personId: 'ben', rules: [{ ...rule, id: 'ben', stages: [...stages, ...rule.stages.slice(0, 1)] }] },
    ];
    const setup = { ...testSetup, ringPlans };
    const outcome = changeSetup(setup, seating(setup, 'ben'), { id: '1', byId: 'ada', at: 1 });
    if (!outcome.ok) throw new Error('Refused');
    const [own, others] = outcome.setup.ringPlans[0]?.rules[0]?.stages ?? [];
    expect(own?.targets).toEqual([...(stages[0]?.targets ?? []), { deviceId: 'ben-app', startSeconds: 7 }]);
    // Where nothing of theirs rings, it does not either.
    expect(others).toEqual(rule.stages[0]);
    expect(newProblems(setup, outcome.setup)).toEqual([]);
  });

  it('gets it signed in under nobody else’s name, with no plan too', () => {
    const setup = seated('cleo');
    expect(setup.devices.at(-1)).toMatchObject({ id: 'cleo-app', personId: 'cleo', kind: 'app' });
  });

  it('gets nothing who has one, or is not there', () => {
    expect(seating(testSetup, 'ada')).toEqual([]);
    expect(seating(testSetup, 'zoe')).toEqual([]);
  });
});
