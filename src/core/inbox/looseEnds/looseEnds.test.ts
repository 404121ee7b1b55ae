import fc from 'fast-check';

import { testRecord } from '@/core/calls/exchange/tests/testRecord';
import type { FollowUp } from '@/core/inbox/followUps';
import { emptyOffice, OfficeIndex } from '@/core/setup';
import { PeopleIndex, type Contact } from '@/core/people/contacts';
import {
  answeredForTeam,
  answeredInRoom,
  doneByHand,
  handleOf,
  looseEndsOf,
  nothingOf,
  orderOf,
  putOffUntil,
  rankWords,
  reopened,
  triesOf,
  usualWeights,
  waitingAfter,
  waitingSchema,
  whyWords,
  withBrought,
  withReach,
  withTry,
  workingMs,
  type LooseEnds,
  type LooseParts,
  type OwnHours,
  type Try,
  type Waiting,
} from '.';

/** A Thursday, 10:40 in London. */
const now = Date.UTC(2026, 10, 26, 10, 40);
const minute = 60_000;
const hour = 60 * minute;
const hours: OwnHours = {
  windows: [{ days: [1, 2, 3, 4, 5], from: '08:00', to: '17:00' }],
  daysOff: [],
  zone: 'Europe/London',
};
/** By their names: what they call from. */
const numbers = {
  peg: '+441914980162',
  hallin: '+441914980163',
  flood: '+441914980164',
  often: '+441914980165',
  patient: '+441914980166',
  starred: '+441914980167',
} as const;
type Name = keyof typeof numbers;
const contactOf = (id: string, ...of: string[]): Contact => ({
  id,
  name: id,
  firm: null,
  numbers: of.map((number) => ({ label: 'mobile', number })),
});
const contacts = (Object.keys(numbers) as Name[]).map((name) => contactOf(name, numbers[name]));
const plain = new OfficeIndex({
  ...emptyOffice,
  callerGroups: [{ id: 'watch', name: 'Watch', starred: true, numbers: [numbers.starred] }],
});

type Rows = ReadonlyMap<string, Waiting>;
type Act = (rows: Rows) => Rows;
const handle = (number: string) => handleOf({ number, personId: null }, '');

let count = 0;
const change =
  (number: string, changed: (row: Waiting) => Waiting): Act =>
  (rows) => {
    const key = handle(number);
    return new Map(rows).set(key, changed(rows.get(key) ?? nothingOf('maren', key)));
  };
const tryAt = (at: number, more: Partial<Try> = {}): Try => ({
  id: `e${count++}`,
  at,
  openedAt: at,
  kind: 'call',
  lineId: null,
  teamId: null,
  roomId: null,
  isUrgent: false,
  lengthMs: null,
  ...more,
});
const triedFrom = (number: string, at: number, more: Partial<Try> = {}): Act => {
  const tried = tryAt(at, more);
  return change(number, (row) => withTry(row, tried, { number, name: null }));
};
const tried = (name: Name, at: number, more?: Partial<Try>) => triedFrom(numbers[name], at, more);
const reachedAt = (number: string, at: number, more: Partial<Parameters<typeof withReach>[1]> = {}): Act =>
  change(number, (row) =>
    withReach(row, { at, began: at - minute, how: 'call', talkMs: 60_000, byId: null, ...more }),
  );
const reached = (name: Name, at: number, more?: Partial<Parameters<typeof withReach>[1]>) =>
  reachedAt(numbers[name], at, more);
const done = (name: Name, at: number) => change(numbers[name], (row) => doneByHand(row, at, []));
const snoozed = (name: Name, at: number, until: number) =>
  change(numbers[name], (row) => putOffUntil(row, until, at));
const undone = (name: Name) => change(numbers[name], reopened);
const promise = (name: Name, at: number, dueAt: number): FollowUp => ({
  ...{ kind: 'followUp', id: `p${count++}`, at, callId: null, number: numbers[name], name },
  ...{ text: 'Call back', dueAt, doneAt: null, priority: 'usual', list: '', words: [] },
});

const none: Rows = new Map();
const afterAll = (acts: readonly Act[], from = none) => acts.reduce((rows, act) => act(rows), from);
const endsOf = (rows: Rows, more: Partial<LooseParts> = {}): LooseEnds =>
  looseEndsOf({
    rows: [...rows.values()],
    followUps: [],
    wordsOf: () => null,
    takenBy: () => null,
    office: plain,
    people: new PeopleIndex(plain, contacts),
    ...more,
  });
const after = (...acts: Act[]) => endsOf(afterAll(acts));
const waiting = ({ open }: LooseEnds) => open.map((end) => end.who.name).sort();
const inOrder = (ends: LooseEnds, at = now, weights = usualWeights) =>
  orderOf(ends.open, weights, hours, 'maren', at).map(({ end }) => end.who.name);

describe('who waits', () => {
  it('is one entry, however often and on whatever channel they tried', () => {
    const said = new Map([
      ['v', 'The weir is high'],
      ['t', 'Gate code is 4120'],
    ]);
    const rows = afterAll([
      tried('peg', now - 30 * minute),
      tried('peg', now - 20 * minute, { id: 'v', kind: 'voicemail', lengthMs: 41_000 }),
      tried('peg', now - 10 * minute, { id: 't', kind: 'text' }),
    ]);
    const { open } = endsOf(rows, { wordsOf: ({ id }) => said.get(id) ?? null });
    expect(open).toHaveLength(1);
    expect(triesOf(open[0]!)).toBe(3);
    expect(open[0]?.reasons.map(({ words }) => words)).toEqual([
      null,
      'The weir is high',
      'Gate code is 4120',
    ]);
    expect(whyWords(open[0]!, plain, now)).toBe('3 tries, last 10 min ago, voicemail 0:41, text');
  });

  it('is reached by a call of some length, not by one that breaks off, nor by one before they tried', () => {
    const tries = tried('peg', now);
    expect(waiting(after(tries, reached('peg', now + minute)))).toEqual([]);
    expect(waiting(after(tries, reached('peg', now + minute, { talkMs: 9_999 })))).toEqual(['peg']);
    expect(waiting(after(reached('peg', now - minute), tries))).toEqual(['peg']);
    expect(waiting(after(tries, reached('peg', now - minute)))).toEqual(['peg']);
  });

  it('is answered by a text, which keeps no promise to call', () => {
    const text = reached('peg', now + minute, { how: 'text', talkMs: 0 });
    expect(waiting(after(tried('peg', now), text))).toEqual([]);
    const followUps = [promise('peg', now, now + hour)];
    const { open } = endsOf(afterAll([tried('peg', now), text]), { followUps });
    expect(open[0]?.reasons.map(({ kind }) => kind)).toEqual(['promised']);
    const called = afterAll([tried('peg', now), reached('peg', now + hour)]);
    expect(waiting(endsOf(called, { followUps }))).toEqual([]);
    // Promised in the call itself: that is still to be kept.
    const inCall = afterAll([reached('peg', now + minute, { began: now - minute })]);
    expect(waiting(endsOf(inCall, { followUps }))).toEqual(['peg']);
  });

  it('may be reached by a colleague, which is told, and can be taken back', () => {
    const rows = afterAll([tried('peg', now), reached('peg', now + minute, { byId: 'ilse' })]);
    expect(endsOf(rows)).toMatchObject({ open: [], closed: [{ how: 'reachedByColleague', byId: 'ilse' }] });
    const again = endsOf(afterAll([undone('peg')], rows));
    expect(again).toMatchObject({ open: [{ who: { name: 'peg' } }], closed: [] });
  });

  it('that was done or put off is back with a new try, which brings back no old ones', () => {
    const isDone = after(tried('peg', now), done('peg', now + 1), tried('peg', now + hour));
    expect(isDone.open[0]?.reasons).toHaveLength(1);
    const off = [tried('peg', now), snoozed('peg', now + 1, now + 2 * hour)];
    expect(inOrder(after(...off), now + hour)).toEqual([]);
    expect(inOrder(after(...off), now + 2 * hour)).toEqual(['peg']);
    expect(inOrder(after(...off, tried('peg', now + hour)), now + hour)).toEqual(['peg']);
  });

  it('that was taken on by a colleague stands last, until they try again', () => {
    const team = { teamId: 'field' };
    const acts = [tried('peg', now, { isUrgent: true, ...team }), tried('hallin', now)];
    const takenBy: LooseParts['takenBy'] = (teamId, keys, since) =>
      teamId === 'field' && keys.includes(handle(numbers.peg)) && since <= now ? 'ilse' : null;
    expect(inOrder(endsOf(afterAll(acts), { takenBy }))).toEqual(['hallin', 'peg']);
    const again = afterAll([...acts, tried('peg', now + 1, team)]);
    expect(inOrder(endsOf(again, { takenBy }))).toEqual(['peg', 'hallin']);
  });

  it('wanted a team, and was reached by a colleague: what the worker has promised them is still to be kept', () => {
    const acts = [tried('peg', now, { teamId: 'field' }), tried('peg', now + 1)];
    const reach = {
      at: now + hour,
      began: now + hour / 2,
      how: 'call',
      talkMs: 60_000,
      byId: 'ilse',
    } as const;
    const called = change(numbers.peg, (row) => answeredForTeam(row, reach, (teamId) => teamId === 'field'));
    const ends = endsOf(afterAll([...acts, called]), {
      followUps: [promise('peg', now + minute, now + hour)],
    });
    expect(ends.open[0]?.reasons.map(({ kind, teamId }) => [kind, teamId])).toEqual([
      ['call', null],
      ['promised', null],
    ]);
    expect(ends.closed).toMatchObject([{ how: 'reachedByColleague', byId: 'ilse' }]);
    const short = change(numbers.peg, (row) => answeredForTeam(row, { ...reach, talkMs: 9_999 }, () => true));
    expect(after(...acts, short).open[0]?.reasons).toHaveLength(2);
  });

  it('is brought from a history counted elsewhere: put off as they were, and answered by what that tells', () => {
    const brought = { ...nothingOf('maren', handle(numbers.peg)), number: numbers.peg };
    const off = { ...brought, tries: [tryAt(now)], furtherTries: 3, snoozedUntil: now + hour };
    expect(withBrought(brought, off)).toMatchObject({ furtherTries: 3, snoozedUntil: now + hour });
    const here = withTry(brought, tryAt(now, { kind: 'text' }), brought);
    expect(withBrought(here, off)).toMatchObject({ snoozedUntil: null });
    const answered = { call: now + minute, callBegan: now, text: null };
    expect(withBrought(here, { ...brought, answered }).tries).toEqual([]);
    expect(withBrought(here, { ...brought, answered: { ...answered, call: now - 1 } }).tries).toHaveLength(1);
  });

  it('spoke to the worker in a room: what is written there answers that, and nothing else', () => {
    const inRoom = tried('peg', now, { kind: 'message', roomId: 'weir' });
    const answer = change(numbers.peg, (row) => answeredInRoom(row, 'weir', now + minute));
    expect(waiting(after(inRoom, answer))).toEqual([]);
    expect(after(inRoom, tried('peg', now), answer).open[0]?.reasons.map(({ kind }) => kind)).toEqual([
      'call',
    ]);
    expect(waiting(after(tried('peg', now), answer))).toEqual(['peg']);
  });
});

describe('somebody with two numbers', () => {
  const [home, mobile] = ['+441174960155', '+447700900155'] as const;
  const peg = contactOf('peg', home, mobile);
  const known = new PeopleIndex(plain, [peg]);
  const unknown = new PeopleIndex(plain, []);
  const rows = afterAll([triedFrom(home, now), triedFrom(mobile, now + minute)]);

  it('waits twice as long as nobody knows that they are one, and once from then on', () => {
    expect(endsOf(rows, { people: unknown }).open).toHaveLength(2);
    const { open } = endsOf(rows, { people: known });
    expect(open).toMatchObject([{ who: { key: 'contact:peg', number: mobile }, furtherTries: 0 }]);
    expect(open[0]?.reasons).toHaveLength(2);
    expect(open[0]?.handles).toEqual([home, mobile].map(handle));
  });

  it('does not wait at one number once they were reached at the other, whenever the two were put together', () => {
    const called = afterAll([reachedAt(mobile, now + hour)], rows);
    expect(endsOf(called, { people: unknown }).open.map(({ handles }) => handles)).toEqual([[handle(home)]]);
    const ends = endsOf(called, { people: known });
    expect(ends.open).toEqual([]);
    expect(ends.closed).toMatchObject([{ who: { key: 'contact:peg' }, how: 'reachedByCall' }]);
    const back = afterAll([change(mobile, reopened)], called);
    expect(endsOf(back, { people: known }).open[0]?.reasons).toHaveLength(2);
    // A call that rang before, and was over after it, is not answered by it.
    const late = afterAll([triedFrom(home, now, { openedAt: now + 2 * hour })], called);
    expect(endsOf(late, { people: known }).open).toHaveLength(1);
  });

  it('and was done at one of them can be taken back, also after a call with the other', () => {
    const both = afterAll(
      [change(home, (row) => doneByHand(row, now + 2 * minute, [])), reachedAt(mobile, now + hour)],
      afterAll([triedFrom(home, now)]),
    );
    const { open, closed } = endsOf(both, { people: known });
    expect([open, closed]).toMatchObject([[], [{ how: 'done', handles: [handle(home)] }]]);
    const back = afterAll([change(home, reopened)], both);
    // Reached at the other number since, they do not wait again for what they tried before.
    expect(endsOf(back, { people: known }).open).toEqual([]);
    expect(endsOf(back, { people: unknown }).open).toHaveLength(1);
  });

  it('is promised something under either', () => {
    const followUps = [{ ...promise('peg', now, now + hour), number: home, name: 'Peg' }];
    const { open } = endsOf(afterAll([reachedAt(mobile, now - hour)]), { people: known, followUps });
    expect(open).toMatchObject([{ who: { name: 'peg' }, handles: [mobile, home].map(handle) }]);
    expect(endsOf(afterAll([reachedAt(mobile, now + hour)]), { people: known, followUps }).open).toEqual([]);
  });
});

it('a follow-up about nobody waits by itself from when it is due, or to when it was put off', () => {
  const task: FollowUp = {
    ...promise('peg', now, now + hour),
    id: 'boots',
    number: null,
    name: '',
    text: 'Boots',
  };
  const off: Rows = new Map([
    ['task:boots', putOffUntil(nothingOf('maren', 'task:boots'), now + 2 * hour, now)],
  ]);
  const ends = (rows: Rows, doneAt: number | null = null) =>
    endsOf(rows, { followUps: [{ ...task, doneAt }] });
  expect(inOrder(ends(none), now)).toEqual([]);
  expect(inOrder(ends(none), now + hour)).toEqual(['Boots']);
  expect(inOrder(ends(off), now + hour)).toEqual([]);
  expect(inOrder(ends(off), now + 2 * hour)).toEqual(['Boots']);
  expect(ends(none, now).open).toEqual([]);
});

it('very many tries of one person are counted, and only the newest kept one by one', () => {
  let rows = none;
  for (let index = 0; index < 500; index++) rows = tried('peg', now + index)(rows);
  const [end] = endsOf(rows).open;
  expect(end?.reasons.length).toBeLessThanOrEqual(40);
  expect(end?.reasons.at(-1)?.at).toBe(now + 499);
  expect(end?.reasons[0]?.at).toBe(now);
  expect(triesOf(end!)).toBe(500);
  expect(waiting(endsOf(reached('peg', now + 1000)(rows)))).toEqual([]);
});

describe('the order', () => {
  it('is of urgency, tries, promises and hours of waiting, each explained', () => {
    const rows = afterAll([
      tried('patient', now - 2 * hour),
      tried('flood', now - 5 * minute, { isUrgent: true }),
      tried('often', now - 9 * minute),
      tried('often', now - 6 * minute),
      tried('often', now - 4 * minute),
    ]);
    const ends = endsOf(rows, { followUps: [promise('peg', now - hour, now - minute)] });
    expect(inOrder(ends)).toEqual(['flood', 'peg', 'often', 'patient']);
    const ranked = orderOf(ends.open, usualWeights, hours, 'maren', now);
    expect(ranked.map(({ weights }) => rankWords(weights))).toEqual([
      'urgent line',
      'promise overdue, waiting for an hour',
      'third try',
      'waiting for 2 hours',
    ]);
  });

  it('counts a night and a weekend for nothing', () => {
    const friday = Date.UTC(2026, 10, 27, 16);
    expect(workingMs(friday, Date.UTC(2026, 10, 30, 9), hours)).toBe(2 * hour);
    expect(
      workingMs(friday, Date.UTC(2026, 10, 30, 9), {
        ...hours,
        daysOff: [{ from: '2026-11-30', to: '2026-11-30' }],
      }),
    ).toBe(hour);
    expect(workingMs(friday, friday + hour, { ...hours, windows: [] })).toBe(hour);
  });

  it('follows its weights, and knows who is starred', () => {
    const ends = after(tried('flood', now, { isUrgent: true }), tried('starred', now));
    expect(inOrder(ends, now, { ...usualWeights, urgentLine: 0 })).toEqual(['starred', 'flood']);
  });
});

describe('whatever happens', () => {
  const names = ['peg', 'hallin', 'often'] as const;
  const step = fc.record({
    name: fc.constantFrom(...names),
    act: fc.constantFrom('try', 'try', 'text', 'reach', 'short', 'done', 'snooze', 'undo'),
    afterMinutes: fc.integer({ min: 1, max: 300 }),
  });
  type Step = { name: Name; act: string; at: number; run: Act };
  const runsOf = (steps: readonly { name: Name; act: string; afterMinutes: number }[]): Step[] => {
    let at = now;
    return steps.map(({ name, act, afterMinutes }): Step => {
      at += afterMinutes * minute;
      const runs: Record<string, () => Act> = {
        try: () => tried(name, at),
        text: () => tried(name, at, { kind: 'text' }),
        reach: () => reached(name, at, { talkMs: 30_000 }),
        short: () => reached(name, at, { talkMs: 3_000 }),
        snooze: () => snoozed(name, at, at + hour),
        done: () => done(name, at),
        undo: () => undone(name),
      };
      return { name, act, at, run: runs[act]!() };
    });
  };

  it('nobody who waits is dropped: only reaching them, or a hand, takes them out', () => {
    fc.assert(
      fc.property(fc.array(step, { maxLength: 40 }), (steps) => {
        let rows = none;
        for (const { name, act, at, run } of runsOf(steps)) {
          const before = new Set(waiting(endsOf(rows)));
          rows = run(rows);
          const now_ = new Set(waiting(endsOf(rows)));
          for (const each of before) if (!now_.has(each)) expect(['reach', 'done']).toContain(act);
          if (act === 'try' || act === 'text') expect(now_).toContain(name);
          if (act === 'short') expect(now_).toEqual(before);
          // Put off is not gone: everyone stands in the order in the end.
          expect(inOrder(endsOf(rows), at + 2 * hour).sort()).toEqual([...now_].sort());
        }
      }),
    );
  });

  it('is the same from a saved state in the middle, which passes its schema', () => {
    fc.assert(
      fc.property(fc.array(step, { maxLength: 40 }), fc.nat(40), (steps, cut) => {
        const acts = runsOf(steps).map(({ run }) => run);
        const first = afterAll(acts.slice(0, cut));
        const saved = JSON.parse(JSON.stringify([...first])) as [string, Waiting][];
        const read = new Map(saved.map(([key, row]) => [key, waitingSchema.parse(row)]));
        expect(afterAll(acts.slice(cut), read)).toEqual(afterAll(acts));
      }),
    );
  });

  it('what is done and undone leaves everything as it was', () => {
    fc.assert(
      fc.property(fc.array(step, { maxLength: 20 }), fc.constantFrom(...names), (steps, name) => {
        const rows = afterAll(runsOf(steps).map(({ run }) => run));
        const later = now + 1000 * hour;
        for (const act of [done(name, later), reached(name, later)]) {
          const end = endsOf(rows).open.find(({ who }) => who.name === name);
          const back = endsOf(afterAll([act, undone(name)], rows));
          expect(back.open.find(({ who }) => who.name === name)?.reasons).toEqual(end?.reasons);
        }
      }),
    );
  });

  it('calls that are counted later, in whatever order, come to what they would have come to then', () => {
    const call = fc.record({
      isOut: fc.boolean(),
      isTaken: fc.boolean(),
      afterMinutes: fc.integer({ min: 1, max: 90 }),
    });
    fc.assert(
      fc.property(fc.array(call, { maxLength: 12 }), fc.nat(12), fc.boolean(), (calls, cut, isReversed) => {
        let at = now;
        const records = calls.map(({ isOut, isTaken, afterMinutes }, index) => {
          at += afterMinutes * minute;
          const outcome = isTaken ? 'answered' : isOut ? 'noAnswer' : 'missed';
          const more = { direction: isOut ? 'out' : 'in', outcome, answeredAt: isTaken ? at : null } as const;
          const ids = { id: `r${index}`, callId: `c${index}`, personId: 'maren' };
          return testRecord({ ...ids, ...more, startedAt: at, endedAt: at + minute / 2 });
        });
        const opensOf = (rows: readonly Waiting[]) => rows.flatMap(({ tries }) => tries.map(({ id }) => id));
        const [earlier, later] = [records.slice(0, cut), records.slice(cut)];
        const [before] = waitingAfter(isReversed ? earlier.toReversed() : earlier, 'maren', plain);
        const [since] = waitingAfter(later, 'maren', plain);
        const row = since ?? nothingOf('maren', before?.handle ?? '');
        const whole = waitingAfter(records, 'maren', plain);
        expect(opensOf(before ? [withBrought(row, before)] : [row])).toEqual(opensOf(whole));
      }),
    );
  });
});
