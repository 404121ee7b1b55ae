import fc from 'fast-check';

import type { CallRecord } from '@/core/calls/exchange';
import { testRecord } from '@/core/calls/exchange/tests/testRecord';
import { emptyOffice, OfficeIndex } from '@/core/setup';
import { PeopleIndex } from '@/core/people/contacts';
import {
  applyLooseEvents,
  rankWords,
  looseEventsOf,
  noLooseEnds,
  orderOf,
  triesOf,
  usualWeights,
  whyWords,
  workingMs,
  type LooseEnds,
  type LooseEvent,
  type OwnHours,
  type Tried,
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

let count = 0;
const who = (key: string) => ({ key, name: key, number: '+441914980162' });
const tried = (key: string, at: number, more: Partial<Tried> = {}): Tried => ({
  kind: 'tried',
  id: `e${count++}`,
  at,
  who: who(key),
  channel: 'call',
  lineId: null,
  teamId: null,
  isUrgent: false,
  isStarred: false,
  words: null,
  lengthMs: null,
  ...more,
});
const reached = (key: string, at: number, more: object = {}): LooseEvent => ({
  kind: 'reached',
  id: `e${count++}`,
  at,
  key,
  how: 'call',
  talkMs: 60_000,
  byId: null,
  ...more,
});
const byHand = (kind: 'done' | 'undone', key: string, at: number): LooseEvent => ({
  kind,
  id: `e${count++}`,
  at,
  key,
});
const snoozed = (key: string, at: number, until: number): LooseEvent => ({
  kind: 'snoozed',
  id: `e${count++}`,
  at,
  key,
  until,
});
const promised = (key: string, at: number, dueAt: number): LooseEvent => ({
  kind: 'promised',
  id: `e${count++}`,
  at,
  who: who(key),
  lineId: null,
  dueAt,
  notBefore: null,
  words: 'Call back',
});
const after = (...events: LooseEvent[]): LooseEnds => applyLooseEvents(noLooseEnds, events);
const waiting = ({ open }: LooseEnds) => open.map((end) => end.who.key).sort();
const inOrder = (ends: LooseEnds, at = now, weights = usualWeights) =>
  orderOf(ends.open, weights, hours, 'maren', at).map(({ end }) => end.who.key);

describe('who waits', () => {
  it('is one entry, however often and on whatever channel they tried', () => {
    const ends = after(
      tried('peg', now - 30 * minute),
      tried('peg', now - 20 * minute, { channel: 'voicemail', lengthMs: 41_000, words: 'The weir is high' }),
      tried('peg', now - 10 * minute, { channel: 'text', words: 'Gate code is 4120' }),
    );
    expect(ends.open).toHaveLength(1);
    expect(triesOf(ends.open[0]!)).toBe(3);
    const office = new OfficeIndex(emptyOffice);
    expect(whyWords(ends.open[0]!, office, now)).toBe('3 tries, last 10 min ago, voicemail 0:41, text');
  });

  it('is reached by a call of some length, not by one that breaks off, nor by one before they tried', () => {
    const tries = tried('peg', now);
    expect(waiting(after(tries, reached('peg', now + minute)))).toEqual([]);
    expect(waiting(after(tries, reached('peg', now + minute, { talkMs: 9_999 })))).toEqual(['peg']);
    expect(waiting(after(tries, reached('peg', now - minute)))).toEqual(['peg']);
  });

  it('is answered by a text, which keeps no promise to call', () => {
    const text = reached('peg', now + minute, { how: 'text', talkMs: 0 });
    expect(waiting(after(tried('peg', now), text))).toEqual([]);
    const ends = after(tried('peg', now), promised('peg', now, now + hour), text);
    expect(ends.open[0]?.reasons.map(({ kind }) => kind)).toEqual(['promised']);
  });

  it('may be reached by a colleague, which is told, and can be taken back', () => {
    const ends = after(tried('peg', now), reached('peg', now + minute, { byId: 'ilse' }));
    expect(ends).toMatchObject({ open: [], closed: [{ how: 'reachedByColleague', byId: 'ilse' }] });
    const undone = applyLooseEvents(ends, [byHand('undone', 'peg', now + 2 * minute)]);
    expect(undone).toMatchObject({ open: [{ who: { key: 'peg' } }], closed: [] });
  });

  it('that was done or put off is back with a new try, which brings back no old ones', () => {
    const done = after(tried('peg', now), byHand('done', 'peg', now + 1), tried('peg', now + hour));
    expect(done.open[0]?.reasons).toHaveLength(1);
    const off = after(tried('peg', now), snoozed('peg', now + 1, now + 2 * hour));
    expect(inOrder(off, now + hour)).toEqual([]);
    expect(inOrder(off, now + 2 * hour)).toEqual(['peg']);
    expect(inOrder(applyLooseEvents(off, [tried('peg', now + hour)]), now + hour)).toEqual(['peg']);
  });

  it('that was taken on by a colleague stands last, until they try again', () => {
    const take: LooseEvent = { kind: 'taken', id: 't', at: now, key: 'peg', byId: 'ilse' };
    const ends = after(tried('peg', now, { isUrgent: true }), tried('hallin', now), take);
    expect(inOrder(ends)).toEqual(['hallin', 'peg']);
    expect(inOrder(applyLooseEvents(ends, [tried('peg', now + 1)]))).toEqual(['peg', 'hallin']);
  });

  it('is settled in part where one reason is: a follow-up that was ticked', () => {
    const promise = promised('peg', now, now + hour);
    const ends = after(tried('peg', now), promise, {
      kind: 'settled',
      id: 's',
      at: now + 1,
      key: 'peg',
      reasonId: promise.id,
    });
    expect(ends.open[0]?.reasons.map(({ kind }) => kind)).toEqual(['call']);
  });
});

it('very many tries of one person are counted, and only the newest kept one by one', () => {
  let ends = noLooseEnds;
  for (let index = 0; index < 500; index++) ends = applyLooseEvents(ends, [tried('peg', now + index)]);
  const [end] = ends.open;
  expect(end?.reasons).toHaveLength(40);
  expect(end?.reasons[0]?.at).toBe(now);
  expect(triesOf(end!)).toBe(500);
  expect(waiting(applyLooseEvents(ends, [reached('peg', now + 1000)]))).toEqual([]);
});

describe('the order', () => {
  it('is of urgency, tries, promises and hours of waiting, each explained', () => {
    const ends = after(
      tried('patient', now - 2 * hour),
      tried('flood', now - 5 * minute, { isUrgent: true }),
      tried('often', now - 9 * minute),
      tried('often', now - 6 * minute),
      tried('often', now - 4 * minute),
      promised('promised', now - hour, now - minute),
    );
    expect(inOrder(ends)).toEqual(['flood', 'promised', 'often', 'patient']);
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

  it('follows its weights', () => {
    const ends = after(tried('flood', now, { isUrgent: true }), tried('starred', now, { isStarred: true }));
    expect(inOrder(ends, now, { ...usualWeights, urgentLine: 0 })).toEqual(['starred', 'flood']);
  });
});

describe('whatever happens', () => {
  const keys = ['a', 'b', 'c'] as const;
  const step = fc.record({
    key: fc.constantFrom(...keys),
    act: fc.constantFrom('try', 'try', 'text', 'promise', 'reach', 'short', 'done', 'snooze', 'undo', 'take'),
    afterMinutes: fc.integer({ min: 0, max: 300 }),
  });
  const eventsOf = (steps: readonly { key: string; act: string; afterMinutes: number }[]): LooseEvent[] => {
    let at = now;
    return steps.map(({ key, act, afterMinutes }, index): LooseEvent => {
      at += afterMinutes * minute;
      const id = `s${index}`;
      switch (act) {
        case 'try':
        case 'text':
          return { ...tried(key, at), id, channel: act === 'try' ? 'call' : 'text' };
        case 'promise':
          return { ...promised(key, at, at + hour), id } as LooseEvent;
        case 'reach':
        case 'short':
          return { ...reached(key, at, { talkMs: act === 'reach' ? 30_000 : 3_000 }), id };
        case 'snooze':
          return { kind: 'snoozed', id, at, key, until: at + hour };
        case 'take':
          return { kind: 'taken', id, at, key, byId: 'ilse' };
        default:
          return { kind: act === 'done' ? 'done' : 'undone', id, at, key };
      }
    });
  };

  it('nobody who waits is dropped: only reaching them, or a hand, takes them out', () => {
    fc.assert(
      fc.property(fc.array(step, { maxLength: 40 }), (steps) => {
        let ends = noLooseEnds;
        for (const event of eventsOf(steps)) {
          const before = new Set(waiting(ends));
          ends = applyLooseEvents(ends, [event]);
          const now_ = new Set(waiting(ends));
          for (const key of before) if (!now_.has(key)) expect(['reached', 'done']).toContain(event.kind);
          if (event.kind === 'tried' || event.kind === 'promised') expect(now_).toContain(event.who.key);
          if (event.kind === 'reached' && event.talkMs < 10_000) expect(now_).toEqual(before);
          // Put off is not gone: everyone stands in the order in the end.
          expect(inOrder(ends, event.at + 2 * hour).sort()).toEqual([...now_].sort());
        }
      }),
    );
  });

  it('the same events give the same list, at once, one by one, or from a saved state in the middle', () => {
    fc.assert(
      fc.property(fc.array(step, { maxLength: 40 }), fc.nat(40), (steps, cut) => {
        const events = eventsOf(steps);
        const atOnce = applyLooseEvents(noLooseEnds, events);
        const first = applyLooseEvents(noLooseEnds, events.slice(0, cut));
        const saved = JSON.parse(JSON.stringify(first)) as LooseEnds;
        expect(applyLooseEvents(saved, events.slice(cut))).toEqual(atOnce);
        expect(inOrder(atOnce)).toEqual(inOrder({ ...atOnce, open: [...atOnce.open].reverse() }));
      }),
    );
  });

  it('what is done and undone leaves everything as it was', () => {
    fc.assert(
      fc.property(fc.array(step, { maxLength: 20 }), fc.constantFrom(...keys), (steps, key) => {
        const ends = applyLooseEvents(noLooseEnds, eventsOf(steps));
        const end = ends.open.find(({ who: { key: own } }) => own === key);
        if (!end) return;
        const later = now + 1000 * hour;
        const back = applyLooseEvents(ends, [byHand('done', key, later), byHand('undone', key, later)]);
        expect(back.open.find(({ who: { key: own } }) => own === key)?.reasons).toEqual(end.reasons);
      }),
    );
  });
});

describe('a record of the history', () => {
  const office = new OfficeIndex({
    ...emptyOffice,
    people: [{ id: 'ilse', name: 'Ilse', role: '', extension: '201', presentedLineId: '' }],
    lines: [
      {
        id: 'flood',
        name: 'Flood desk',
        number: '+441314960199',
        cord: { hue: 0, stroke: 'solid' },
        urgent: true,
        ownerId: 'maren',
      },
    ],
    callerGroups: [{ id: 'watch', name: 'Watch', starred: true, numbers: ['+441914980162'] }],
  });
  const people = new PeopleIndex(office, [
    {
      id: 'peg',
      name: 'Peg',
      firm: null,
      numbers: [
        { label: 'home', number: '+441174960155' },
        { label: 'mobile', number: '+447700900155' },
      ],
    },
  ]);
  const record = (more: Partial<CallRecord>) =>
    testRecord({ callId: 'c', lineId: 'flood', startedAt: now, endedAt: now + minute, ...more });
  const eventsOf = (more: Partial<CallRecord>) => looseEventsOf(record(more), office, people);
  const eventOf = (more: Partial<CallRecord>) => eventsOf(more)[0] ?? null;

  it('opens one where nobody took the call, with the line’s urgency and the caller’s star', () => {
    expect(eventOf({})).toMatchObject({ kind: 'tried', channel: 'call', isUrgent: true, isStarred: true });
    expect(eventOf({ messageMs: 41_000 })).toMatchObject({ channel: 'voicemail', lengthMs: 41_000 });
  });

  it('knows one contact by all their numbers, a colleague by who they are, and keeps withheld calls apart', () => {
    const keyOf = (number: string | null, personId: string | null = null, callId = 'c') => {
      const event = eventOf({ callId, other: { number, name: null, personId } });
      return event?.kind === 'tried' ? event.who.key : null;
    };
    expect(keyOf('+441174960155')).toBe(keyOf('+447700900155'));
    expect(keyOf('201', 'ilse')).toBe('person:ilse');
    expect(keyOf(null, null, 'c1')).not.toBe(keyOf(null, null, 'c2'));
  });

  it('closes one where they were talked to, and says nothing where a call never was', () => {
    expect(eventOf({ outcome: 'answered', answeredAt: now + 5_000 })).toMatchObject({
      kind: 'reached',
      how: 'answer',
      talkMs: 55_000,
      byId: null,
    });
    expect(eventOf({ direction: 'out', outcome: 'answered', answeredAt: now })).toMatchObject({
      how: 'call',
    });
    expect(eventOf({ direction: 'out', outcome: 'noAnswer' })).toBeNull();
  });

  /** The caller, and whoever had them from and to a second of the call. */
  const talks = (...ours: [personId: string | null, from: number, to: number][]) => {
    const end = Math.max(...ours.map(([, , to]) => to));
    const seconds = (at: number) => now + at * 1_000;
    return [
      { number: '+441914980162', name: null, personId: null, deviceId: null, from: now, to: seconds(end) },
      ...ours.map(([personId, from, to]) => ({
        number: personId === null ? '+441134960133' : '201',
        name: personId,
        personId,
        deviceId: personId === null ? null : 'd',
        from: seconds(from),
        to: seconds(to),
      })),
    ];
  };

  it('closes one whoever of the office talked with them, and however they came there', () => {
    // Answered, and handed over after five seconds.
    const handed = talks(['ada', 3, 8], ['ilse', 12, 72]);
    expect(eventsOf({ outcome: 'answered', answeredAt: now + 3_000, parties: handed })).toMatchObject([
      { kind: 'reached', how: 'answer', talkMs: 65_000, at: now + 72_000, byId: 'ilse' },
    ]);
    // Passed on while it rang; taken by a colleague; refused here, and taken there.
    for (const outcome of ['deflected', 'answeredByOther', 'refused'] as const)
      expect(eventsOf({ outcome, answeredById: 'ilse', parties: talks(['ilse', 6, 36]) })).toMatchObject([
        { kind: 'reached', talkMs: 30_000, byId: 'ilse' },
      ]);
    // At a number outside of whose plan rang it: that is the worker.
    expect(
      eventsOf({ outcome: 'answered', answeredAt: now + 5_000, parties: talks([null, 5, 50]) }),
    ).toMatchObject([{ kind: 'reached', talkMs: 45_000, byId: null }]);
  });

  it('counts the seconds in which several had them once', () => {
    expect(
      eventsOf({ outcome: 'answered', parties: talks(['ada', 0, 30], ['ilse', 10, 20], [null, 25, 40]) })[0],
    ).toMatchObject({ talkMs: 40_000, byId: null });
  });

  it('opens one where they left a message after the talk, since it came later', () => {
    const finish = { kind: 'mailbox', personId: 'ada' } as const;
    const left = { outcome: 'answered', messageMs: 20_000, parties: talks(['ada', 0, 30]) } as const;
    expect(eventsOf({ ...left, finish })).toMatchObject([
      { kind: 'reached' },
      { kind: 'tried', channel: 'voicemail', at: now + minute },
    ]);
    expect(eventsOf({ ...left, finish: { ...finish, personId: 'ilse' } })).toHaveLength(1);
  });
});
