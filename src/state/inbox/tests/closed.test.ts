import { sampleCast, sampleOffice } from '@sample';

import type { CallRecord } from '@/core/calls/exchange';
import { Clock } from '@/office/clock';
import { incomingTextSchema } from '@/office/carrier';
import { type OfficeState } from '@/office/link';
import { HostedOffice, type OfficeStep } from '@/office/hosted';
import { identifyNumber, selectLooseEnds, selectPeople } from '@/state/app';
import type { Speech } from '@/office/standins';

import { writeFax, writeText } from '..';
import { readTables, rowEntries, UnreadableStorage, Vault } from '../../storage';
import { cawder, me, open, serveClips, settle, start, until, type App } from './openApp';

beforeEach(serveClips);

const angling = '+447700900333';
const peg = '+441174960155';
const minuteMs = 60_000;

/** The page is closed now, and opened again after so many minutes; what it could write is written. */
async function closeAndReopen(app: App, minutes: number): Promise<App> {
  await app.vault.flush();
  const state = app.office.save();
  const at = app.clock.now() + minutes * minuteMs;
  app.stop();
  app.office.close();
  const again = await open(app.kept, { state, at });
  await until(() => selectLooseEnds(again.state()) !== null);
  return again;
}

const cawderName = (app: App) => identifyNumber(cawder.number, null, selectPeople(app.state())).name;
const textsWith = (app: App, number: string) =>
  app
    .texts()
    .filter((message) => message.number === number)
    .map(({ text, state }) => `${text} ${state}`);

describe('what falls due while the app is closed', () => {
  it('a text’s receipt and its answer are there afterwards, and the answer waits', async () => {
    const app = await open();
    app.store.dispatch(
      writeText({ number: angling, lineId: 'text', text: 'At two?', notBefore: null, picture: null }, null),
    );
    await settle();
    expect(textsWith(app, angling)).toContain('At two? sent');
    const again = await closeAndReopen(app, 1);
    expect(textsWith(again, angling)).toEqual(
      expect.arrayContaining(['At two? delivered', 'Thanks. I will leave the gate on the latch. received']),
    );
    expect(again.waiting()).toContain('Three Becks Angling Club');
    // Once told is enough: another start brings nothing a second time.
    const before = textsWith(again, angling);
    const third = await closeAndReopen(again, 1);
    expect(textsWith(third, angling).sort()).toEqual(before.sort());
  });

  it('a fax goes out to its last page', async () => {
    const app = await open();
    const pdf = Uint8Array.from([37, 80, 68, 70]);
    const id = await app.store.dispatch(
      writeFax({ number: peg, lineId: 'field', title: 'Permit', pages: 2, pdf }),
    );
    await settle();
    const again = await closeAndReopen(app, 2);
    expect(again.state().inbox.kept.faxes[id ?? '']).toMatchObject({ state: 'done', sentPages: 2 });
  });

  it('a message left in the mailbox is kept with its sound and words', async () => {
    const app = await open();
    await app.office.send({ type: 'make', from: cawder, to: '+441314960214' });
    await settle();
    const again = await closeAndReopen(app, 3);
    const left = () =>
      Object.values(again.state().inbox.kept.voicemails).find(({ from }) => from.number === cawder.number);
    await until(() => left()?.transcript !== null && again.sounds.size > 0);
    expect(left()?.durationMs).toBeGreaterThan(1000);
    const reasons = () =>
      selectLooseEnds(again.state())
        ?.open.find(({ who }) => who.key === 'contact:cawder')
        ?.reasons.filter(({ at }) => at >= start);
    expect(reasons()).toHaveLength(1);
  });

  /** What an office has stored that ran, and took a text and a call in, before this part of the app was there. */
  async function ranAlone(first: App): Promise<OfficeState> {
    await first.vault.flush();
    const state = first.office.save();
    first.stop();
    first.office.close();
    const clock = new Clock({ mode: 'fixed', at: start });
    const keep = (step: OfficeStep) => void first.vault.write(rowEntries(step).put);
    const inbox = readTables(first.vault);
    const office = new HostedOffice({ setup: sampleOffice, cast: sampleCast, clock, state, keep, inbox });
    office.start();
    // It is over before what was kept beside calls has been read.
    const call = await office.send({ type: 'make', from: cawder, to: '+441314960214' });
    await office.send({ type: 'clear', legId: (call.ok && call.legId) || '' });
    const between = office.save();
    expect(between.uncounted?.map(({ personId }) => personId)).toContain(me.personId);
    await office.play({
      kind: 'textIn',
      text: { number: angling, lineId: 'text', text: 'Is the mast up?', picture: null },
    });
    await first.vault.flush();
    const saved = office.save();
    expect(saved.uncounted).toEqual([]);
    office.close();
    return saved;
  }

  it('who tried before this part of the app was there waits, and so does who tried before anything was read', async () => {
    const first = await open();
    await first.talkTo(cawder.number, 30);
    expect(first.waiting()).not.toContain(cawderName(first));
    const app = await open(first.kept, { state: await ranAlone(first) });
    await until(() => selectLooseEnds(app.state()) !== null);
    expect(textsWith(app, angling)).toContain('Is the mast up? received');
    expect(app.waiting()).toEqual(expect.arrayContaining(['Three Becks Angling Club', cawderName(app)]));
  });

  it('what an earlier version was told, and had not taken in, is taken in by this one', async () => {
    const first = await open();
    await first.store.dispatch(
      writeText({ number: angling, lineId: 'text', text: 'At two?', notBefore: null, picture: null }, null),
    );
    await first.vault.flush();
    // As that version kept it: from the worker's side.
    const { id } = first.texts().find(({ text }) => text === 'At two?') ?? { id: '' };
    const [sent] = first.texts().filter((message) => message.id === id);
    first.kept.entries.set(`message/${id}`, `{"v":2}\n${JSON.stringify(sent)}`);
    const told = [
      { kind: 'delivered', at: start + 3_000, id } as const,
      {
        ...({ kind: 'received', at: start + 9_000, id: 'in-old' } as const),
        text: incomingTextSchema.parse({ number: angling, lineId: 'text', text: 'Yes.', picture: null }),
      },
    ];
    // As it kept its faxes; the carrier knows nothing any more of the one on its way.
    const old = { number: peg, lineId: 'field', pages: 2, sentPages: 0, failure: null, tries: 1 };
    const stages = { notBefore: null, endedAt: null, readAt: null, direction: 'out', state: 'sending' };
    for (const title of ['Permit', 'Map'])
      first.kept.entries.set(
        `fax/${title}`,
        `{"v":1}\n${JSON.stringify({ id: title, at: start, title, ...old, ...stages })}`,
      );
    const faxes = [
      { kind: 'done', at: start + 4_000, id: 'Permit' } as const,
      {
        ...({ kind: 'received', at: start + 5_000, id: 'fax-old' } as const),
        fax: { number: peg, lineId: 'field', title: 'Question', pages: 1, url: '/q.pdf' },
      },
    ];
    const none = { events: [], taken: [] };
    const owed = [{ at: start, ...none, messageIds: [], faxIds: [], voicemailIds: [], texts: told, faxes }];
    const state = { ...first.office.save(), owed };
    first.stop();
    first.office.close();
    const app = await open(first.kept, { state, at: start + minuteMs });
    await until(() => selectLooseEnds(app.state()) !== null);
    expect(textsWith(app, angling)).toEqual(expect.arrayContaining(['At two? delivered', 'Yes. received']));
    expect(app.waiting()).toContain('Three Becks Angling Club');
    const byTitle = new Map(Object.values(app.state().inbox.kept.faxes).map((fax) => [fax.title, fax]));
    expect(byTitle.get('Permit')).toMatchObject({ state: 'done', sentPages: 2, fromId: null });
    expect(byTitle.get('Map')).toMatchObject({ state: 'waiting', failure: 'brokeOff' });
    expect(byTitle.get('Question')).toMatchObject({ state: 'received', direction: 'in', pagesUrl: '/q.pdf' });
  });

  it('a message that an earlier version had heard and not taken in is taken in by this one', async () => {
    const first = await open();
    const records: CallRecord[] = [];
    const speech: Speech[] = [];
    first.office.subscribe((update) => {
      speech.push(...update.speech);
      for (const event of update.events) if (event.type === 'recordWritten') records.push(event.record);
    });
    await first.office.send({ type: 'make', from: cawder, to: '+441314960214' });
    for (let step = 0; step < 60; step++) await first.pass(1);
    const [record] = records.filter(({ messageMs, personId }) => messageMs > 0 && personId === me.personId);
    await first.vault.flush();
    // As that version left it: told, and neither kept nor counted.
    first.kept.entries.delete(`voicemail/${record?.id ?? ''}`);
    const event = { type: 'recordWritten', at: start, callId: record!.callId, record: record! } as const;
    const owed = [
      { at: start, events: [event], taken: [], messageIds: [], faxIds: [], voicemailIds: [], speech },
    ];
    first.stop();
    const app = await open(first.kept, { state: { ...first.office.save(), owed }, records: [record!] });
    await until(() => app.sounds.has(record?.id ?? ''));
    expect(app.state().inbox.kept.voicemails[record?.id ?? '']).toMatchObject({
      mailboxId: me.personId,
      transcript: expect.arrayContaining([expect.objectContaining({ text: 'Please' })]) as unknown,
    });
  });

  it('what is kept and can’t be read stops the office itself, and not only this part of the app', async () => {
    let fail: (error: unknown) => void = () => undefined;
    const failing = new Promise<never>((_, reject) => (fail = reject));
    const read = jest.spyOn(Vault.prototype, 'read').mockReturnValue(failing);
    const app = await open();
    const given: unknown[] = [];
    app.services.giveUp = (error) => given.push(error);
    fail(new UnreadableStorage());
    await until(() => given.length === 1);
    read.mockRestore();
    expect(given[0]).toBeInstanceOf(UnreadableStorage);
  });
});
