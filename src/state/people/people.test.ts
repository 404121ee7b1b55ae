import { emptyFields, ownSource, type JoinedContact } from '@/core/people/contacts';
import { selectContacts } from '@/state/app';
import {
  addContact,
  changeContact,
  changeOutside,
  connectSource,
  giveBack,
  importStemNow,
  joinsOf,
  judge,
  leaveSource,
  peopleToWrite,
  removeContact,
  selectSources,
  syncSource,
  takeBackJudgement,
  takeInBlocks,
  takeOutBlocks,
  watchUntilFree,
} from '.';

import { onlineChanged } from '../app/slices';
import { syncEveryMs } from './syncing';
import { open, serveClips, settle, type App } from '../inbox/tests/openApp';

beforeEach(serveClips);

const { kept: _kept, ...blank } = emptyFields();
const ann = {
  ...blank,
  name: 'Ann Blackrow',
  numbers: [{ label: 'mobile', number: '+447700900601' }],
  note: 'Two gates',
};
const contacts = (app: App) => selectContacts(app.state());
const named = (app: App, name: string): JoinedContact => {
  const found = contacts(app).find((contact) => contact.name === name);
  if (!found) throw new Error(`Nobody is called ${name}`);
  return found;
};
const source = (app: App, id: string) => {
  const found = selectSources(app.state(), app.services.books).find((each) => each.id === id);
  if (!found) throw new Error(`No source ${id}`);
  return found;
};
const find = async (app: App, text: string) =>
  (await app.services.finding.finder?.find(text, 20))?.map(({ key }) => key) ?? [];

describe('a contact of one’s own', () => {
  it('is found at once, changed in its place, kept over a restart, taken out, and had back', async () => {
    const app = await open();
    await settle();
    const id = await app.store.dispatch(addContact(ann));
    expect(await find(app, 'black ann')).toEqual([`contact:${id}`]);
    await app.store.dispatch(changeContact(named(app, 'Ann Blackrow'), { ...ann, name: 'Ann Thorn' }));
    expect(await find(app, 'two gates thorn')).toEqual([`contact:${id}`]);
    expect(app.state().inbox.kept.changes).toEqual({});
    await app.stop();

    const again = await open(app.kept);
    await settle();
    const kept = named(again, 'Ann Thorn');
    expect(kept).toMatchObject({ id, cards: [{ sourceId: ownSource }] });
    const putBack = again.store.dispatch(removeContact(kept));
    expect(await find(again, 'thorn')).toEqual([]);
    putBack();
    expect(await find(again, 'thorn')).toEqual([`contact:${id}`]);
  });
});

describe('a source', () => {
  it('is brought in by pages and kept in step: added, changed and gone', async () => {
    const app = await open();
    await settle();
    app.store.dispatch(connectSource('phoneBook'));
    expect(source(app, 'phoneBook')).toMatchObject({
      token: '6',
      problem: null,
      last: { added: 6, changed: 0, gone: 0 },
    });
    app.store.dispatch(changeOutside('phoneBook', { step: 3 }));
    app.store.dispatch(syncSource('phoneBook'));
    expect(source(app, 'phoneBook').last).toMatchObject({ added: 1, changed: 1, gone: 1 });
    expect(named(app, 'Rowan Ashby').numbers[0]?.number).toBe('+447700900462');
    expect(contacts(app).some(({ name }) => name.startsWith('Garage'))).toBe(false);
    await app.stop();
    const again = await open(app.kept);
    await settle();
    expect(named(again, 'Rowan Ashby').cards[0]?.sourceId).toBe('phoneBook');
  });

  it('that breaks off in the middle keeps what came and takes nothing away; the next sync goes on', async () => {
    const app = await open();
    await settle();
    const before = contacts(app).length;
    app.store.dispatch(changeOutside('customerList', { breaksOff: true }));
    app.store.dispatch(connectSource('customerList'));
    expect(source(app, 'customerList')).toMatchObject({
      token: '4',
      problem: 'Customer list broke off in the middle.',
      syncedAt: null,
    });
    expect(contacts(app)).toHaveLength(before + 4);
    app.store.dispatch(changeOutside('customerList', { breaksOff: false }));
    app.store.dispatch(syncSource('customerList'));
    expect(source(app, 'customerList').problem).toBeNull();
    expect(contacts(app)).toHaveLength(before + 9);
  });

  it('does not undo what the worker changed, until it is given back, and leaves whom they changed', async () => {
    const app = await open();
    await settle();
    app.store.dispatch(connectSource('mailAccount'));
    const weather = contacts(app).find(({ cards }) => cards[0]?.sourceKey === 'm5');
    if (!weather) throw new Error('The mail account has no weather');
    const { kept: _k, cards: _c, id, ...fields } = weather;
    await app.store.dispatch(changeContact(weather, { ...fields, mails: ['roof@glenbrae.example'] }));
    app.store.dispatch(changeOutside('mailAccount', { step: 3 }));
    app.store.dispatch(syncSource('mailAccount'));
    const now = () => contacts(app).find((each) => each.id === id);
    expect(now()?.mails).toEqual(['roof@glenbrae.example']);
    app.store.dispatch(giveBack(id, 'mails'));
    expect(now()?.mails).toEqual(['data@glenbrae.example']);

    await app.store.dispatch(changeContact(now() ?? weather, { ...fields, note: 'Met on the roof' }));
    const before = { contacts: contacts(app), source: source(app, 'mailAccount') };
    const undo = app.store.dispatch(leaveSource('mailAccount'));
    undo();
    expect(contacts(app)).toEqual(expect.arrayContaining(before.contacts));
    expect(contacts(app)).toHaveLength(before.contacts.length);
    expect(source(app, 'mailAccount')).toEqual(before.source);
    app.store.dispatch(leaveSource('mailAccount'));
    expect(
      contacts(app).filter(({ cards }) => cards.some(({ sourceId }) => sourceId === 'mailAccount')),
    ).toEqual([]);
    expect(now()).toMatchObject({ note: 'Met on the roof', cards: [{ sourceId: ownSource }] });
  });

  it('comes in step by itself after a quarter of an hour', async () => {
    const every = jest.spyOn(globalThis, 'setInterval');
    const app = await open();
    await settle();
    app.store.dispatch(connectSource('phoneBook'));
    app.store.dispatch(changeOutside('phoneBook', { step: 1 }));
    const [tick] = every.mock.calls.find(([, ms]) => ms === syncEveryMs) ?? [];
    every.mockRestore();
    tick?.();
    expect(named(app, 'New neighbour').cards[0]?.sourceId).toBe('phoneBook');
  });

  it('waits without a network, and comes in step when there is one', async () => {
    const app = await open();
    await settle();
    app.store.dispatch(onlineChanged(false));
    app.store.dispatch(connectSource('phoneBook'));
    expect(source(app, 'phoneBook')).toMatchObject({ token: null, problem: /^There is no network/ });
    app.store.dispatch(onlineChanged(true));
    expect(source(app, 'phoneBook')).toMatchObject({ token: '6', problem: null });
  });
});

describe('who is there twice', () => {
  it('is made one under the first one’s key, with all numbers, and parted again', async () => {
    const app = await open();
    await settle();
    app.store.dispatch(connectSource('customerList'));
    const farm = contacts(app).find(({ cards }) => cards[0]?.sourceKey === 'c101');
    const joinId = app.store.dispatch(judge(['peg', farm?.id ?? ''], true));
    const peg = named(app, 'Peg Anstey');
    expect(peg).toMatchObject({ id: 'peg', groups: ['Landowners'] });
    expect(peg.numbers).toHaveLength(2);
    expect(joinsOf(app.state(), peg).map(({ id }) => id)).toEqual([joinId]);
    expect(await find(app, 'landowners peg')).toEqual(['contact:peg']);
    app.store.dispatch(takeBackJudgement(joinId));
    expect(named(app, 'Peg Anstey').groups).toEqual([]);
    expect(contacts(app).some(({ id }) => id === farm?.id)).toBe(true);
  });
});

describe('people of a file', () => {
  it('stand in blocks of their own, are written out with their photo, and are taken out together', async () => {
    const app = await open();
    await settle();
    const before = contacts(app).length;
    const stem = app.store.dispatch(importStemNow());
    const photo = 'data:image/png;base64,iVBORw0KGgo=';
    const cards = ['Bo', 'Cy'].map((name, at) => ({
      ...emptyFields(),
      ...{ name, photo: at === 0 ? photo : null },
      ...{ id: `${stem}-${at}`, sourceId: ownSource, sourceKey: null },
    }));
    await app.store.dispatch(takeInBlocks([{ id: `${stem}-0`, cards }]));
    expect(named(app, 'Bo').photo).toMatch(/^kept:/);
    const written = await app.store.dispatch(peopleToWrite());
    expect(written.find(({ name }) => name === 'Bo')?.photo).toBe(photo);
    // Somebody written down later does not stand among them.
    await app.store.dispatch(addContact(ann));
    app.store.dispatch(takeOutBlocks([`${stem}-0`]));
    expect(contacts(app)).toHaveLength(before + 1);
    expect(named(app, 'Ann Blackrow').numbers).toHaveLength(1);
  });
});

describe('a colleague waited for', () => {
  /** Ilse talks with Tobias; gives what ends it. */
  const busy = async (app: App) => {
    const made = await app.office.send({
      type: 'make',
      from: { kind: 'device', deviceId: 'ilse-desk' },
      to: '207',
    });
    await app.pass(10);
    expect(made.ok).toBe(true);
    const legId = made.ok ? (made.legId ?? '') : '';
    return async () => {
      await app.office.send({ type: 'clear', legId });
      await settle();
    };
  };

  it('is told of, once, when they are free', async () => {
    const app = await open();
    await settle();
    const hangUp = await busy(app);
    app.store.dispatch(watchUntilFree('ilse', false));
    await app.pass(10);
    expect(app.state().inbox.kept.freeWatches).toHaveProperty('ilse');
    await hangUp();
    expect(app.state().notices.done).toBe('Ilse Varga is free now.');
    expect(app.state().inbox.kept.freeWatches).toEqual({});
  });

  it('is called by itself, and is waited for over a restart', async () => {
    const app = await open();
    await settle();
    const hangUp = await busy(app);
    app.store.dispatch(watchUntilFree('ilse', true));
    await app.vault.flush();
    expect([...app.kept.entries.keys()]).toContain('freeWatch/maren/ilse');
    await hangUp();
    const mine = Object.values(app.state().calls.byId).filter(({ dialled }) => dialled === '201');
    expect(mine).toHaveLength(1);
  });
});
