import type { CallRecord } from '@/core/calls/exchange';
import { testRecord } from '@/core/calls/exchange/tests/testRecord';
import { emptyOffice, OfficeIndex } from '@/core/setup';
import { PeopleIndex } from '@/core/people/contacts';
import { looseEndsOf, meaningOf, waitingAfter } from '.';

/** A Thursday, 10:40 in London. */
const now = Date.UTC(2026, 10, 26, 10, 40);
const minute = 60_000;

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
  const meaning = (more: Partial<CallRecord>) => meaningOf(record(more), office);

  it('that was for a colleague leaves nobody waiting for whoever answers for them', () => {
    expect(meaning({ outcome: 'missed' }).tried).not.toBeNull();
    expect(meaning({ outcome: 'missed', forId: 'ilse' }).tried).toBeNull();
  });

  it('opens one where nobody took the call, with the line’s urgency; known by when it was over', () => {
    expect(meaning({})).toMatchObject({
      reach: null,
      tried: { kind: 'call', isUrgent: true, at: now, openedAt: now + minute },
    });
    expect(meaning({ messageMs: 41_000 }).tried).toMatchObject({ kind: 'voicemail', lengthMs: 41_000 });
  });

  it('knows one contact by all their numbers, a colleague by who they are, and keeps withheld calls apart', () => {
    const keysOf = (...others: [number: string | null, personId: string | null][]) => {
      const records = others.map(([number, personId], index) =>
        record({ id: `r${index}`, callId: `c${index}`, other: { number, name: null, personId } }),
      );
      const rows = waitingAfter(records, records[0]!.personId, office);
      const parts = { followUps: [], wordsOf: () => null, takenBy: () => null, office, people };
      return looseEndsOf({ ...parts, rows }).open.map(({ who }) => who.key);
    };
    expect(keysOf(['+441174960155', null], ['+447700900155', null])).toEqual(['contact:peg']);
    expect(keysOf(['201', 'ilse'])).toEqual(['person:ilse']);
    expect(keysOf([null, null], [null, null])).toEqual(['withheld:c0', 'withheld:c1']);
  });

  it('closes one where they were talked to, and says nothing where a call never was', () => {
    const { reach, tried: left } = meaning({ outcome: 'answered', answeredAt: now + 5_000 });
    expect(reach).toMatchObject({ how: 'answer', talkMs: 55_000, byId: null, began: now });
    expect(left).toBeNull();
    expect(meaning({ direction: 'out', outcome: 'answered', answeredAt: now }).reach).toMatchObject({
      how: 'call',
    });
    expect(meaning({ direction: 'out', outcome: 'noAnswer' })).toEqual({ reach: null, tried: null });
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
    expect(meaning({ outcome: 'answered', answeredAt: now + 3_000, parties: handed }).reach).toMatchObject({
      ...{ how: 'answer', talkMs: 65_000, at: now + 72_000, byId: 'ilse' },
    });
    // Passed on while it rang; taken by a colleague; refused here, and taken there.
    for (const outcome of ['deflected', 'answeredByOther', 'refused'] as const)
      expect(meaning({ outcome, answeredById: 'ilse', parties: talks(['ilse', 6, 36]) }).reach).toMatchObject(
        { talkMs: 30_000, byId: 'ilse' },
      );
    // At a number outside of whose plan rang it: that is the worker.
    expect(
      meaning({ outcome: 'answered', answeredAt: now + 5_000, parties: talks([null, 5, 50]) }).reach,
    ).toMatchObject({ talkMs: 45_000, byId: null });
  });

  it('counts the seconds in which several had them once', () => {
    expect(
      meaning({ outcome: 'answered', parties: talks(['ada', 0, 30], ['ilse', 10, 20], [null, 25, 40]) })
        .reach,
    ).toMatchObject({ talkMs: 40_000, byId: null });
  });

  it('opens one where they left a message after the talk, since it came later', () => {
    const finish = { kind: 'mailbox', personId: 'ada' } as const;
    const left = { outcome: 'answered', messageMs: 20_000, parties: talks(['ada', 0, 30]) } as const;
    expect(meaning({ ...left, finish })).toMatchObject({
      reach: { how: 'answer' },
      tried: { kind: 'voicemail', at: now + minute },
    });
    expect(meaning({ ...left, finish: { ...finish, personId: 'ilse' } }).tried).toBeNull();
  });
});
