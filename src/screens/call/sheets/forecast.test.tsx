import type { CallView, Forecast } from '@/state/app';

import { bandsOf, type Purpose } from './forecast';

const target = { to: '207', name: 'Tobias Quill', detail: '207 · Workshop', personId: 'tobias' };
const rings: Forecast = {
  kind: 'rings',
  bars: [
    { label: 'Desk phone', fromSeconds: 0, toSeconds: 25 },
    { label: 'Mobile', fromSeconds: 22, toSeconds: 25 },
  ],
  finishSeconds: 25,
  finish: { kind: 'mailbox', personId: 'tobias' },
  finishWords: 'Tobias Quill’s mailbox',
};
const nothing: Forecast = {
  kind: 'nothingRings',
  finish: rings.finish,
  finishWords: 'Tobias Quill’s mailbox',
};

function bandsFor(purpose: Purpose, forecast: Forecast, names: readonly string[] = ['Peg Anstey']) {
  const acts = { talkFirst: jest.fn(), sendTo: jest.fn() };
  const view = { others: names.map((name) => ({ name })) } as unknown as CallView;
  const { bands, totalSeconds } = bandsOf(
    { view, purpose, target, forecast, returnSeconds: 20, obstacle: null, me: 'With you' },
    acts,
  );
  return { bands, totalSeconds, acts, said: bands.map(({ word, sentence }) => `${word}: ${sentence}`) };
}

describe('the places on the target’s own seconds', () => {
  it('are with me first, their phones until it comes back, and the mailbox', () => {
    const { said, bands, totalSeconds, acts } = bandsFor('transfer', rings);
    expect(said).toEqual([
      'Talk first: Tobias Quill is called for you. Peg Anstey hears music until you bring them together.',
      'To their phones now: Rings 20 s; not taken, Peg Anstey comes back to you.',
      'Straight to the mailbox: Peg Anstey hears the greeting of Tobias Quill now, and can leave a message.',
    ]);
    // What would ring only after it has come back is not drawn.
    expect(bands[1]?.bars).toEqual([{ label: 'Desk phone', fromSeconds: 0, toSeconds: 20 }]);
    expect(totalSeconds).toBeGreaterThan(25);
    for (const band of bands) band.onPress?.();
    expect(acts.talkFirst).toHaveBeenCalledTimes(1);
    expect(acts.sendTo.mock.calls).toEqual([
      [{ kind: 'number', to: '207' }],
      [{ kind: 'mailbox', personId: 'tobias' }],
    ]);
  });

  it('say that nobody but the mailbox would be reached, before it is done', () => {
    const { said, bands } = bandsFor('transfer', nothing);
    expect(said[0]).toContain('you would reach Tobias Quill’s mailbox');
    expect(said[1]).toContain('it would come back to you at once');
    expect(bands[1]?.onPress).toBeUndefined();
  });

  it('say that a queue keeps whoever is sent there, and takes one alone', () => {
    const queue: Forecast = { kind: 'queue', name: 'Yard desk' };
    const { said, bands, acts } = bandsFor('transfer', queue);
    expect(said[1]).toBe(
      'To the queue now: Peg Anstey waits with music until somebody of Yard desk is free, and does not come back.',
    );
    bands[1]?.onPress?.();
    expect(acts.sendTo).toHaveBeenCalledWith({ kind: 'number', to: '207' });
    for (const { bands: none } of [
      bandsFor('add', queue),
      bandsFor('transfer', queue, ['Peg Anstey', 'Ilse Varga']),
    ]) {
      expect(none[1]?.sentence).toBe('A queue takes one caller only.');
      expect(none[1]?.onPress).toBeUndefined();
    }
  });

  it('where only the office knows what becomes of it: that it goes by their own plan, and comes back', () => {
    const { said, bands, acts } = bandsFor('transfer', { kind: 'theirs' });
    expect(said[1]).toBe(
      'To their phones now: Goes by their own ring plan; not taken in 20 s, Peg Anstey comes back to you.',
    );
    bands[1]?.onPress?.();
    expect(acts.sendTo).toHaveBeenCalledWith({ kind: 'number', to: '207' });
  });

  it('of a menu: it keeps whom it gets, and takes one only', () => {
    const menu: Forecast = { kind: 'menu', name: 'Night menu' };
    expect(bandsFor('transfer', menu).said[1]).toBe(
      'To the menu now: Peg Anstey hears the Night menu at once, and does not come back.',
    );
    expect(bandsFor('transfer', menu, ['Peg', 'Ilse']).bands[1]?.onPress).toBeUndefined();
  });

  it('of several no mailbox is offered, since it takes one; nor where one is only asked in', () => {
    expect(bandsFor('transfer', rings, ['Peg', 'Ilse']).bands.map(({ key }) => key)).toEqual([
      'first',
      'phones',
    ]);
    expect(bandsFor('add', rings).bands.map(({ key }) => key)).toEqual(['first', 'phones']);
  });

  it('a ringing call is passed on without talking, and ends by the target’s plan', () => {
    expect(bandsFor('passOn', rings).said).toEqual([
      'To their phones now: Rings 25 s, then Tobias Quill’s mailbox.',
      'Straight to the mailbox: Peg Anstey hears the greeting of Tobias Quill now, and can leave a message.',
    ]);
  });

  it('outside has its price', () => {
    expect(bandsFor('transfer', { kind: 'outside', price: '2.1 p/min' }).said[1]).toBe(
      'To that number now: Outside, 2.1 p/min for as long as they talk. Not taken in 20 s, Peg Anstey comes back to you.',
    );
  });
});
