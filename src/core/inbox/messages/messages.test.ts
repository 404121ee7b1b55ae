import fc from 'fast-check';

import {
  answered,
  cannotText,
  delivered,
  fillFields,
  isOptedOut,
  lengthWords,
  measureText,
  nextSendAt,
  nextToSend,
  tryAgain,
  unknownFields,
  type Message,
} from '.';

const now = Date.UTC(2026, 10, 26, 10, 40);
let count = 0;
const message = (more: Partial<Message> = {}): Message => ({
  id: `m${String(count++).padStart(3, '0')}`,
  callId: null,
  fromId: null,
  asks: null,
  at: now,
  direction: 'out',
  number: '+447700900333',
  lineId: 'text',
  text: 'Hello',
  picture: null,
  state: 'queued',
  failure: null,
  tries: 0,
  notBefore: null,
  sentAt: null,
  deliveredAt: null,
  readAt: null,
  ...more,
});

describe('the length of a text', () => {
  it.each([
    ['', 'gsm7', 0, 0, 160],
    ['a'.repeat(160), 'gsm7', 160, 1, 0],
    ['a'.repeat(161), 'gsm7', 161, 2, 145],
    ['a'.repeat(306), 'gsm7', 306, 2, 0],
    ['€'.repeat(80), 'gsm7', 160, 1, 0],
    ['€'.repeat(81), 'gsm7', 162, 2, 143],
    ['ø'.repeat(70), 'gsm7', 70, 1, 90],
    ['ł'.repeat(70), 'ucs2', 70, 1, 0],
    ['ł'.repeat(71), 'ucs2', 71, 2, 63],
    ['👍'.repeat(35), 'ucs2', 70, 1, 0],
  ] as const)('%j is %s, %d units in %d parts with %d left', (text, encoding, units, parts, left) => {
    const measured = measureText(text);
    expect([measured.encoding, measured.units, measured.parts.length, measured.left]).toEqual([
      encoding,
      units,
      parts,
      left,
    ]);
  });

  it('never cuts an escape of the extension table, nor an emoji with all that belongs to it', () => {
    expect(measureText(`${'a'.repeat(152)}€${'b'.repeat(10)}`).parts[0]).toBe('a'.repeat(152));
    const family = '👨‍👩‍👧‍👦';
    expect(measureText(`${'ł'.repeat(60)}${family}${'ł'.repeat(10)}`).parts).toEqual([
      'ł'.repeat(60),
      `${family}${'ł'.repeat(10)}`,
    ]);
  });

  it('names the letters that make it long', () => {
    expect(measureText('Weir at 2 m – rising ↑ –').foreign).toEqual(['–', '↑']);
    expect(lengthWords(measureText('a'.repeat(200)))).toBe('2 parts, 106 left');
  });

  it('whatever is written: the parts are the text, each fits, and none could have taken the next letter', () => {
    const letters = fc.constantFrom('a', '€', '[', 'é', '–', '👍', '👨‍👩‍👧', 'e\u0301', ' ', '\n');
    fc.assert(
      fc.property(
        fc.array(letters, { maxLength: 400 }).map((each) => each.join('')),
        (text) => {
          const { parts, encoding, units, left } = measureText(text);
          expect(parts.join('')).toBe(text);
          const most = encoding === 'gsm7' ? (parts.length > 1 ? 153 : 160) : parts.length > 1 ? 67 : 70;
          const sizes = parts.map((part) => measuredIn(part, encoding));
          expect(Math.max(0, ...sizes)).toBeLessThanOrEqual(most);
          expect(sizes.reduce((sum, size) => sum + size, 0)).toBe(units);
          expect(left).toBe(most - (sizes.at(-1) ?? 0));
        },
      ),
    );
  });
  const measuredIn = (part: string, encoding: string) =>
    encoding === 'ucs2'
      ? part.length
      : [...part].reduce((sum, letter) => sum + ('€[]{}^~|\\'.includes(letter) ? 2 : 1), 0);
});

describe('the outbox', () => {
  it('sends in the order of writing, once each, whatever is unreachable meanwhile', () => {
    const answer = fc.constantFrom('taken' as const, 'unreachable' as const);
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('+447700900333', '+447700900155'), { maxLength: 8 }),
        fc.infiniteStream(answer),
        (numbers, answers) => {
          let box = numbers.map((number, index) => message({ number, at: now + index }));
          const sent: Message[] = [];
          let at = now + 1000;
          for (let step = 0; step < 60; step++) {
            const next = nextToSend(box, at);
            if (!next) {
              const later = nextSendAt(box, at);
              if (later === null) break;
              at = later;
              continue;
            }
            const after = answered(next, answers.next().value ?? 'taken', at);
            if (after.state === 'sent') sent.push(after);
            box = box.map((each) => (each.id === next.id ? after : each));
          }
          expect(new Set(sent.map(({ id }) => id)).size).toBe(sent.length);
          for (const number of new Set(numbers)) {
            const own = sent.filter((each) => each.number === number).map((each) => each.at);
            expect(own).toEqual([...own].sort((a, b) => a - b));
          }
          // Nothing is lost: all are sent, wait, or have failed with a reason.
          expect(
            box.every(({ state, failure }) => state === 'sent' || state === 'queued' || failure !== null),
          ).toBe(true);
        },
      ),
    );
  });

  it('keeps what is written for later until then, without holding up the rest', () => {
    const later = message({ notBefore: now + 60_000 });
    const other = message({ at: now + 1 });
    expect(nextToSend([later, other], now)).toBe(other);
    expect(nextToSend([later], now)).toBeNull();
    expect(nextSendAt([later], now)).toBe(now + 60_000);
    expect(nextToSend([later], now + 60_000)).toBe(later);
  });

  it('tries an unreachable carrier after growing pauses, then says that it failed, and may be asked again', () => {
    let text = message();
    const pauses: number[] = [];
    for (let at = now; text.state === 'queued'; at = text.notBefore ?? at) {
      text = answered(text, 'unreachable', at);
      if (text.notBefore !== null && text.state === 'queued') pauses.push(text.notBefore - at);
    }
    expect(pauses).toEqual([5_000, 30_000, 120_000, 600_000]);
    expect(text).toMatchObject({ state: 'failed', failure: 'tooManyTries' });
    expect(tryAgain(text)).toMatchObject({ state: 'queued', failure: null, tries: 0, notBefore: null });
  });

  it('knows what the carrier refused, and what has arrived', () => {
    expect(answered(message(), 'refused', now)).toMatchObject({ state: 'failed', failure: 'carrier' });
    expect(delivered(answered(message(), 'taken', now), now + 5)).toMatchObject({
      state: 'delivered',
      deliveredAt: now + 5,
    });
  });
});

describe('whom nothing can be texted', () => {
  it.each([
    [null, 'unknownNumber'],
    ['214', null],
    ['+44', 'unknownNumber'],
    ['+441314960142', 'noTexts'],
    ['+447700900333', null],
  ] as const)('%s: %s', (number, reason) => expect(cannotText(number, [])).toBe(reason));

  it('is who said stop, as a whole text, until they say start', () => {
    const said = (text: string, at: number) => message({ direction: 'in', text, at });
    const stopped = [said('Stop.', now)];
    expect(cannotText('+447700900333', stopped)).toBe('optedOut');
    expect(isOptedOut([...stopped, said('start', now + 1)])).toBe(false);
    expect(isOptedOut([said('Please stop at the gate', now)])).toBe(false);
    expect(isOptedOut([message({ text: 'STOP' })])).toBe(false);
  });
});

describe('a ready reply', () => {
  const fields = { firstName: 'Peg', nextFree: '13:00', myName: 'Maren' };
  it('is filled with whom it is for and when the worker is free', () => {
    expect(fillFields('Hello {firstName}, free at {nextFree}. {myName}', fields)).toBe(
      'Hello Peg, free at 13:00. Maren',
    );
    expect(fillFields('Hello {firstName}, free at {nextFree}.', { ...fields, firstName: '' })).toBe(
      'Hello, free at 13:00.',
    );
  });
  it('keeps a field it does not know, and names it', () => {
    expect(fillFields('{price}', fields)).toBe('{price}');
    expect(unknownFields('{firstName} {price}')).toEqual(['price']);
  });
});
