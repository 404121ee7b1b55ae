import type { CallRecord } from '@/core/calls/exchange';

import { me, openApp, start } from './openApp';
import { explainNotDialable, explainRefusal } from '../refusals';
import { selectAtMyOtherPhones, selectParked, selectRingingAtColleagues } from '../otherPhones';
import { selectIncoming, selectTaken } from '../callViews';
import { saidOfLeavers } from '../leaving';
import { selectForecast } from '../forecast';
import { selectPresence } from '../selectors';
import { historyCompleted, olderLoaded, recordsAdded, ringSilenced } from '../slices';
import { createAppStore } from '../store';

describe('a call as seen from this device', () => {
  it('in: who calls, on which line, with the contact’s own name', async () => {
    const { callIn, calls, sound } = openApp();
    await callIn();
    expect(calls()).toMatchObject([
      {
        phase: 'incoming',
        direction: 'in',
        line: { id: 'field' },
        others: [{ name: 'Cawder Flood Watch', number: '+441914980162' }],
      },
    ]);
    expect(sound()).toBe('ring curlew');
  });

  it('an urgent line rings differently, a silenced one not at all', async () => {
    const { callIn, calls, sound, store } = openApp();
    await callIn('+441314960199');
    expect(sound()).toBe('ring flood');
    store.dispatch(ringSilenced(calls()[0]?.id ?? ''));
    expect(sound()).toBeNull();
  });

  it('out: calling, ringing, talking, held, with what is heard at each step', async () => {
    const { callOut, calls, sound, pass, act } = openApp();
    await callOut('0131 496 0142');
    expect([calls()[0]?.phase, sound()]).toEqual(['calling', null]);
    pass(1);
    expect([calls()[0]?.phase, sound()]).toEqual(['ringing', 'ringback']);
    pass(6);
    expect([calls()[0]?.phase, sound()]).toEqual(['talking', null]);
    await act({ type: 'hold', legId: calls()[0]?.me.legId ?? '' });
    expect(calls()[0]).toMatchObject({ phase: 'held', others: [{ heard: { kind: 'music' } }] });
  });

  it('a colleague whose phones ring is shown once, and who is called before anybody is there', async () => {
    const { callOut, calls } = openApp();
    await callOut('0131 496 0100');
    expect(calls()[0]?.others).toHaveLength(1);
    await callOut('299');
    expect(calls()[1]).toMatchObject({ phase: 'failed', others: [{ number: '299' }] });
  });

  it('a second call makes a waiting tone while one is talked on', async () => {
    const { callOut, callIn, sound, pass } = openApp();
    await callOut('0131 496 0142');
    pass(7);
    await callIn();
    expect(sound()).toBe('waiting');
  });

  it('colleagues are on a call while they talk', async () => {
    const { callOut, pass, store } = openApp();
    await callOut('201');
    expect(selectPresence(store.getState(), 0)['ilse']?.state).toBe('ringing');
    pass(7);
    expect(selectPresence(store.getState(), 0)['ilse']?.state).toBe('onCall');
  });
});

describe('what waits elsewhere', () => {
  it('somebody parked is listed with slot, age and who parked, until they are taken', async () => {
    const { callIn, calls, act, store, pass } = openApp();
    await callIn('+441314960214');
    await act({ type: 'answer', legId: calls()[0]?.me.legId ?? '' });
    await act({ type: 'park', legId: calls()[0]?.me.legId ?? '' });
    pass(40);
    expect(calls()).toEqual([]);
    expect(selectParked(store.getState())).toMatchObject([
      { slot: '01', name: 'Cawder Flood Watch', since: start, byMe: true, ringsBackAt: start + 180_000 },
    ]);
    await act({ type: 'unpark', deviceId: me.deviceId, slot: '01' });
    expect(selectParked(store.getState())).toEqual([]);
    expect(calls()).toMatchObject([{ phase: 'talking', direction: 'in' }]);
  });

  it('a talk at the desk phone can be brought here, and is the same call from then on', async () => {
    const { act, calls, store, pass } = openApp();
    await act({ type: 'make', from: { kind: 'device', deviceId: 'maren-desk' }, to: '0131 496 0142' });
    expect(selectAtMyOtherPhones(store.getState())).toEqual([]);
    pass(6);
    const [there] = selectAtMyOtherPhones(store.getState());
    expect(there).toMatchObject({ deviceName: 'desk phone', name: 'Bexhollow Reservoir', isRinging: false });
    await act({
      type: 'move',
      legId: there?.legId ?? '',
      to: { deviceId: me.deviceId },
      atOnce: true,
    });
    expect(calls()).toMatchObject([{ phase: 'talking', direction: 'out', since: there?.since }]);
    expect(selectAtMyOtherPhones(store.getState())).toEqual([]);
  });

  it('what rings at a colleague of an own team is listed; what rings here too is not', async () => {
    const { callIn, store } = openApp();
    await callIn('+441314960100');
    expect(selectRingingAtColleagues(store.getState())).toMatchObject([
      { callerName: 'Cawder Flood Watch', colleagueName: 'Ilse Varga' },
    ]);
    await callIn('+441314960214');
    expect(selectRingingAtColleagues(store.getState())).toHaveLength(1);
  });
});

describe('where a call would end up', () => {
  const forecast = (to: string) => {
    const { store } = openApp();
    return selectForecast(store.getState(), to, start);
  };

  it('is told from the target’s own plan: what rings when, and the finish', () => {
    expect(forecast('207')).toEqual({
      kind: 'rings',
      bars: [{ label: 'Tobias’s desk phone', fromSeconds: 0, toSeconds: 25 }],
      finishSeconds: 25,
      finish: { kind: 'mailbox', personId: 'tobias' },
      finishWords: 'Tobias Quill’s mailbox',
    });
    expect(forecast('07700 900123')).toEqual({ kind: 'outside', price: '2.4 p/min' });
    expect(forecast('260')).toEqual({ kind: 'menu', name: 'Night menu' });
  });

  it('knows who is on a call', async () => {
    const { store, play } = openApp();
    for (const to of ['0131 496 0142', '0131 496 0143'])
      await play({ type: 'make', from: { kind: 'device', deviceId: 'tobias-desk' }, to });
    expect(selectForecast(store.getState(), '207', start)).toMatchObject({
      kind: 'nothingRings',
      finishWords: 'Tobias Quill’s mailbox',
    });
  });
});

describe('a refused act', () => {
  it('becomes a sentence, and the next that works clears it', async () => {
    const { act, callOut, store } = openApp();
    await act({ type: 'clear', legId: 'l999' });
    expect(store.getState().notices.refusal).toBe('That call has just ended.');
    await callOut('201');
    expect(store.getState().notices.refusal).toBeNull();
  });

  it('has a sentence for every reason', () => {
    const sentences = [
      explainRefusal({ code: 'notAllowed', act: 'mute', state: 'held' }),
      explainRefusal({ code: 'notAllowed', act: 'answer', state: 'connected' }),
      explainRefusal({ code: 'tooManyCalls', limit: 6 }),
      explainRefusal({ code: 'notDialable', reason: { code: 'withheld' } }),
      explainNotDialable({ code: 'tooShort' }),
      explainNotDialable({ code: 'badUri', detail: 'it holds no number' }),
    ];
    for (const sentence of sentences) expect(sentence).toMatch(/^[A-Z“].*\.$/);
    expect(new Set(sentences).size).toBe(sentences.length);
  });
});

describe('the history in memory', () => {
  const record = (id: string, startedAt: number) => ({ id, startedAt }) as CallRecord;

  it('is in order of beginning, also when a long call ends after a shorter one', () => {
    const { store } = createAppStore();
    store.dispatch(olderLoaded([record('b', 20), record('a', 10)]));
    store.dispatch(recordsAdded([record('short', 40)]));
    store.dispatch(recordsAdded([record('long', 30)]));
    store.dispatch(olderLoaded([record('oldest', 5)]));
    store.dispatch(historyCompleted());
    const { records, isComplete } = store.getState().history;
    expect(records.map(({ id }) => id)).toEqual(['short', 'long', 'b', 'a', 'oldest']);
    expect(isComplete).toBe(true);
  });
});

describe('who leaves while on hold', () => {
  it('is said where they hung up, and not where I ended it', async () => {
    const { store, office, callIn, act, play } = openApp();
    const said: (string | null)[] = [];
    let before = selectTaken(store.getState());
    office.subscribe((update) => {
      said.push(saidOfLeavers(update, before));
      before = selectTaken(store.getState());
    });
    const holdCaller = async () => {
      await callIn('+441314960214');
      const [ringing] = selectIncoming(store.getState());
      await act({ type: 'answer', legId: ringing?.me.legId ?? '' });
      await act({ type: 'hold', legId: ringing?.me.legId ?? '' });
      before = selectTaken(store.getState());
      return { mine: ringing?.me.legId ?? '', theirs: ringing?.others[0]?.legId ?? '' };
    };
    const first = await holdCaller();
    await play({ type: 'clear', legId: first.theirs });
    expect(said.at(-1)).toBe('Cawder Flood Watch hung up while on hold.');
    const second = await holdCaller();
    await act({ type: 'clear', legId: second.mine });
    expect(said.at(-1)).toBeNull();
  });
});
