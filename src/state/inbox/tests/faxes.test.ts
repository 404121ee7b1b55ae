import type { Fax } from '@/core/inbox/fax';
import { selectFailedFaxes } from '@/state/app';

import { onlineChanged } from '../../app/slices';
import { markFaxRead, readFaxPages, selectTimeline, sendFaxAgain, stopFax, takeBackFax, writeFax } from '..';
import { open, serveClips, settle, type App } from './openApp';

beforeEach(serveClips);

const pdf = Uint8Array.from([37, 80, 68, 70]);
const peg = '+441174960155';
const write = async (app: App, title: string, number = peg): Promise<string> =>
  (await app.store.dispatch(writeFax({ number, lineId: 'field', title, pages: 2, pdf }))) ?? '';
const states = (app: App) =>
  Object.values(app.state().inbox.kept.faxes)
    .filter(({ direction }) => direction === 'out')
    .map(({ title, state, sentPages }) => `${title} ${state} ${sentPages}`);

describe('a fax', () => {
  it('goes out with its stages, one after the other, and answers who waits', async () => {
    const app = await open();
    await app.office.play({
      kind: 'faxIn',
      fax: { number: peg, lineId: 'field', title: 'Question', pages: 1, url: '/q.pdf' },
    });
    await settle();
    expect(app.waiting()).toContain('Peg Anstey');
    await write(app, 'First');
    await write(app, 'Second');
    await settle();
    expect(states(app)).toEqual(['First dialling 0', 'Second waiting 0']);
    await app.pass(14);
    expect(states(app)).toEqual(['First sending 0', 'Second waiting 0']);
    await app.pass(20);
    expect(states(app)).toEqual(['First sending 1', 'Second waiting 0']);
    await app.pass(20);
    expect(states(app)).toEqual(['First done 2', 'Second dialling 0']);
    expect(app.waiting()).not.toContain('Peg Anstey');
    expect(selectTimeline(app.state(), 'contact:peg').filter(({ kind }) => kind === 'fax')).toHaveLength(4);
  });

  it('waits without a network, and for the page that was closed meanwhile', async () => {
    const app = await open();
    app.store.dispatch(onlineChanged(false));
    const id = await write(app, 'Permit');
    await settle();
    expect(states(app)).toEqual(['Permit waiting 0']);
    await app.vault.flush();
    app.stop();
    const again = await open(app.kept, { state: app.office.save() });
    expect(states(again)).toEqual(['Permit dialling 0']);
    expect(await readFaxPages(again.vault, { id, pagesUrl: null })).toEqual(pdf);
    await again.vault.flush();
    again.stop();
    // On its way while the page was closed, it goes on where it was.
    const third = await open(again.kept, { state: again.office.save() });
    await third.pass(60);
    expect(states(third)).toEqual(['Permit done 2']);
  });

  it('to a busy number is tried again by itself; one that has failed goes again by hand', async () => {
    const app = await open();
    await app.office.play({ kind: 'faxScript', number: peg, script: { kind: 'busy' } });
    const id = await write(app, 'Permit');
    await app.pass(3);
    expect(states(app)).toEqual(['Permit waiting 0']);
    for (const minutes of [1, 3, 10]) {
      await app.pass(minutes * 60);
      await app.pass(3);
    }
    expect(states(app)).toEqual(['Permit failed 0']);
    await app.office.play({ kind: 'faxScript', number: peg, script: { kind: 'takes' } });
    await app.store.dispatch(sendFaxAgain(id));
    await app.pass(60);
    expect(states(app)).toEqual(['Permit done 2']);
  });

  it('that does not go out just now can be taken back, with its pages', async () => {
    const app = await open();
    app.store.dispatch(onlineChanged(false));
    const id = await write(app, 'Permit');
    await app.store.dispatch(takeBackFax(id));
    await settle();
    expect(states(app)).toEqual([]);
    expect(await readFaxPages(app.vault, { id, pagesUrl: null })).toBeNull();
    app.store.dispatch(onlineChanged(true));
    const sent = await write(app, 'Another');
    await app.pass(14);
    await app.store.dispatch(takeBackFax(sent));
    expect(states(app)).toEqual(['Another sending 0']);
  });

  it('is stopped on its way, keeps what arrived, and lets the next one go', async () => {
    const app = await open();
    const id = await write(app, 'Wrong');
    await write(app, 'Next', '+441914980117');
    await app.pass(14);
    await app.pass(25);
    await app.store.dispatch(stopFax(id));
    await settle();
    expect(states(app)).toEqual(['Wrong stopped 1', 'Next dialling 0']);
    await app.pass(60);
    expect(states(app)).toEqual(['Wrong stopped 1', 'Next done 2']);
    await app.store.dispatch(sendFaxAgain(id));
    await app.pass(14);
    await app.pass(20);
    expect(states(app)).toEqual(['Wrong done 2', 'Next done 2']);
  });

  it('that failed keeps its mark, however often it is looked at, until it is sent again or taken back', async () => {
    const app = await open();
    await app.office.play({ kind: 'faxScript', number: peg, script: { kind: 'voice' } });
    const id = await write(app, 'Permit');
    await app.pass(20);
    await app.store.dispatch(markFaxRead(id));
    expect(selectFailedFaxes(app.state())).toBe(1);
    await app.store.dispatch(sendFaxAgain(id));
    expect(selectFailedFaxes(app.state())).toBe(0);
    await app.pass(20);
    expect(selectFailedFaxes(app.state())).toBe(1);
    await app.store.dispatch(takeBackFax(id));
    expect(selectFailedFaxes(app.state())).toBe(0);
  });

  it('whose pages could not be fetched is fetched when it is read', async () => {
    const app = await open();
    const served = globalThis.fetch;
    globalThis.fetch = (async () => {
      throw new Error('No network');
    }) as never;
    await app.office.play({
      kind: 'faxIn',
      fax: { number: null, lineId: 'field', title: 'Map', pages: 1, url: '/map.pdf' },
    });
    await settle();
    const fax = Object.values(app.state().inbox.kept.faxes).find(({ title }) => title === 'Map');
    expect(app.waiting()).toContain('Withheld number');
    expect(await readFaxPages(app.vault, fax as Fax)).toBeNull();
    globalThis.fetch = served;
    expect(await readFaxPages(app.vault, fax as Fax)).not.toBeNull();
  });
});
