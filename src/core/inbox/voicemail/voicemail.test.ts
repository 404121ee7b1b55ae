import { messageWaiting, messageWaitingWords, onShelves, wordAt, type Voicemail } from '.';

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
