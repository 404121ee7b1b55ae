import type { Recording } from '@/core/calls/exchange';
import { isRecorded, recordedMs, soundFileName, type DeletedRecording } from '.';

const recording = (id: string): Recording => ({
  id,
  personId: 'ada',
  legId: 'leg',
  byPolicy: false,
  state: 'ended',
  startedAt: 0,
  pieces: [
    { from: 0, to: 4000 },
    { from: 9000, to: null },
  ],
});

describe('a recording', () => {
  it('counts no longer once it was deleted, as long as there is no other', () => {
    const call = { recordings: [recording('a'), recording('b')] };
    const gone = (id: string): DeletedRecording => ({
      id,
      callId: 'c',
      deletedAt: 0,
      why: 'byHand',
      isGone: false,
    });
    expect(isRecorded(call, {})).toBe(true);
    expect(isRecorded(call, { a: gone('a') })).toBe(true);
    expect(isRecorded(call, { a: gone('a'), b: gone('b') })).toBe(false);
    expect(isRecorded({ recordings: [] }, {})).toBe(false);
  });

  it('is as long as its stretches, the open one up to now', () => {
    expect(recordedMs(recording('a'), 10_000)).toBe(5000);
  });
});

describe('the file of a sound', () => {
  const at = Date.UTC(2026, 6, 1, 23, 4);
  it('says who and when, in the time of the office', () => {
    expect(soundFileName('Peg Anstey', at, 'Europe/London')).toBe('Peg Anstey 2026-07-02 00.04.wav');
  });

  it('has no sign that a file system refuses, and is never too long', () => {
    expect(soundFileName(' ..A/B\\C: "D"\u0000<e>|?* . ', at, 'UTC')).toBe('A B C D e 2026-07-01 23.04.wav');
    expect(soundFileName('\u202e', at, 'UTC')).toBe('Recording 2026-07-01 23.04.wav');
    expect(soundFileName('Ñ'.repeat(500), at, 'UTC')).toHaveLength(60 + ' 2026-07-01 23.04.wav'.length);
  });
});
