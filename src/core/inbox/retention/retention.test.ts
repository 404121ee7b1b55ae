import { writtenFax, type Fax } from '@/core/inbox/fax';
import type { Message } from '@/core/inbox/messages';
import type { DeletedRecording } from '@/core/calls/recordings';
import type { Voicemail } from '@/core/inbox/voicemail';
import { keptDays, expiredFaxes, expiredRecordings, expiredTexts, expiredVoicemails, undoDeleteMs } from '.';

const day = 24 * 3_600_000;
const now = 1_000 * day;
const old = now - 31 * day;

it('nothing is kept longer than the office lets it be, and no longer than its owner likes', () => {
  const chosen = { voicemails: 60, texts: null, faxes: 365, recordings: null };
  expect(keptDays(chosen, { voicemails: 365, texts: 30, faxes: 60 })).toEqual({
    ...{ voicemails: 60, texts: 30, faxes: 60, recordings: null },
  });
  expect(keptDays(chosen)).toEqual(chosen);
});

describe('what is dropped after thirty days', () => {
  const voicemail = (more: Partial<Voicemail>): Voicemail => ({
    id: 'v',
    callId: 'c',
    mailboxId: 'maren',
    lineId: null,
    from: { number: null, name: null, personId: null },
    at: now,
    durationMs: 1000,
    isUrgent: false,
    heardAt: null,
    deletedAt: null,
    transcript: null,
    forwarded: null,
    said: [],
    ...more,
  });
  it('never a voicemail that nobody has heard; one that was put away can be had back for a day', () => {
    const kept = [
      voicemail({ at: now - 400 * day }),
      voicemail({ heardAt: now, deletedAt: now - undoDeleteMs }),
      voicemail({ heardAt: now, at: now - 29 * day }),
    ];
    const gone = [voicemail({ heardAt: now, at: old }), voicemail({ deletedAt: now - undoDeleteMs - 1 })];
    expect(expiredVoicemails([...kept, ...gone], now, 30)).toEqual(gone);
    expect(expiredVoicemails([voicemail({ heardAt: now, at: 0 })], now, null)).toEqual([]);
  });

  const text = (more: Partial<Message>) =>
    ({ at: old, direction: 'in', state: 'received', readAt: old, ...more }) as Message;
  it('never a text that nobody has read, or that still waits', () => {
    const kept = [text({ readAt: null }), text({ at: now }), text({ direction: 'out', state: 'queued' })];
    const gone = [
      text({}),
      text({ direction: 'out', state: 'delivered', readAt: null }),
      text({ direction: 'out', state: 'failed', readAt: null }),
    ];
    expect(expiredTexts([...kept, ...gone], now, 30)).toEqual(gone);
    expect(expiredTexts(gone, now, null)).toEqual([]);
  });

  const fax = (more: Partial<Fax>): Fax => ({
    ...writtenFax({ id: 'f', at: old, number: '+441314960155', lineId: 'field', title: 'x', pages: 1 }),
    ...more,
  });
  it('never a fax that nobody has read, or that still waits', () => {
    const kept = [
      fax({}),
      fax({ state: 'sending' }),
      fax({ direction: 'in', state: 'received' }),
      fax({ state: 'done', at: now }),
    ];
    const gone = [
      fax({ state: 'done' }),
      fax({ state: 'failed' }),
      fax({ direction: 'in', state: 'received', readAt: old }),
    ];
    expect(expiredFaxes([...kept, ...gone], now, 30)).toEqual(gone);
    expect(expiredFaxes(gone, now, null)).toEqual([]);
  });

  it('a recording by the age of its call, and one that was deleted by hand once undo is over; each once', () => {
    const recording = (id: string) => ({ id }) as never;
    const call = (id: string, endedAt: number) => ({
      callId: `call ${id}`,
      endedAt,
      recordings: [recording(id)],
    });
    const deleted = (id: string, deletedAt: number, isGone = false): DeletedRecording => ({
      id,
      callId: `call ${id}`,
      deletedAt,
      why: 'byHand',
      isGone,
    });
    const calls = [
      call('new', now),
      call('old', old),
      call('put away', now),
      call('gone', now - undoDeleteMs),
    ];
    const byHand = {
      'put away': deleted('put away', now - undoDeleteMs),
      late: deleted('late', now - undoDeleteMs - 1),
      gone: deleted('gone', old, true),
    };
    const going = expiredRecordings(calls, byHand, now, 30);
    expect(going).toEqual([
      { ...byHand.late, isGone: true },
      { id: 'old', callId: 'call old', deletedAt: now, why: 'byAge', isGone: true },
    ]);
    const then = { ...byHand, ...Object.fromEntries(going.map((one) => [one.id, one])) };
    expect(expiredRecordings(calls, then, now, 30)).toEqual([]);
    expect(expiredRecordings(calls, {}, now, null)).toEqual([]);
  });
});
