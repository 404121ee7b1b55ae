import { sampleOffice } from '@sample';

import type { Message } from '@/core/inbox/messages';
import { OfficeIndex } from '@/core/setup';
import { emptyFields, joinContacts, ownSource, PeopleIndex } from '@/core/people/contacts';
import { writtenMessage } from '@/core/inbox/messages';

import { isDifferent, listAll, type Listed, type SearchSources } from './searchables';

const office = new OfficeIndex(sampleOffice);
const peg = {
  ...emptyFields(),
  ...{ id: 'peg', name: 'Peg Anstey', firm: 'Lathmoor Farm', groups: ['Farms'], note: 'Moss' },
  ...{ numbers: [{ label: 'home', number: '+441174960155' }], sourceId: ownSource, sourceKey: null },
};
const contacts = joinContacts([[peg]], { changes: {}, joins: {} });
const text = (number: string, words: string, at = 1): Message =>
  writtenMessage({ id: `${number} ${at}`, at, number, lineId: 'texts', text: words });
const asked: SearchSources = {
  office,
  contacts,
  people: new PeopleIndex(office, contacts),
  messages: {},
  voicemails: {},
  recent: new Map(),
  favourites: [],
  myId: 'maren',
};
const list = (change: Partial<SearchSources> = {}) =>
  new Map([...listAll({ ...asked, ...change })].map((each) => [each.key, each]));
const changedKeys = (before: Map<string, Listed>, now: Map<string, Listed>) =>
  [...now.values()].filter((each) => isDifferent(before.get(each.key), each)).map(({ key }) => key);

describe('who can be found', () => {
  it('is every colleague but me, every team, every contact, and numbers nobody has', () => {
    const keys = [
      ...list({
        recent: new Map([
          ['+447700900777', null],
          ['+441174960155', 'PEG'],
        ]),
      }).keys(),
    ];
    expect(keys).toContain('person:ilse');
    expect(keys).not.toContain('person:maren');
    expect(keys).toContain('contact:peg');
    expect(keys.filter((key) => key.startsWith('team:'))).toHaveLength(sampleOffice.teams.length);
    expect(keys.filter((key) => key.startsWith('number:'))).toEqual(['number:+447700900777']);
  });

  it('is found by all that is known of them, and what was texted with them', () => {
    const all = list({
      messages: { a: text('+441174960155', 'Mind the ford') },
      favourites: ['contact:peg'],
    });
    expect(all.get('contact:peg')?.make()).toEqual({
      ...{ key: 'contact:peg', kind: 'contact', name: 'Peg Anstey', isFavourite: true },
      detail: 'Lathmoor Farm · Farms',
      numbers: peg.numbers,
      texts: [
        { field: 'note', text: 'Moss' },
        { field: 'message', text: 'Mind the ford' },
      ],
    });
  });

  it('a number nobody has goes by the name that came with it, else by itself; our own lines are none', () => {
    const recent = new Map([
      ['+447700900777', 'MOBILE UK'],
      ['+447700900778', null],
      [sampleOffice.lines[0]?.number ?? '', null],
    ]);
    const made = [...list({ recent }).values()].filter(({ key }) => key.startsWith('number:'));
    expect(made.map(({ make }) => make().name)).toEqual(['MOBILE UK', '07700 900778']);
  });

  it('of many texts with somebody the latest forty are looked through', () => {
    const many = Array.from({ length: 60 }, (_, at) => text('+441174960155', `text ${at}`, at));
    const made = list({ messages: Object.fromEntries(many.map((each) => [each.id, each])) })
      .get('contact:peg')
      ?.make();
    const said = made?.texts.filter(({ field }) => field === 'message').map((each) => each.text);
    expect(said).toHaveLength(40);
    expect(said?.[0]).toBe('text 59');
  });
});

describe('what the search is told of', () => {
  it('is nothing while nothing changes', () => {
    expect(changedKeys(list(), list())).toEqual([]);
  });

  it('is only who is new, changed, starred, or was written with', () => {
    const before = list();
    expect(changedKeys(before, list({ favourites: ['person:ilse'] }))).toEqual(['person:ilse']);
    expect(changedKeys(before, list({ messages: { a: text('+441174960155', 'Hello') } }))).toEqual([
      'contact:peg',
    ]);
    const changed = joinContacts([[peg]], {
      changes: { peg: { id: 'peg', fields: { note: 'Brack' } } },
      joins: {},
    });
    expect(changedKeys(before, list({ contacts: changed }))).toEqual(['contact:peg']);
    expect(changedKeys(new Map(), before)).toHaveLength(before.size);
  });
});
