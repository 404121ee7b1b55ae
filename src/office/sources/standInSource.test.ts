import { emptyFields, type Fields } from '@/core/people/contacts';
import { SourceBroken, StandInSource, type Book } from '.';

const is = (key: string, name: string) => ({ key, fields: { ...emptyFields(), name } satisfies Fields });
const book: Book = {
  id: 'list',
  name: 'The list',
  about: '',
  entries: ['a', 'b', 'c', 'd', 'e'].map((key) => is(key, key.toUpperCase())),
  later: [is('f', 'F'), { key: 'a', fields: null }],
};
const quiet = { step: 0, breaksOff: false };

/** Every change from a token on, with the token after it. */
function all(source: StandInSource, from: string | null) {
  const keys: string[] = [];
  let token = from;
  for (let hasMore = true; hasMore;) {
    const page = source.changesSince(token);
    keys.push(...page.changes.map(({ key, fields }) => (fields ? key : `-${key}`)));
    ({ token, hasMore } = page);
  }
  return { keys, token };
}

describe('an address book elsewhere', () => {
  it('tells everybody in pages, each with a token to go on from', () => {
    const first = new StandInSource(book, quiet).changesSince(null);
    expect(first.changes).toHaveLength(4);
    expect(first.hasMore).toBe(true);
    expect(all(new StandInSource(book, quiet), first.token)).toEqual({ keys: ['e'], token: '5' });
  });

  it('tells since a token only what came after, who is gone among it', () => {
    const { token } = all(new StandInSource(book, quiet), null);
    expect(all(new StandInSource(book, quiet), token).keys).toEqual([]);
    expect(all(new StandInSource(book, { ...quiet, step: 2 }), token).keys).toEqual(['f', '-a']);
  });

  it('that breaks off tells its first page and no more', () => {
    const source = new StandInSource(book, { ...quiet, breaksOff: true });
    const { token } = source.changesSince(null);
    expect(() => source.changesSince(token)).toThrow(SourceBroken);
  });

  it.each(['-1', '99', 'x', '1.5'])('does not know the token %s', (token) => {
    expect(() => new StandInSource(book, quiet).changesSince(token)).toThrow(
      'The list does not know how far it had told.',
    );
  });
});
