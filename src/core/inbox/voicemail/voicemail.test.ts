import fc from 'fast-check';

import {
  messageWaiting,
  readWebVtt,
  messageWaitingWords,
  onShelves,
  textOf,
  wordAt,
  writeWebVtt,
  type Voicemail,
} from '.';

const now = Date.UTC(2026, 10, 26, 10, 40);
const day = 24 * 3_600_000;
const voicemail = (more: Partial<Voicemail>): Voicemail => ({
  id: 'v',
  callId: 'c',
  mailboxId: 'maren',
  lineId: null,
  from: { number: null, name: null, personId: null },
  at: now - 2 * day,
  durationMs: 4_000,
  isUrgent: false,
  heardAt: null,
  deletedAt: null,
  transcript: null,
  forwarded: null,
  said: [],
  ...more,
});

describe('message waiting', () => {
  it('counts new and old, and the urgent among them, of one mailbox', () => {
    const counts = messageWaiting(
      [
        voicemail({}),
        voicemail({ isUrgent: true }),
        voicemail({ heardAt: now }),
        voicemail({ deletedAt: now }),
        voicemail({ mailboxId: 'field-team' }),
      ],
      'maren',
    );
    expect(messageWaitingWords(counts)).toBe('2 new voicemails, 1 of them urgent, 1 heard');
    expect(messageWaitingWords(messageWaiting([], 'maren'))).toBe('');
  });
});

describe('a transcript', () => {
  const word = fc.record({
    text: fc.constantFrom('weir', 'gate', '4120.', 'a<b', 'R&D', 'ünder', 'now?'),
    length: fc.integer({ min: 1, max: 2_000 }),
    pause: fc.integer({ min: 0, max: 9_000_000 }),
  });
  const transcripts = fc.array(word, { maxLength: 40 }).map((words) => {
    let ms = 0;
    return words.map(({ text, length, pause }) => {
      const from = ms + pause;
      ms = from + length;
      return { text, from: from / 1000, to: ms / 1000 };
    });
  });

  it('comes back from WebVTT with the same words at the same times', () => {
    fc.assert(
      fc.property(transcripts, (transcript) => {
        const read = readWebVtt(writeWebVtt(transcript));
        if (!read.ok) throw new Error(read.sentence);
        expect(textOf(read.transcript)).toBe(textOf(transcript));
        read.transcript.forEach(({ from }, index) =>
          expect(from).toBeCloseTo(transcript[index]?.from ?? NaN, 3),
        );
      }),
    );
  });

  it('of another program shares a caption’s time among its words', () => {
    const read = readWebVtt(
      'WEBVTT - by hand\r\n\r\nNOTE nothing\r\n\r\nfirst\r\n00:01.000 --> 00:05.000 align:start\r\n<v Peg>the bent\r\nmast</v>\r\n',
    );
    expect(read).toEqual({
      ok: true,
      transcript: [
        { text: 'the', from: 1, to: 2.091 },
        { text: 'bent', from: 2.091, to: 3.545 },
        { text: 'mast', from: 3.545, to: 5 },
      ],
    });
  });

  it.each([
    ['1\n00:01.000 --> 00:02.000', 1],
    ['WEBVTT\n\n00:99.000 --> 00:02.000\nhello', 3],
    ['WEBVTT\n\n00:03.000 --> 00:02.000\nhello', 3],
    [`WEBVTT\n\n${'9'.repeat(400)}:00:00.000 --> ${'9'.repeat(400)}:00:02.000\nhello`, 3],
  ])('that is none is refused with its line: %j', (text, line) => {
    expect(readWebVtt(text)).toMatchObject({ ok: false, line });
  });

  it('of a hundred thousand brackets or words is read in one go', () => {
    const words = (text: string) => {
      const read = readWebVtt(`WEBVTT\n\n00:01.000 --> 00:02.000\n${text}`);
      return read.ok ? read.transcript.length : read.sentence;
    };
    expect(words('<'.repeat(100_000))).toBe(1);
    expect(words('on '.repeat(150_000))).toBe(150_000);
    expect(words(`before <${'9'.repeat(400)}:00:00.000> after`)).toBe(2);
  });

  it('knows the word that is spoken at a second', () => {
    const words = [
      { text: 'a', from: 0.5, to: 1 },
      { text: 'b', from: 1, to: 2 },
    ];
    expect([0, 0.5, 0.9, 1, 9].map((seconds) => wordAt(words, seconds))).toEqual([-1, 0, 0, 1, 1]);
  });
});

describe('voicemails by where they lie', () => {
  it('each stands once: not heard, heard, a team’s, put away; those of others nowhere', () => {
    const all = [
      voicemail({ id: 'old', at: now - 3 * day }),
      voicemail({ id: 'new', at: now - day }),
      voicemail({ id: 'urgent', isUrgent: true, at: now - 4 * day }),
      voicemail({ id: 'heard', heardAt: now }),
      voicemail({ id: 'team', mailboxId: 'field-team', heardAt: now }),
      voicemail({ id: 'gone first', deletedAt: now - 2 }),
      voicemail({ id: 'gone last', mailboxId: 'field-team', deletedAt: now - 1 }),
      voicemail({ id: 'ilse’s', mailboxId: 'ilse' }),
    ];
    const ids = Object.entries(onShelves(all, 'maren', ['field-team'])).map(([shelf, those]) => [
      shelf,
      those.map(({ id }) => id),
    ]);
    expect(Object.fromEntries(ids)).toEqual({
      unheard: ['urgent', 'new', 'old'],
      heard: ['heard'],
      team: ['team'],
      away: ['gone last', 'gone first'],
    });
  });
});
