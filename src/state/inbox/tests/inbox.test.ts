import { plainFollowUp } from '@/core/inbox/followUps';
import { isTask, usualWeights } from '@/core/inbox/looseEnds';
import { undoDeleteMs } from '@/core/inbox/retention';
import { textOf } from '@/core/inbox/voicemail';
import {
  arrivalsSeen,
  selectLooseEnds,
  selectSeenBefore,
  keepOne,
  refuseWithText,
  removeWork,
  selectIncoming,
  selectWork,
  send,
  type RefusalReply,
} from '@/state/app';

import { addMail } from '../../telling';
import { onlineChanged, recordsAdded } from '../../app/slices';
import { soundKind, storageKeys, Vault } from '../../storage';
import {
  deleteRecording,
  putAway,
  restoreRecording,
  selectArrivals,
  selectOrder,
  selectTimeline,
  takeBack,
  writeText,
} from '..';
import { cawder, me, open, serveClips, settle, start, until, type App } from './openApp';

const peg = { kind: 'outside', number: '+441174960155', name: null } as const;

beforeEach(serveClips);

describe('who waits', () => {
  it('is counted as it happens, and reached by calling back, which can be taken back', async () => {
    const app = await open();
    const before = app.waiting();
    await app.missCall({ ...cawder, number: '+441314960142', name: null });
    expect(app.waiting()).toEqual([...before, 'Bexhollow Reservoir']);
    await app.talkTo('0131 496 0142', 20);
    expect(app.waiting()).toEqual(before);
    const [closed] = selectLooseEnds(app.state())!.closed;
    expect(closed).toMatchObject({ how: 'reachedByCall', who: { key: 'contact:bexhollow' } });
    await app.store.dispatch(takeBack(closed!));
    expect(app.waiting()).toContain('Bexhollow Reservoir');
  });

  it('stays as it was after the page was closed', async () => {
    const app = await open();
    await app.missCall();
    const end = selectLooseEnds(app.state())!.open.find(({ who }) => who.key === 'contact:cawder')!;
    await app.store.dispatch(putAway(end));
    const before = app.waiting();
    expect(before).not.toContain(end.who.name);
    await app.vault.flush();
    app.stop();

    const again = await open(app.kept, { state: app.office.save(), at: start + 60_000 });
    expect(again.waiting()).toEqual(before);
    const [closed] = selectLooseEnds(again.state())!.closed;
    await again.store.dispatch(takeBack(closed!));
    expect(again.waiting()).toContain(end.who.name);
  });

  /** As the version before kept who waits, by what the worker calls them. */
  async function keptByTheVersionBefore() {
    const first = await open();
    await first.missCall();
    await first.vault.flush();
    const [record] = first.state().history.records;
    first.stop();
    first.office.close();
    for (const key of first.kept.entries.keys())
      if (/^(waiting|mark)\//.test(key)) first.kept.entries.delete(key);
    const plain = { lineId: null, teamId: null, isUrgent: false, isStarred: false, dueAt: null };
    const reason = { ...plain, id: record!.id, at: record!.startedAt, words: null, lengthMs: null };
    const end = (who: object, reasons: object[]) => ({ who, reasons, snoozedUntil: null, takenById: null });
    const document = {
      ends: {
        open: [
          end({ key: 'contact:cawder', name: 'Cawder Flood Watch', number: cawder.number }, [
            { ...reason, kind: 'call' },
            { ...reason, id: 'promise', kind: 'promised', dueAt: start + 60_000, words: 'Call back' },
          ]),
          end({ key: 'person:hugh', name: 'Hugh Pellow', number: '203' }, [
            { ...reason, id: 'm', kind: 'message' },
          ]),
          {
            ...end({ key: 'contact:skerrow', name: 'Skerrow Harbour', number: '+441134960133' }, [
              { ...reason, id: 's', kind: 'text' },
            ]),
            snoozedUntil: start + 3_600_000,
          },
          end({ key: 'withheld:c9', name: 'Withheld number', number: null }, [
            { ...reason, id: 'c9-maren', kind: 'voicemail', lengthMs: 9_000 },
          ]),
        ],
        closed: [],
      },
      upTo: record!.endedAt,
      weights: { ...usualWeights, urgentLine: 5 },
    };
    first.kept.entries.set('looseEnds', `{"v":1}\n${JSON.stringify(document)}`);
    first.kept.entries.set('arrivalsSeen', `{"v":1}\n${JSON.stringify({ before: start - 5_000 })}`);
    return { first, record: record! };
  }

  it('is taken over from the version before, once, with what that had not counted yet', async () => {
    const { first, record } = await keptByTheVersionBefore();
    const later = { id: 'r2', callId: 'c2', startedAt: start + 90_000, endedAt: start + 95_000 };
    const other = { number: '+441314960142', name: null, personId: null };
    const records = [{ ...record, ...later, other }, record];
    const app = await open(first.kept, { state: first.office.save(), at: start + 120_000, records });
    const waiting = ['Bexhollow Reservoir', 'Cawder Flood Watch', 'Hugh Pellow', 'Withheld number'];
    await until(() => selectLooseEnds(app.state()) !== null);
    expect(app.waiting().sort()).toEqual(waiting);
    expect(app.state().inbox.kept.weights.order).toMatchObject({ urgentLine: 5 });
    expect(selectSeenBefore(app.state())).toBe(start - 5_000);
    const cawders = selectLooseEnds(app.state())!.open.find(({ who }) => who.key === 'contact:cawder');
    expect(cawders?.handles).toEqual([`number:${cawder.number}`]);
    await app.vault.flush();
    expect([...app.kept.entries.keys()].filter((key) => /^(looseEnds|arrivalsSeen)$/.test(key))).toEqual([]);
    app.stop();
    app.office.close();
    const again = await open(app.kept, { state: app.office.save(), at: start + 130_000, records });
    expect(again.waiting().sort()).toEqual(waiting);
  });

  it('takes promises from follow-ups, and lets go of them when they are ticked', async () => {
    const app = await open();
    const followUp = {
      kind: 'followUp' as const,
      id: 'f',
      at: start,
      callId: 'none',
      number: '+441174960171',
      name: 'Marl & Finch Surveyors',
      text: 'Send the sheet',
      dueAt: start + 60_000,
      doneAt: null,
      ...plainFollowUp,
    };
    app.store.dispatch(keepOne('work', followUp));
    expect(app.waiting()).toContain('Marl & Finch Surveyors');
    app.store.dispatch(keepOne('work', { ...followUp, doneAt: start }));
    expect(app.waiting()).not.toContain('Marl & Finch Surveyors');
  });

  it('has a follow-up about nobody from when it is due; done there it is done in the list, and taken back in both', async () => {
    const app = await open();
    app.store.dispatch(
      keepOne('work', {
        kind: 'followUp',
        id: 'f',
        at: start,
        callId: null,
        number: null,
        name: '',
        text: 'Charge the loggers',
        dueAt: start + 60_000,
        doneAt: null,
        ...plainFollowUp,
      }),
    );
    expect(app.waiting()).not.toContain('Charge the loggers');
    await app.pass(60);
    expect(app.waiting()).toContain('Charge the loggers');
    const isDone = () =>
      selectWork(app.state()).some((item) => item.kind === 'followUp' && item.doneAt !== null);
    const end = selectOrder(app.state(), app.clock.now()).find(({ end: each }) => isTask(each.who))!.end;
    await app.store.dispatch(putAway(end));
    expect([app.waiting().includes('Charge the loggers'), isDone()]).toEqual([false, true]);
    await app.store.dispatch(takeBack(selectLooseEnds(app.state())!.closed[0]!));
    expect([app.waiting().includes('Charge the loggers'), isDone()]).toEqual([true, false]);
    const [task] = selectWork(app.state());
    app.store.dispatch(removeWork('f'));
    expect(app.waiting()).not.toContain('Charge the loggers');
    app.store.dispatch(keepOne('work', task!));
    expect(app.waiting()).toContain('Charge the loggers');
  });
});

describe('what came in', () => {
  const kinds = (app: App) => selectArrivals(app.state()).map(({ kind }) => kind);

  it('is seen once, also after the page was closed', async () => {
    const app = await open();
    expect(kinds(app)).toEqual([]);
    await app.missCall();
    expect(kinds(app)).toEqual(['call']);
    await app.vault.flush();
    app.stop();

    const again = await open(app.kept, { state: app.office.save(), at: start + 60_000 });
    again.store.dispatch(recordsAdded(app.state().history.records));
    await settle();
    expect(kinds(again)).toEqual(['call']);
    again.store.dispatch(arrivalsSeen(start + 60_000));
    expect(kinds(again)).toEqual([]);
    await again.vault.flush();
    again.stop();

    const third = await open(app.kept, { state: app.office.save(), at: start + 120_000 });
    third.store.dispatch(recordsAdded(app.state().history.records));
    await settle();
    expect(kinds(third)).toEqual([]);
  });

  it('has whom I have parked, until I take them back', async () => {
    const app = await open();
    const result = await app.office.send({ type: 'make', from: cawder, to: '+441314960214' });
    expect(result.ok).toBe(true);
    const [ringing] = selectIncoming(app.state());
    await app.store.dispatch(send({ type: 'answer', legId: ringing!.me.legId }));
    await app.store.dispatch(send({ type: 'park', legId: ringing!.me.legId }));
    await settle();
    expect(selectArrivals(app.state())).toMatchObject([
      { kind: 'parked', asks: 'takeBack', slot: '01', who: { name: 'Cawder Flood Watch' } },
    ]);
    await app.store.dispatch(send({ type: 'unpark', deviceId: me.deviceId, slot: '01' }));
    await settle();
    expect(kinds(app)).toEqual([]);
  });
});

describe('a refusal with a promise', () => {
  const refuseWith = async (app: App, from: typeof cawder | typeof peg, reply: RefusalReply) => {
    await app.office.send({ type: 'make', from, to: '+441314960214' });
    const [ringing] = selectIncoming(app.state());
    if (!ringing) throw new Error('Nothing rings');
    await app.store.dispatch(refuseWithText(ringing, reply));
    await settle();
  };
  const promises = (app: App) =>
    selectWork(app.state()).flatMap((item) => (item.kind === 'followUp' ? [[item.text, item.doneAt]] : []));

  it('texts the mobile of whoever called from a landline, and is kept once they are reached', async () => {
    const app = await open();
    await refuseWith(app, peg, { text: 'I’ll call you at 11:00.', callBackAt: start + 1_200_000 });
    expect(app.texts().map(({ number, text }) => [number, text])).toContainEqual([
      '+447700900155',
      'I’ll call you at 11:00.',
    ]);
    expect(promises(app)).toEqual([['Call back, as promised by text', null]]);
    await app.talkTo('0117 496 0155', 60);
    expect(promises(app)[0]?.[1]).not.toBeNull();
  });

  it('says nothing of a text to whom none can be sent', async () => {
    const app = await open();
    await refuseWith(app, cawder, { text: 'I’ll call you at 11:00.', callBackAt: start + 1_200_000 });
    expect(app.texts().filter(({ number }) => number === cawder.number)).toEqual([]);
    expect(promises(app)).toEqual([['Call back', null]]);
    // Somebody else who was called keeps no promise to them.
    await app.talkTo('0117 496 0155', 60);
    expect(promises(app)).toEqual([['Call back', null]]);
  });
});

describe('a voicemail', () => {
  async function leftBy(app: App) {
    await app.office.send({ type: 'make', from: cawder, to: '+441314960214' });
    for (let step = 0; step < 60; step++) await app.pass(1);
  }

  it('is kept with its sound and its words, on the timeline of whom it is from', async () => {
    const app = await open();
    await leftBy(app);
    const [voicemail] = Object.values(app.state().inbox.kept.voicemails).filter(
      ({ from }) => from.number === cawder.number,
    );
    expect(textOf(voicemail?.transcript ?? [])).toBe(
      'Please call me back when you are off the hill. Thank you.',
    );
    expect(app.sounds.get(voicemail!.id)?.durationMs).toBe(voicemail?.durationMs);
    const items = selectTimeline(app.state(), 'contact:cawder');
    expect(items.some((item) => item.kind === 'call' && item.voicemail?.id === voicemail?.id)).toBe(true);
    expect(await app.vault.keys('spoken/')).toEqual([]);
  });

  it('without its clips keeps what was said, and is mixed at the next start', async () => {
    const app = await open();
    const fetched = globalThis.fetch;
    globalThis.fetch = (async () => {
      throw new Error('No network');
    }) as never;
    await leftBy(app);
    await app.vault.flush();
    expect(app.sounds.size).toBe(0);
    globalThis.fetch = fetched;
    const { records } = app.state().history;
    // A place that is told from now on hears nothing of what came in before.
    app.store.dispatch(addMail('maren@orrinvale.example'));
    await app.vault.flush();
    app.stop();
    const again = await open(app.kept, { state: app.office.save(), at: start + 120_000, records });
    await until(() => again.sounds.size === 1);
    const [left] = Object.values(again.state().inbox.kept.voicemails).filter(
      ({ from }) => from.number === cawder.number,
    );
    expect(again.sounds.has(left?.id ?? '')).toBe(true);
    expect(textOf(left?.transcript ?? [])).toContain('Please call me back');
    expect(Object.keys(again.state().inbox.kept.destinations)).toHaveLength(1);
    expect(again.state().inbox.kept.told).toEqual({});
  });
});

describe('a recording', () => {
  const recordedCall = (app: App, id: string, endedAt: number) => {
    const [made] = app.state().history.records;
    const recording = { id, personId: me.personId, legId: 'l', byPolicy: false, state: 'ended' as const };
    const pieces = [{ from: endedAt - 5000, to: endedAt }];
    return {
      ...made!,
      id: `record of ${id}`,
      callId: `call of ${id}`,
      startedAt: endedAt - 9000,
      endedAt,
      recordings: [{ ...recording, startedAt: endedAt - 5000, pieces }],
    };
  };
  const soundKey = (id: string) => `${storageKeys.sound}${id}`;
  const withSound = async (app: App, id: string) => {
    const sound = { callId: `call of ${id}`, durationMs: 5000, wav: '' };
    await app.vault.write({ [soundKey(id)]: Vault.encode([sound], soundKind) });
  };

  it('that was deleted can be had back for a day, and then its sound is gone for good', async () => {
    const app = await open();
    await app.missCall();
    const records = [recordedCall(app, 'one', start), ...app.state().history.records];
    await withSound(app, 'one');
    app.store.dispatch(deleteRecording('one', 'call of one', 'Deleted.'));
    app.store.dispatch(restoreRecording('one'));
    expect(app.state().inbox.kept.deletedRecordings).toEqual({});
    app.store.dispatch(deleteRecording('one', 'call of one', 'Deleted.'));
    await app.vault.flush();
    app.stop();

    const nextDay = await open(app.kept, { at: start + undoDeleteMs, records });
    await until(() => 'one' in nextDay.state().inbox.kept.deletedRecordings);
    await nextDay.vault.flush();
    expect(app.kept.entries.has(soundKey('one'))).toBe(true);
    nextDay.stop();
    const later = await open(app.kept, { at: start + undoDeleteMs + 60_000, records });
    await until(() => !app.kept.entries.has(soundKey('one')));
    later.store.dispatch(restoreRecording('one'));
    expect(later.state().inbox.kept.deletedRecordings['one']).toMatchObject({ isGone: true });
  });

  it('is deleted at the start once it is older than recordings are kept, and no other', async () => {
    const app = await open();
    await app.missCall();
    const month = 31 * 24 * 3_600_000;
    const records = [recordedCall(app, 'new', start), recordedCall(app, 'old', start - month)];
    await withSound(app, 'new');
    await withSound(app, 'old');
    await app.vault.flush();
    app.stop();
    const kept = await open(app.kept, { records });
    await kept.vault.flush();
    expect(app.kept.entries.has(soundKey('old'))).toBe(true);
    kept.stop();
    const again = await open(app.kept, { records, keepDays: { recordings: 30 } });
    await until(() => !app.kept.entries.has(soundKey('old')));
    expect(app.kept.entries.has(soundKey('new'))).toBe(true);
    expect(Object.keys(again.state().inbox.kept.deletedRecordings)).toEqual(['old']);
  });
});

describe('texts', () => {
  const text = (words: string, notBefore: number | null = null) =>
    writeText({ number: '+447700900333', lineId: 'text', text: words, notBefore, picture: null }, null);
  const own = (app: App) =>
    app
      .texts()
      .filter(({ id }) => id.startsWith('out-'))
      .map(({ text: words, state }) => `${words} ${state}`);

  it('wait without a network, and go out in order, once each, when there is one', async () => {
    const app = await open();
    app.store.dispatch(onlineChanged(false));
    app.store.dispatch(text('First'));
    app.store.dispatch(text('Second'));
    await settle();
    expect(own(app)).toEqual(['First queued', 'Second queued']);
    app.store.dispatch(onlineChanged(true));
    await settle();
    expect(own(app)).toEqual(['First sent', 'Second sent']);
    expect(app.office.save().carrier?.taken).toHaveLength(2);
    await app.pass(3);
    expect(own(app)).toEqual(['First delivered', 'Second delivered']);
  });

  it('answer who waits once they are delivered; their answer begins anew', async () => {
    const app = await open();
    await app.office.play({
      kind: 'textIn',
      text: { number: '+447700900333', lineId: 'text', text: 'When?', picture: null },
    });
    await settle();
    expect(app.waiting()).toContain('Three Becks Angling Club');
    app.store.dispatch(text('At two.'));
    await settle();
    expect(app.waiting()).toContain('Three Becks Angling Club');
    await app.pass(3);
    expect(app.waiting()).not.toContain('Three Becks Angling Club');
    await app.pass(30);
    expect(app.waiting()).toContain('Three Becks Angling Club');
  });

  it('for later go out at their time, and survive the page', async () => {
    const app = await open();
    app.store.dispatch(text('Good morning', start + 3_600_000));
    await settle();
    await app.vault.flush();
    app.stop();
    const again = await open(app.kept, { state: app.office.save() });
    expect(own(again)).toEqual(['Good morning queued']);
    await again.pass(3_600);
    expect(own(again)).toEqual(['Good morning sent']);
  });
});
