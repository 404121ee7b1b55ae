import { Engine } from 'json-rules-engine';

import { emptyOffice, OfficeIndex, type OfficeSetup, type RingPlan, type RingRule } from '@/core/setup';
import { edits, layOutRule } from '@/core/plans/editing';
import { checkOffice, checkPlan } from '@/core/plans/checks';
import { lookBack, type PastCall } from '@/core/plans/lookBack';
import { allFree, traceCall, weekOf } from '@/core/plans/routing';

import type { Figure } from './figures';

const now = Date.UTC(2026, 10, 26, 10, 40);
const dayMs = 24 * 3_600_000;
const numbers = Array.from({ length: 40 }, (_, index) => `+44131496${String(index).padStart(4, '0')}`);

/** A rule that asks for everything a rule can, and fits one caller in working hours of some days. */
function busyRule(index: number, personId: string): RingRule {
  return {
    id: `${personId}-${index}`,
    name: `Rule ${index}`,
    lineIds: [`${personId}-line`],
    when: {
      callers: [
        { kind: 'number', number: numbers[index % numbers.length] ?? '' },
        { kind: 'repeated', times: 3, withinMinutes: 10 + index },
      ],
      situationIds: index % 2 === 0 ? ['site', 'van'] : [],
      hours: [{ days: [1, 2, 3, 4, 5], from: '08:00', to: `${10 + (index % 12)}:30` }],
      ...(index % 5 === 0 && { dates: [{ from: '2026-12-24', to: '2027-01-02' }] }),
    },
    stages: [
      {
        targets: [
          { deviceId: `${personId}-desk`, startSeconds: 0 },
          { deviceId: `${personId}-mobile`, startSeconds: 5, acceptKey: true },
        ],
        length: { seconds: 25 },
      },
    ],
    finish: { kind: 'mailbox', personId },
  };
}

function planOf(personId: string, count: number): RingPlan {
  const rules = Array.from({ length: count - 1 }, (_, index) => busyRule(index, personId));
  const last = {
    ...busyRule(0, personId),
    id: `${personId}-last`,
    name: 'Any call',
    lineIds: [],
    when: undefined,
  };
  return {
    personId,
    rules: [...rules, last],
    workingHours: [{ days: [1, 2, 3, 4, 5], from: '08:00', to: '17:00' }],
    daysOff: [{ from: '2026-12-25', to: '2026-12-28', name: 'Yard closed' }],
  };
}

function officeOf(people: number, rules: number): OfficeSetup {
  const ids = Array.from({ length: people }, (_, index) => `p${index}`);
  return {
    ...emptyOffice,
    people: ids.map((id, index) => ({
      id,
      name: id,
      role: '',
      extension: String(200 + index),
      presentedLineId: `${id}-line`,
      situations: ['site', 'van', 'off'].map((name) => ({ id: name, name, shows: 'free' as const })),
    })),
    lines: ids.map((id, index) => ({
      id: `${id}-line`,
      name: id,
      number: `+4411749${String(60_000 + index)}`,
      cord: { hue: 0, stroke: 'solid' },
      urgent: false,
      ownerId: id,
    })),
    devices: ids.flatMap((id) =>
      (['desk', 'mobile'] as const).map((kind) => ({
        id: `${id}-${kind}`,
        personId: id,
        kind,
        name: kind,
        callLimit: 2,
      })),
    ),
    ringPlans: ids.map((id) => planOf(id, rules)),
    callerGroups: [{ id: 'known', name: 'Known', starred: true, numbers: numbers.slice(0, 5) }],
  };
}

const seconds = (run: () => void): number => {
  const begun = performance.now();
  run();
  return (performance.now() - begun) / 1000;
};
/** The quickest of several runs, the first of which warm up. */
const best = (run: () => void, times = 5) => Math.min(...Array.from({ length: times }, () => seconds(run)));

function callOf(index: number) {
  return {
    called: {
      ownerId: 'p0',
      lineId: 'p0-line',
      caller: { number: numbers[index % 40] ?? '', personId: null },
    },
    world: {
      ...allFree(now + ((index * 7_919_000) % (90 * dayMs))),
      calledSituation: index % 3 === 0 ? 'site' : null,
    },
  };
}

function tracesPerSecond(): number {
  const office = new OfficeIndex(officeOf(1, 40));
  const calls = Array.from({ length: 2000 }, (_, index) => callOf(index));
  const rounds = 30;
  const spent = best(() => {
    for (let round = 0; round < rounds; round++)
      for (const { called, world } of calls) traceCall(office, called, world);
  });
  return Math.round((calls.length * rounds) / spent);
}

/** The same conditions in a general rule engine: the first of forty that fits, by priority. */
async function engineRunsPerSecond(): Promise<number> {
  const engine = new Engine([], { allowUndefinedFacts: true });
  planOf('p0', 40).rules.forEach((rule, index) => {
    const { when } = rule;
    engine.addRule({
      name: rule.name,
      priority: 100 - index,
      conditions: {
        all: [
          ...(rule.lineIds.length > 0 ? [{ fact: 'lineId', operator: 'in', value: rule.lineIds }] : []),
          ...(when?.callers?.[0]?.kind === 'number'
            ? [
                {
                  any: [
                    { fact: 'caller', operator: 'equal', value: when.callers[0].number },
                    { fact: 'tries', operator: 'greaterThanInclusive', value: 3 },
                  ],
                },
              ]
            : []),
          ...(when?.situationIds && when.situationIds.length > 0
            ? [{ fact: 'situation', operator: 'in', value: when.situationIds }]
            : []),
          ...(when?.hours ?? []).flatMap(({ days, from, to }) => [
            { fact: 'weekday', operator: 'in', value: days },
            { fact: 'clock', operator: 'greaterThanInclusive', value: minutesOf(from) },
            { fact: 'clock', operator: 'lessThan', value: minutesOf(to) },
          ]),
          ...(when?.dates ?? []).flatMap(({ from, to }) => [
            { fact: 'day', operator: 'greaterThanInclusive', value: Number(from.replaceAll('-', '')) },
            { fact: 'day', operator: 'lessThanInclusive', value: Number(to.replaceAll('-', '')) },
          ]),
        ],
      },
      event: { type: rule.id },
      onSuccess: () => engine.stop(),
    });
  });
  const count = 1500;
  const begun = performance.now();
  for (let index = 0; index < count; index++) {
    const { called, world } = callOf(index);
    const date = new Date(world.at);
    await engine.run({
      lineId: called.lineId,
      caller: called.caller.number,
      tries: 0,
      situation: index % 3 === 0 ? 'site' : 'none',
      weekday: date.getUTCDay(),
      clock: date.getUTCHours() * 60 + date.getUTCMinutes(),
      day: Number(date.toISOString().slice(0, 10).replaceAll('-', '')),
    });
  }
  return Math.round(count / ((performance.now() - begun) / 1000));
}

const minutesOf = (clock: string) => Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3));

function pastCalls(count: number): PastCall[] {
  return Array.from({ length: count }, (_, index) => ({
    id: String(index),
    at: now - (count - index) * ((90 * dayMs) / count),
    lineId: 'p0-line',
    caller: { number: numbers[index % 40] ?? '', personId: null },
    situationId: index % 3 === 0 ? 'site' : null,
    waitedSeconds: 5 + (index % 30),
    reachedFinish: index % 4 === 0,
    answered: index % 2 === 0 ? { deviceId: 'p0-desk', number: null, afterSeconds: 4 + (index % 9) } : null,
    presentAt: [{ deviceId: 'p0-mobile', reactionSeconds: 8 }],
    isOnCall: index % 11 === 0,
  }));
}

/** One step of a bar being pulled: the changed plan, its picture, the asked call and all findings. */
function dragStepMs(): number {
  const setup = officeOf(9, 5);
  const plan = setup.ringPlans[0];
  if (!plan) throw new Error('No plan');
  const others = setup.ringPlans.slice(1);
  const past = pastCalls(800);
  const context = { now, isSignedIn: () => true, pastCalls: () => past };
  const steps = 200;
  const spent = best(() => {
    for (let step = 0; step < steps; step++) {
      const pulled = edits.pull(plan, { ruleId: 'p0-last', stage: 0, target: 1 }, 5, 10 + (step % 40));
      const office = new OfficeIndex({ ...setup, ringPlans: [pulled, ...others] });
      const rule = pulled.rules.at(-1);
      if (rule) layOutRule(rule, office);
      const { called, world } = callOf(step);
      traceCall(office, called, world);
      checkPlan(office, 'p0', context);
    }
  });
  return (spent / steps) * 1000;
}

const round = (value: number) => Math.round(value * 100) / 100;

export async function benchRouting(): Promise<Figure[]> {
  const week = { from: now, to: now + 7 * dayMs };
  const one = new OfficeIndex(officeOf(1, 50));
  const large = new OfficeIndex(officeOf(200, 6));
  const called = (id: string) => ({
    ownerId: id,
    lineId: `${id}-line`,
    caller: { number: numbers[3] ?? '', personId: null },
  });
  const changed = new OfficeIndex({ ...officeOf(1, 40), ringPlans: [planOf('p0', 30)] });
  const past = pastCalls(100_000);
  const context = { now, isSignedIn: () => true, pastCalls: () => [] };
  const traces = tracesPerSecond();
  const engine = await engineRunsPerSecond();
  return [
    { name: 'traces, plan of 40 rules', value: traces, unit: '/s', aim: 'over 200,000/s', least: 200_000 },
    { name: 'the same conditions in json-rules-engine', value: engine, unit: '/s', aim: 'for comparison' },
    {
      name: 'week of a plan of 50 rules',
      value: round(best(() => weekOf(one, called('p0'), week), 20) * 1000),
      unit: 'ms',
      aim: 'under 20 ms',
      most: 20,
    },
    {
      name: 'week of an office of 200 people',
      value: round(best(() => large.setup.people.forEach(({ id }) => weekOf(large, called(id), week)))),
      unit: 's',
      aim: 'under 1 s',
      most: 1,
    },
    {
      name: 'look back on 100,000 calls, two plans of 40 and 30 rules',
      value: round(best(() => lookBack(new OfficeIndex(officeOf(1, 40)), changed, 'p0', past), 3)),
      unit: 's',
      aim: 'under 1 s',
      most: 1,
    },
    {
      name: 'checks of an office of 200 people',
      value: round(best(() => checkOffice(large, context), 3)),
      unit: 's',
      aim: 'under 2 s',
      most: 2,
    },
    {
      name: 'a step of a pulled bar: picture, call and findings',
      value: round(dragStepMs()),
      unit: 'ms',
      aim: 'within 16 ms',
      most: 16,
    },
  ];
}
