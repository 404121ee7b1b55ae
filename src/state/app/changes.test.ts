import fc from 'fast-check';

import { writtenMessage } from '@/core/inbox/messages';

import { inboxReducer, keepOne } from './inboxSlice';
import { changesBetween } from './changes';

const things = fc.dictionary(fc.constantFrom('a', 'b', 'c', 'd', 'e'), fc.integer({ min: 0, max: 2 }));

describe('what became of kept things', () => {
  it('leads from what was to what is', () => {
    fc.assert(
      fc.property(things, things, (was, is) => {
        const before = named(was);
        // What has not changed is the same object.
        const now = Object.fromEntries(
          Object.entries(named(is)).map(([id, thing]) => [
            id,
            before[id]?.value === thing.value ? before[id]! : thing,
          ]),
        );
        const { put, goneIds } = changesBetween(before, now);
        const led = { ...before, ...Object.fromEntries(put.map((thing) => [thing.id, thing])) };
        for (const id of goneIds) delete led[id];
        expect(led).toEqual(now);
        for (const thing of put) expect(before[thing.id]).not.toBe(thing);
        expect(changesBetween(before, now)).toBe(changesBetween(before, now));
      }),
    );
  });

  it('is the same where one was kept as by looking through all', () => {
    const message = (id: string, text = 'One') =>
      writtenMessage({ id, at: 1, number: '262', lineId: 'text', text });
    const start = ['a', 'b', 'c']
      .map((id) => keepOne('messages', message(id)))
      .reduce(inboxReducer, undefined);
    if (!start) throw new Error('Nothing kept');
    const before = start.kept.messages;
    for (const one of [message('d'), message('b', 'Another'), before['c']]) {
      if (!one) throw new Error('Nothing to keep');
      const now = inboxReducer(start, keepOne('messages', one)).kept.messages;
      expect(changesBetween(before, now)).toEqual(changesBetween(before, { ...now }));
    }
  });
});

const named = (values: Record<string, number>) =>
  Object.fromEntries(Object.entries(values).map(([id, value]) => [id, { id, value }]));
