import fc from 'fast-check';

import { emptyFields, fullBlock, ownSource, type Card } from '@/core/people/contacts';
import { createAppStore } from '@/state/app';

import { keptKinds } from '../kept';
import { dropCards, putCards } from './blocks';

const card = (id: string, name = id, sourceId = ownSource): Card => ({
  ...emptyFields(),
  ...{ id, name, sourceId, sourceKey: null },
});
const blocksOf = ({ store }: ReturnType<typeof createAppStore>) =>
  Object.values(store.getState().inbox.kept.people);

describe('cards in their blocks', () => {
  it('fill one block before the next begins, and each source has its own', () => {
    const app = createAppStore();
    app.store.dispatch(putCards(Array.from({ length: fullBlock + 20 }, (_, at) => card(`c${at}`))));
    app.store.dispatch(putCards([card('m1', 'Mail', 'mailAccount')]));
    app.store.dispatch(putCards([card('late')]));
    expect(blocksOf(app).map(({ id, cards }) => [id, cards.length])).toEqual([
      ['own-cards-1', 100],
      ['own-cards-2', 21],
      ['mailAccount-cards-1', 1],
    ]);
  });

  it('a change touches the block of its card and no other; an empty block goes', () => {
    const app = createAppStore();
    app.store.dispatch(putCards(Array.from({ length: fullBlock + 1 }, (_, at) => card(`c${at}`))));
    const before = blocksOf(app);
    app.store.dispatch(putCards([card('c100', 'Changed')]));
    expect(blocksOf(app)[0]).toBe(before[0]);
    expect(blocksOf(app)[1]?.cards).toMatchObject([{ name: 'Changed' }]);
    app.store.dispatch(dropCards(['c100', 'nobody']));
    expect(blocksOf(app)).toHaveLength(1);
  });

  it('hold each card once, as it was put last, whatever comes and goes', () => {
    const step = fc.oneof(
      fc.record({ put: fc.uniqueArray(fc.integer({ min: 0, max: 9 })), name: fc.string() }),
      fc.record({ drop: fc.array(fc.integer({ min: 0, max: 11 })) }),
    );
    fc.assert(
      fc.property(fc.array(step, { maxLength: 12 }), (steps) => {
        const app = createAppStore();
        const expected = new Map<string, string>();
        for (const each of steps) {
          if ('put' in each) {
            app.store.dispatch(putCards(each.put.map((id) => card(String(id), each.name))));
            for (const id of each.put) expected.set(String(id), each.name);
          } else {
            app.store.dispatch(dropCards(each.drop.map(String)));
            for (const id of each.drop) expected.delete(String(id));
          }
        }
        const cards = blocksOf(app).flatMap((block) => block.cards.map(({ id, name }) => [id, name]));
        expect(cards.sort()).toEqual([...expected].sort());
        for (const { cards: those } of blocksOf(app)) expect(those.length).toBeGreaterThan(0);
      }),
    );
  });
});

it('a contact of the first version, which stood alone, is a block of one', () => {
  const old = {
    ...{ id: 'in-1-0', name: 'Peg Anstey', firm: null, mails: ['p@x.example'], note: 'Moss', kept: [] },
    numbers: [{ label: 'home', number: '+441174960155' }],
  };
  const { schema, kind } = keptKinds.people;
  expect(schema.parse(kind.migrations?.[1]?.(old))).toEqual({
    id: 'in-1-0',
    cards: [{ ...old, places: [], groups: [], photo: null, sourceId: ownSource, sourceKey: null }],
  });
});
