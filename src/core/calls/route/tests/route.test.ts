import fc from 'fast-check';

import { type CourseEnd, type Flow, flowsOf, isEnd, keyOf, wentBy } from '@/core/calls/figures';
import { OfficeIndex, type OfficeSetup } from '@/core/setup';
import { menuOffice as setup } from './menuOffice';
import { litIn, routeOf, type Route } from '..';

const office = new OfficeIndex(setup);
const stop = (ownerId: string, isClosed = false, isByLine = true) => ({ ownerId, isClosed, isByLine });
const flow = (stops: readonly string[], end: CourseEnd, calls = 1): Flow => ({
  ...{ lineId: 'main', stops: stops.map((id) => stop(id)), end, calls },
});
const told = ({ reaches }: Route) =>
  Object.fromEntries(reaches.map(({ from, to, calls }) => [`${from} ${to}`, calls]));
const waysOf = ({ reaches }: Route, from: string, to: string) =>
  reaches
    .find((reach) => reach.from === from && reach.to === to)
    ?.ways.map((way) => (way.by === 'key' ? `key ${way.key}` : way.by));

describe('the route of an office without calls', () => {
  it('shows what each line leads to, key by key and finish by finish, all of it dry', () => {
    const route = routeOf(office, [], ['main']);
    expect(told(route)).toEqual({
      'line/main menu/desk': 0,
      'menu/desk hours/yard': 0,
      'menu/desk extension/ada': 0,
      'hours/yard team/yard': 0,
      'hours/yard hours/yard>elsewhere': 0,
      'team/yard team/yard>taken': 0,
      'team/yard team/yard>mailbox': 0,
      'team/yard team/yard>busy': 0,
      'extension/ada extension/ada>taken': 0,
      'extension/ada extension/ada>text': 0,
    });
    expect(waysOf(route, 'menu/desk', 'hours/yard')).toEqual(['key 1', 'key 3']);
    expect(waysOf(route, 'menu/desk', 'extension/ada')).toEqual(['nothingPressed']);
    expect(waysOf(route, 'team/yard', 'team/yard>busy')).toEqual(['full']);
  });

  it('is that of the asked lines, and shows one that leads nowhere alone', () => {
    const lost = new OfficeIndex({ ...setup, lines: [{ ...setup.lines[0]!, ownerId: 'nobody' }] });
    const route = routeOf(lost, [], ['main', 'gone']);
    expect(route.nodes.map(({ key }) => key)).toEqual(['line/main', 'person/nobody', 'line/gone']);
    expect(route.reaches).toHaveLength(1);
  });
});

it('a plan has more ways by a line than by the extension: rules that are for lines are not asked there', () => {
  const [plan] = setup.ringPlans;
  const [rule] = plan!.rules;
  const forLine = {
    ...rule!,
    id: 'main',
    lineIds: ['other'],
    finish: { kind: 'forward', to: '260' } as const,
  };
  const both = new OfficeIndex({ ...setup, ringPlans: [{ ...plan!, rules: [forLine, rule!] }] });
  const ways = told(routeOf(both, [], ['other']));
  expect(ways).toHaveProperty(['person/ada menu/desk'], 0);
  // It leads back to her, but not to the menu: no circle.
  expect(ways).toHaveProperty(['menu/desk extension/ada'], 0);
  expect(ways).not.toHaveProperty(['extension/ada extension/ada>circle']);
});

describe('the water', () => {
  const flows = [
    flow(['desk', 'yard'], 'taken', 5),
    flow(['desk', 'yard'], 'gaveUp', 2),
    flow(['desk'], 'gaveUp'),
    { ...flow([], 'mailbox', 3), stops: [stop('desk'), stop('yard', true)] },
    { ...flow(['ada'], 'taken', 9), lineId: 'other' },
  ];

  it('is what went each way, and runs out where callers gave up', () => {
    expect(told(routeOf(office, flows, ['main']))).toMatchObject({
      'line/main menu/desk': 11,
      'menu/desk menu/desk>gaveUp': 1,
      'menu/desk hours/yard': 10,
      'hours/yard team/yard': 7,
      'hours/yard hours/yard>mailbox': 3,
      'team/yard team/yard>taken': 5,
      'team/yard team/yard>gaveUp': 2,
    });
  });

  it('keeps a way that the office no longer has, and says by no word how one gets there', () => {
    const route = routeOf(office, [flow(['ben'], 'taken', 4)], ['main']);
    expect(told(route)).toMatchObject({ 'line/main person/ben': 4, 'person/ben person/ben>taken': 4 });
    expect(waysOf(route, 'line/main', 'person/ben')).toEqual([]);
  });

  it('ends where it would go round in a circle, which is told', () => {
    const [menu] = setup.menus;
    const round: OfficeSetup = {
      ...setup,
      ringPlans: [
        {
          personId: 'ada',
          rules: [
            {
              ...{ id: 'any', name: 'Any', lineIds: [], stages: [] },
              finish: { kind: 'forward', to: menu!.extension },
            },
          ],
        },
      ],
    };
    const [desk, ada] = [stop('desk'), stop('ada', false, false)];
    const circling = { ...flow([], 'gaveUp', 2), stops: [desk, ada, desk, ada] };
    const route = routeOf(new OfficeIndex(round), [circling], ['main']);
    expect(told(route)).toMatchObject({
      'menu/desk extension/ada': 2,
      'extension/ada extension/ada>circle': 2,
    });
    expect(told(route)).not.toHaveProperty(['extension/ada menu/desk']);
  });

  it('lights the way of one call, also into a circle', () => {
    const route = routeOf(office, flows, ['main']);
    const line = { kind: 'line', id: 'main' } as const;
    const menu = { kind: 'menu', id: 'desk' } as const;
    const ada = { kind: 'extension', id: 'ada' } as const;
    expect(litIn(route, [line, menu, ada, { kind: 'text', after: ada }])).toEqual([
      ...['line/main', 'menu/desk', 'extension/ada', 'extension/ada>text'],
    ]);
    expect(litIn(route, [line, ada])).toEqual(['line/main']);
  });

  const anyStop = fc.record({
    ownerId: fc.constantFrom('desk', 'yard', 'ada', 'ben', 'gone'),
    isClosed: fc.boolean(),
    isByLine: fc.boolean(),
  });
  const anyFlow = fc.record({
    lineId: fc.constantFrom('main', 'other', 'retired'),
    stops: fc
      .array(anyStop, { maxLength: 5 })
      .map((stops) => stops.filter(({ ownerId }, at) => ownerId !== stops[at - 1]?.ownerId)),
    end: fc.constantFrom<CourseEnd>('taken', 'gaveUp', 'mailbox', 'busy', 'text', 'elsewhere'),
    calls: fc.integer({ min: 1, max: 500 }),
  });

  it('loses no call and makes none: what comes to a place leaves it, and all that came by a line ends', () => {
    fc.assert(
      fc.property(fc.array(anyFlow), (given) => {
        const { nodes, reaches } = routeOf(office, given, ['main', 'other', 'retired']);
        const sum = (these: readonly { calls: number }[]) =>
          these.reduce((total, { calls }) => total + calls, 0);
        for (const { key, place, calls } of nodes) {
          const into = reaches.filter(({ to }) => to === key);
          const out = reaches.filter(({ from }) => from === key);
          if (place.kind !== 'line') expect(sum(into)).toBe(calls);
          if (!isEnd(place)) expect(sum(out)).toBe(calls);
        }
        expect(sum(nodes.filter(({ place }) => isEnd(place)))).toBe(sum(given));
      }),
    );
  });

  it('has no circle, whatever calls did', () => {
    fc.assert(
      fc.property(fc.array(anyFlow), (given) => {
        const { nodes, reaches } = routeOf(office, given, ['main', 'other', 'retired']);
        // Whatever nothing leads to any more is taken away, until nothing is left.
        let left = new Set(nodes.map(({ key }) => key));
        for (;;) {
          const reached = new Set(reaches.filter(({ from }) => left.has(from)).map(({ to }) => to));
          const next = new Set([...left].filter((key) => reached.has(key)));
          if (next.size === left.size) break;
          left = next;
        }
        expect([...left]).toEqual([]);
      }),
    );
  });
});

it('calls are counted by the way they went, in their span, and found again by a place on it', () => {
  const call = (at: number, stops: readonly string[], end: CourseEnd, lineId: string | null = 'main') => ({
    ...{ id: `${at}`, at, lineId, teamIds: [], keys: [], takenById: null, missedByIds: [], takenAt: null },
    ...{ endedAt: at, ended: 'abandoned' as const, recordings: [], number: null, name: null },
    ...{ stops: stops.map((id) => stop(id)), end },
  });
  const calls = [
    call(5, ['desk'], 'gaveUp'),
    call(6, ['desk'], 'gaveUp'),
    call(7, ['desk', 'yard'], 'taken'),
    call(8, ['desk'], 'gaveUp', null),
    call(20, ['desk'], 'gaveUp'),
  ];
  const flows = flowsOf(calls, { from: 5, until: 20 });
  expect(flows.map(({ calls: number, end }) => [number, end])).toEqual([
    [2, 'gaveUp'],
    [1, 'taken'],
  ]);
  for (const { place, calls: number } of routeOf(office, flows, ['main']).nodes)
    if (place.kind !== 'hours')
      expect([
        keyOf(place),
        calls.filter((each) => each.at < 20 && each.lineId && wentBy(each, place)).length,
      ]).toEqual([keyOf(place), number]);
});
