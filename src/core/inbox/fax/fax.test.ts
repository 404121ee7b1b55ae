import fc from 'fast-check';

import {
  cannotFax,
  faxAfter,
  faxAgain,
  faxFailures,
  faxWords,
  nextFaxes,
  nextFaxAt,
  writtenFax,
  type Fax,
  type FaxEvent,
} from '.';

const minute = 60_000;
const fax = writtenFax({
  id: 'f1',
  at: 0,
  number: '+441314960155',
  lineId: 'field',
  title: 'Permit',
  pages: 3,
});
const after = (from: Fax, ...events: FaxEvent[]) => events.reduce(faxAfter, from);
const dialling: FaxEvent = { kind: 'dialling', at: 1, id: 'f1' };
const taken = (pages: number): FaxEvent => ({ kind: 'pagesTaken', at: 2, id: 'f1', pages });
const failed = (failure: Fax['failure'], at = 3): FaxEvent => ({
  kind: 'failed',
  at,
  id: 'f1',
  failure: failure ?? 'busy',
});

describe('a fax on its way', () => {
  it('says its stages as they come', () => {
    expect(faxWords(fax)).toBe('Waits to be sent');
    expect(faxWords(after(fax, dialling))).toBe('Dialling');
    expect(faxWords(after(fax, dialling, taken(0)))).toBe('Sending page 1 of 3');
    expect(faxWords(after(fax, dialling, taken(1)))).toBe('Sending page 2 of 3');
    const done = after(fax, dialling, taken(3), { kind: 'done', at: 9, id: 'f1' });
    expect(faxWords(done)).toBe('Sent, 3 pages');
    expect(done).toMatchObject({ state: 'done', endedAt: 9, sentPages: 3 });
  });

  it('is tried again by itself while that may help, after growing pauses', () => {
    let now = 0;
    let current = fax;
    const pauses: number[] = [];
    for (;;) {
      current = after(current, { ...dialling, at: now }, failed('busy', now));
      if (current.notBefore === null) break;
      pauses.push(current.notBefore - now);
      expect(nextFaxes([current], current.notBefore - 1)).toEqual([]);
      expect(nextFaxAt([current], now)).toBe(current.notBefore);
      now = current.notBefore;
      expect(nextFaxes([current], now)).toEqual([current]);
    }
    expect(pauses).toEqual([minute, 3 * minute, 10 * minute]);
    expect(current).toMatchObject({ state: 'failed', failure: 'busy', tries: 4 });
    expect(faxWords(current)).toBe('Failed: the number was busy');
  });

  it.each(['noFax', 'unknownNumber'] as const)('is not tried again after %s', (failure) => {
    expect(after(fax, dialling, failed(failure)).state).toBe('failed');
  });

  it('goes on from the first page that did not arrive', () => {
    const broken = after(fax, dialling, taken(1), failed('brokeOff'));
    expect(faxWords(broken)).toBe('Tried 1 ×: the line broke off. It will be tried again');
    expect(broken.sentPages).toBe(1);
    const given = { ...broken, state: 'failed' as const };
    expect(faxWords(given)).toBe('Failed after page 1 of 3: the line broke off');
    expect(faxAgain(given)).toMatchObject({ state: 'waiting', sentPages: 1, tries: 0, failure: null });
  });

  it('is stopped only while it is on its way, and then goes on from there', () => {
    const stop: FaxEvent = { kind: 'stopped', at: 7, id: 'f1' };
    const stopped = after(fax, dialling, taken(1), stop);
    expect(stopped).toMatchObject({ state: 'stopped', sentPages: 1, endedAt: 7 });
    expect(faxWords(stopped)).toBe('Stopped after page 1 of 3');
    expect(faxWords(after(fax, dialling, stop))).toBe('Stopped before the first page');
    expect(nextFaxes([stopped], 99 * minute)).toEqual([]);
    expect(faxAgain(stopped)).toMatchObject({ state: 'waiting', sentPages: 1 });
    expect(after(fax, stop)).toBe(fax);
    const over = after(fax, dialling, failed('noFax'));
    expect(after(over, stop)).toBe(over);
  });

  it('waits while another is on its way from the same line, and for no other line', () => {
    const second = { ...fax, id: 'f2', at: 5 };
    const elsewhere = { ...fax, id: 'f3', at: 7, lineId: 'yard' };
    expect(nextFaxes([second, elsewhere, fax], 10)).toEqual([fax, elsewhere]);
    expect(nextFaxes([second, after(fax, dialling)], 10)).toEqual([]);
    expect(nextFaxes([second, after(fax, dialling, { kind: 'done', at: 6, id: 'f1' })], 10)).toEqual([
      second,
    ]);
  });

  it('never loses a page that was taken, and never leaves its end', () => {
    const event = fc.oneof(
      fc.constant(dialling),
      fc.nat(5).map(taken),
      fc.constantFrom(...faxFailures).map((failure) => failed(failure)),
      fc.constant<FaxEvent>({ kind: 'done', at: 4, id: 'f1' }),
      fc.constant<FaxEvent>({ kind: 'stopped', at: 4, id: 'f1' }),
    );
    fc.assert(
      fc.property(fc.array(event), (events) => {
        let current = fax;
        for (const each of events) {
          const next = faxAfter(current, each);
          expect(next.sentPages).toBeGreaterThanOrEqual(current.sentPages);
          expect(next.sentPages).toBeLessThanOrEqual(next.pages);
          if (current.state === 'done') expect(next).toBe(current);
          current = next;
        }
      }),
    );
  });
});

it.each([
  ['+441314960155', null],
  ['214', 'A fax goes to a telephone number outside.'],
  [null, 'They withheld their number.'],
])('to %s: %s', (number, problem) => {
  expect(cannotFax(number)).toBe(problem);
});
