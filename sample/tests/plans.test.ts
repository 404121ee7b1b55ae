import fc from 'fast-check';

import { sampleOffice } from '..';

import { OfficeIndex, type RingPlan } from '@/core/setup';
import { planProblems } from '@/core/setup/problems';
import { readPlanFile, writePlanFile } from '@/core/plans/files';
import { beginRule, describeRule, edits, layOutRule, templatesFor } from '@/core/plans/editing';
import { hoursWords, readDaysOff, readHours } from '@/core/plans/hours';

const office = new OfficeIndex(sampleOffice);
const plan = office.ringPlans.get('maren')!;
const place = { ruleId: 'maren-field', stage: 0, target: 2 };
const ruleOf = (of: RingPlan, id = 'maren-field') => of.rules.find((rule) => rule.id === id)!;
const sentences = (of: unknown) =>
  planProblems(of, office).map(({ path, sentence }) => `${path.join('.')}: ${sentence}`);

describe('a change of a plan', () => {
  it('pulls a bar to whole seconds, and leaves all else as it was', () => {
    const pulled = edits.pull(plan, place, 7.4, 33.6);
    expect(layOutRule(ruleOf(pulled), office).stages[0]?.targets[2]).toMatchObject({
      fromSeconds: 7,
      toSeconds: 34,
      cutAtSeconds: 25,
    });
    expect(ruleOf(pulled, 'maren-any')).toBe(ruleOf(plan, 'maren-any'));
  });

  it('however it is pulled, can still be carried out', () => {
    fc.assert(
      fc.property(
        fc.double({ noNaN: true, min: -1e4, max: 1e4 }),
        fc.double({ noNaN: true, min: -1e4, max: 1e4 }),
        (from, to) => {
          expect(planProblems(edits.pull(plan, place, from, to), office)).toEqual([]);
        },
      ),
    );
  });

  it('moves rules and takes them out', () => {
    expect(edits.moveRule(plan, 'maren-any', 0).rules.map(({ id }) => id)[0]).toBe('maren-any');
    expect(edits.moveRule(plan, 'maren-any', 99).rules).toEqual(plan.rules);
    expect(edits.removeRule(plan, 'maren-any').rules).toEqual(plan.rules.slice(0, -1));
  });

  it('begins a rule that rings, before all but what is for urgent lines alone', () => {
    const begun = beginRule(plan, office);
    expect(planProblems(begun.plan, office)).toEqual([]);
    expect(begun.plan.rules.map(({ id }) => id)).toEqual([
      'maren-flood',
      begun.ruleId,
      ...plan.rules.slice(1).map(({ id }) => id),
    ]);
    const laid = layOutRule(ruleOf(begun.plan, begun.ruleId), office).stages[0]!;
    expect(
      laid.targets.map(({ fromSeconds, toSeconds, canRing }) => [fromSeconds, toSeconds, canRing]),
    ).toEqual(office.devicesOf('maren').map(() => [0, 20, true]));
    expect(edits.removeRule(begun.plan, begun.ruleId)).toEqual(plan);
    const again = beginRule(begun.plan, office);
    expect(new Set(again.plan.rules.map(({ name }) => name)).size).toBe(plan.rules.length + 2);
  });

  it('takes a stage in anywhere, also where none is left', () => {
    const ilse = { personId: 'ilse', startSeconds: 0 };
    const count = ruleOf(plan).stages.length;
    for (let at = 0; at <= count; at++) {
      const { stages } = ruleOf(edits.addStage(plan, 'maren-field', at, [ilse]));
      expect(stages[at]?.targets).toEqual([ilse]);
      expect(stages.filter((_, index) => index !== at)).toEqual(ruleOf(plan).stages);
    }
    const emptied = ruleOf(plan).stages.reduce((of) => edits.removeStage(of, 'maren-field', 0), plan);
    expect(ruleOf(edits.addStage(emptied, 'maren-field', 0, [ilse])).stages).toHaveLength(1);
  });

  it('asks for a key where the caller’s name is to be heard', () => {
    const named = edits.setSaysName(edits.setAcceptKey(plan, place, false), place, true);
    expect(ruleOf(named).stages[0]?.targets[2]).toMatchObject({ acceptKey: true, saysName: true });
    expect(ruleOf(edits.setAcceptKey(named, place, false)).stages[0]?.targets[2]).toMatchObject({
      acceptKey: false,
      saysName: false,
    });
  });
});

describe('a rule in words', () => {
  it('says when, what rings for how long, and where it ends', () => {
    const rule = {
      ...ruleOf(plan),
      when: {
        callers: [{ kind: 'starred' as const }],
        situationIds: ['site'],
        hours: [{ days: [1, 2, 3, 4, 5], from: '08:00', to: '17:00' }],
      },
    };
    expect(describeRule(rule, office, 'maren')).toBe(
      'When somebody starred calls Field service or Field texts while you are on site, Mon–Fri 08:00–17:00: this app, desk phone and van phone for 25 s, then Ilse Varga’s desk phone for 15 s, then your mailbox.',
    );
  });
});

describe('a template', () => {
  it.each(templatesFor(office, 'maren', plan).map((template) => [template.word, template] as const))(
    '%s can be carried out',
    (_, template) => {
      const applied = template.apply(plan);
      expect(planProblems(applied, office)).toEqual([]);
      expect(applied.rules).toContainEqual(template.rule);
    },
  );
  it('of every kind is offered to who has the phones for it', () => {
    expect(templatesFor(office, 'maren', plan).map(({ id }) => id)).toEqual([
      'everything',
      'deskThenMobile',
      'mobileOnly',
      'lookForMe',
      'afterHours',
      'urgentLine',
    ]);
    expect(templatesFor(office, 'hugh', { personId: 'hugh', rules: [] }).map(({ id }) => id)).toEqual([
      'everything',
      'afterHours',
    ]);
  });
});

describe('hours and days as they are typed', () => {
  it.each([
    ['Mon–Fri 8:00–17:00', 'Mon–Fri 08:00–17:00'],
    ['mon-wed 8-12, Sat 9:30-24', 'Mon–Wed 08:00–12:00, Sat 09:30–24:00'],
    ['every day 0:00-24:00', 'every day 00:00–24:00'],
    ['Fri-Mon 10-11', 'Mon+Fri+Sat+Sun 10:00–11:00'],
    ['Mon–Fri 22:00–6:00', 'Mon–Fri 22:00–06:00'],
    ['Sat 22-6, Sun 9-12', 'Sat 22:00–06:00, Sun 09:00–12:00'],
    ['every day 17:00–8:00', 'every day 17:00–08:00'],
    ['Mon 18-0', 'Mon 18:00–24:00'],
    ['Sat 9–24, Sun 0–12', 'Sat 09:00–24:00, Sun 00:00–12:00'],
  ])('%s', (text, words) => {
    const read = readHours(text);
    expect(read.ok && hoursWords(read.value)).toBe(words);
  });
  it.each(['Mon 8:00–8:00', 'Mun 8-9', 'Mon 25-26', 'Mon', '8-17'])('%s is refused with a reason', (text) => {
    expect(readHours(text)).toMatchObject({
      ok: false,
      sentence: expect.stringContaining(text.slice(0, 3)) as string,
    });
  });
  it('days off have a first, a last and a name', () => {
    expect(readDaysOff('2026-12-24 to 2027-01-02 Yard closed\n\n2027-05-03')).toEqual({
      ok: true,
      value: [
        { from: '2026-12-24', to: '2027-01-02', name: 'Yard closed' },
        { from: '2027-05-03', to: '2027-05-03', name: '' },
      ],
    });
    for (const text of ['2026-02-30', '2027-01-02 to 2026-12-24', 'Christmas'])
      expect(readDaysOff(text).ok).toBe(false);
  });
});

describe('a plan as a file', () => {
  it('goes out and comes in again the same, for whoever takes it', () => {
    expect(readPlanFile(writePlanFile(plan), 'maren', office)).toEqual({ ok: true, plan });
    expect(readPlanFile(writePlanFile(plan), 'ilse', office)).toMatchObject({ plan: { personId: 'ilse' } });
  });
  it('that can’t be read is refused with the reason', () => {
    const broken = { ...plan, rules: [{ ...ruleOf(plan), finish: undefined }] };
    expect(readPlanFile(writePlanFile(broken as unknown as RingPlan), 'maren', office)).toEqual({
      ok: false,
      reason: 'At rules › 0 › finish: This rule has no finish: say where an unanswered call ends.',
    });
    for (const text of ['', '{', '[]', '{"format":"cendro-ring-plan","version":9}'])
      expect(readPlanFile(text, 'maren', office).ok).toBe(false);
  });
});

describe('what is wrong with a plan', () => {
  const stage = (target: object, length: object = { seconds: 20 }) => ({
    ...plan,
    rules: [{ ...ruleOf(plan), stages: [{ targets: [{ startSeconds: 0, ...target }], length }] }],
  });
  it.each([
    [
      'rings of zero',
      stage({ deviceId: 'maren-desk' }, { rings: 0, cadence: 'uk' }),
      'at least one second, or one ring',
    ],
    ['an unknown device', stage({ deviceId: 'ghost' }), 'The office knows no phone “ghost”'],
    ['a number that is none', stage({ number: '12' }), '“12” is not a number that can ring'],
    [
      'an end before its start',
      { ...plan, forwards: [{ to: { kind: 'busy' }, from: 5, until: 4 }] },
      'It ends before it begins',
    ],
    [
      'hours that end before they begin',
      { ...plan, workingHours: [{ days: [1], from: '10:00', to: '09:00' }] },
      'ends before it begins',
    ],
    [
      'a stage without end',
      stage({ deviceId: 'maren-desk' }, { seconds: 601 }),
      'Nobody waits longer than ten minutes',
    ],
    [
      'an emergency number',
      { ...plan, forwards: [{ to: { kind: 'forward', to: '999' }, from: null, until: null }] },
      'emergency',
    ],
    ['a plan of nobody', { ...plan, personId: 'nobody' }, 'Nobody in the office has this plan'],
  ])('%s is said at its place', (_, wrong, sentence) => {
    expect(sentences(wrong).join()).toContain(sentence);
  });
});
