import fc from 'fast-check';

import {
  fitsFollowUp,
  listsOf,
  orderFollowUps,
  plainFollowUp,
  priorities,
  readWords,
  stillInUse,
  type FollowUp,
} from '.';

const now = 1_000_000;
const followUp = (id: string, more: Partial<FollowUp> = {}): FollowUp => ({
  kind: 'followUp',
  id,
  at: 0,
  callId: null,
  number: null,
  name: '',
  text: id,
  dueAt: null,
  doneAt: null,
  ...plainFollowUp,
  ...more,
});
const ids = (list: FollowUp[]) => orderFollowUps(list, now).map(({ id }) => id);

describe('follow-ups', () => {
  it('stand overdue first, then by priority and time, then what is done', () => {
    expect(
      ids([
        followUp('done', { doneAt: 5 }),
        followUp('done later', { doneAt: 9 }),
        followUp('some time'),
        followUp('low, soon', { priority: 'low', dueAt: now + 1 }),
        followUp('tomorrow', { dueAt: now + 90 }),
        followUp('soon', { dueAt: now + 10 }),
        followUp('high, some time', { priority: 'high' }),
        followUp('overdue', { dueAt: now - 1 }),
        followUp('overdue, low, longer', { dueAt: now - 50, priority: 'low' }),
      ]),
    ).toEqual([
      'overdue, low, longer',
      'overdue',
      'high, some time',
      'soon',
      'tomorrow',
      'some time',
      'low, soon',
      'done later',
      'done',
    ]);
  });

  it('stand in one order, however they come', () => {
    const any = fc.record({
      at: fc.nat(5),
      dueAt: fc.option(fc.integer({ min: now - 3, max: now + 3 })),
      doneAt: fc.option(fc.nat(3)),
      priority: fc.constantFrom(...priorities),
    });
    fc.assert(
      fc.property(fc.array(any, { maxLength: 12 }), (given) => {
        const list = given.map((more, index) => followUp(`f${index}`, more));
        expect(ids([...list].reverse())).toEqual(ids(list));
      }),
    );
  });

  it('are filtered by list, by all of the words, and by being done', () => {
    const mast = followUp('mast', { list: 'Field', words: ['mast', 'lathmoor'] });
    const code = followUp('code', { list: 'Field', words: ['gate code'], doneAt: 3 });
    const fits = (filter: Parameters<typeof fitsFollowUp>[1]) =>
      [mast, code].filter((each) => fitsFollowUp(each, filter)).map(({ id }) => id);
    expect(fits({})).toEqual(['mast']);
    expect(fits({ isDoneToo: true, list: 'Field' })).toEqual(['mast', 'code']);
    expect(fits({ list: 'Office', isDoneToo: true })).toEqual([]);
    expect(fits({ words: ['mast', 'lathmoor'] })).toEqual(['mast']);
    expect(fits({ words: ['mast', 'gate code'], isDoneToo: true })).toEqual([]);
    expect(listsOf([mast, code])).toEqual({ lists: ['Field'], words: ['gate code', 'lathmoor', 'mast'] });
  });

  it('are never hidden by a list or a word that is gone', () => {
    const left = followUp('left', { list: 'Van', words: ['winch'] });
    const inUse = listsOf([left]);
    const filter = stillInUse({ list: 'Gauges', words: ['hut', 'winch'], isDoneToo: true }, inUse);
    expect(filter).toEqual({ list: null, words: ['winch'], isDoneToo: true });
    expect(fitsFollowUp(left, filter)).toBe(true);
    expect(stillInUse({ list: 'Van' }, inUse)).toEqual({ list: 'Van', words: [] });
    expect(stillInUse({}, inUse)).toEqual({ list: null, words: [] });
  });

  it('take words as they are typed', () => {
    expect(readWords(' Gate code, mast,, MAST ')).toEqual(['gate code', 'mast']);
    expect(readWords('  ')).toEqual([]);
  });
});
