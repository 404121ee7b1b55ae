import { at, callAt, openMailboxes, recordOf } from './testMailboxes';

const ok = { ok: true };
const refusal = (code: string, more: object = {}) => ({ ok: false, reason: { code, ...more } });

describe('mailboxes of an office', () => {
  it('keep what was said once, also where a whole team has a record of the call', () => {
    const { mailboxes, leave, sees } = openMailboxes();
    leave('c1', 'ada');
    leave('c2', 'yard');
    expect(sees('ada')).toEqual(['c1-ada new', 'c2-yard new']);
    expect(sees('ben')).toEqual(['c2-yard new']);
    expect(sees('cleo')).toEqual([]);
    expect(mailboxes.all.get('c2-yard')?.said).toEqual([
      { kind: 'clip', at: expect.any(Number) as number, clip: 'clip of c2' },
    ]);
    const rows = mailboxes.takeChanges();
    // Nothing of what was being said is kept beside them.
    expect(rows.filter(({ table }) => table === 'spoken').map(({ id, now }) => [id, now !== null])).toEqual([
      ...[
        ['c1', true],
        ['c1', false],
      ],
      ...[
        ['c2', true],
        ['c2', false],
      ],
    ]);
  });

  it('hear nothing of a call that no mailbox has answered, and make nothing of one that left no message', () => {
    const { mailboxes } = openMailboxes();
    const call = callAt('c1', 'ada');
    const { legs } = call;
    mailboxes.said({ at, clip: 'hello' }, { ...call, legs: [{ ...legs[0]!, state: 'cleared' }] });
    mailboxes.recordWritten(recordOf('c1', 'ada', 'ada', at, 0));
    mailboxes.recordWritten({ ...recordOf('c1', 'ada', 'ada', at), direction: 'out' });
    // Whoever else has a record of the call has no message of their own.
    mailboxes.recordWritten(recordOf('c1', 'ben', 'ada', at));
    expect(mailboxes.takeChanges()).toEqual([]);
  });

  it('are marked, put away and transcribed by who hears them, for a whole team at once', () => {
    const { ask, leave, sees, mailboxes } = openMailboxes();
    leave('c1', 'ada');
    leave('c2', 'yard');
    const mine = { code: 'notYours', what: 'mailbox' };
    expect(ask('ben', { type: 'markVoicemail', id: 'c1-ada', isHeard: true })).toEqual({
      ok: false,
      reason: mine,
    });
    expect(ask('ben', { type: 'putVoicemailAway', id: 'c1-ada' })).toEqual({ ok: false, reason: mine });
    expect(ask('ben', { type: 'markVoicemail', id: 'none', isHeard: true })).toEqual(
      refusal('unknownVoicemail'),
    );
    expect(ask('ben', { type: 'markVoicemail', id: 'c2-yard', isHeard: true })).toEqual(ok);
    expect(sees('ada')).toEqual(['c1-ada new', 'c2-yard heard']);
    ask('ada', { type: 'putVoicemailAway', id: 'c1-ada' });
    const away = mailboxes.all.get('c1-ada')?.deletedAt;
    expect(away).not.toBeNull();
    ask('ada', { type: 'putVoicemailAway', id: 'c1-ada' });
    expect(mailboxes.all.get('c1-ada')?.deletedAt).toBe(away);
    ask('ada', { type: 'bringVoicemailBack', id: 'c1-ada' });
    const transcript = [{ text: 'Hello', from: 0, to: 1 }];
    ask('ada', { type: 'transcribeVoicemail', id: 'c1-ada', transcript });
    expect(mailboxes.all.get('c1-ada')).toMatchObject({ deletedAt: null, transcript });
  });

  it('take what is passed on or spoken by a colleague, who sees that it is there and not what becomes of it', () => {
    const { ask, leave, sees, mailboxes } = openMailboxes();
    leave('c1', 'ada');
    mailboxes.takeChanges();
    const pass = {
      type: 'passVoicemailOn',
      id: 'c1-ada',
      copyId: 'copy',
      toPersonId: 'cleo',
      word: 'Yours',
    } as const;
    expect(ask('ben', pass)).toEqual(refusal('notYours', { what: 'mailbox' }));
    expect(ask('ada', { ...pass, toPersonId: 'nobody' })).toEqual(refusal('unknownPerson'));
    expect([ask('ada', pass), ask('ada', pass)]).toEqual([ok, ok]);
    expect(ask('ben', { type: 'leaveVoicemail', id: 'copy', toPersonId: 'cleo', durationMs: 900 })).toEqual(
      refusal('idTaken'),
    );
    expect(ask('ben', { type: 'leaveVoicemail', id: 'left', toPersonId: 'cleo', durationMs: 900 })).toEqual(
      ok,
    );
    mailboxes.takeChanges();
    for (const id of ['copy', 'left']) ask('cleo', { type: 'markVoicemail', id, isHeard: true });
    const transcript = [{ text: 'Yours', from: 0, to: 1 }];
    expect(ask('ben', { type: 'transcribeVoicemail', id: 'left', transcript })).toEqual(ok);
    expect(ask('ben', { type: 'transcribeVoicemail', id: 'copy', transcript })).toEqual(
      refusal('notYours', { what: 'mailbox' }),
    );
    expect(sees('cleo')).toEqual(['copy heard', 'left heard']);
    expect([sees('ada'), sees('ben')]).toEqual([['c1-ada new', 'copy new'], ['left new']]);
    expect(mailboxes.all.get('copy')?.said).toEqual(mailboxes.all.get('c1-ada')?.said);
  });

  it('are emptied for good only by who runs the office', () => {
    const { ask, leave } = openMailboxes();
    leave('c1', 'ada');
    expect(ask('ada', { type: 'forgetVoicemails', ids: ['c1-ada'] })).toEqual(
      refusal('notYours', { what: 'office' }),
    );
    const run = openMailboxes(true);
    run.leave('c1', 'ada');
    expect(run.ask('ada', { type: 'forgetVoicemails', ids: ['c1-ada', 'none'] })).toEqual(ok);
    expect(run.mailboxes.all.size).toBe(0);
  });
});

describe('what an earlier run kept', () => {
  const heard = (time: number, clip: string) => ({ kind: 'clip', at: time, clip }) as const;
  const isLive = (callId: string) => callId === 'live';

  it('is one with what was said before it could be read', () => {
    const { mailboxes } = openMailboxes();
    mailboxes.said({ at: at + 2_000, clip: 'second' }, callAt('live', 'ada'));
    mailboxes.said({ at: at + 2_000, clip: 'second' }, callAt('over', 'ada'));
    mailboxes.recordWritten(recordOf('over', 'ada', 'ada', at + 4_000));
    mailboxes.callEnded('over');
    const log = [heard(at, 'first')];
    const spoken = ['live', 'over'].map((callId) => ({ callId, heard: log }));
    mailboxes.load([], spoken, { isLive, records: [] });
    const whole = [heard(at, 'first'), heard(at + 2_000, 'second')];
    expect(mailboxes.all.get('over-ada')?.said).toEqual(whole);
    mailboxes.recordWritten(recordOf('live', 'ada', 'ada', at + 4_000));
    expect(mailboxes.all.get('live-ada')?.said).toEqual(whole);
  });

  it('gives a message that an earlier version left without its sound what was said, and a record its message', () => {
    const first = openMailboxes();
    first.leave('old', 'ada');
    const [kept] = [...first.mailboxes.all.values()];
    const { mailboxes, sees } = openMailboxes();
    const spoken = [
      { callId: 'old', heard: [heard(at + 1_000, 'words')] },
      { callId: 'owed', heard: [heard(at + 1_000, 'words')] },
    ];
    const records = [recordOf('owed', 'ada', 'ada', at + 4_000), recordOf('old', 'ada', 'ada', at + 4_000)];
    mailboxes.load([{ ...kept!, said: [] }], spoken, { isLive, records });
    expect(sees('ada')).toEqual(['old-ada new', 'owed-ada new']);
    for (const id of ['old-ada', 'owed-ada'])
      expect(mailboxes.all.get(id)?.said.map((entry) => 'clip' in entry && entry.clip)).toEqual(['words']);
    const rows = mailboxes.takeChanges();
    expect(rows.filter(({ table, now }) => table === 'spoken' && now === null)).toHaveLength(2);
  });

  it('that is whole stays as it is, whatever else was heard', () => {
    const first = openMailboxes();
    first.leave('old', 'ada');
    const { mailboxes } = openMailboxes();
    const spoken = [{ callId: 'old', heard: [heard(at + 1_500, 'other')] }];
    mailboxes.load(first.mailboxes.all.values(), spoken, { isLive, records: [] });
    expect(mailboxes.all.get('old-ada')).toEqual(first.mailboxes.all.get('old-ada'));
    expect(mailboxes.takeChanges().map(({ table, now }) => [table, now])).toEqual([['spoken', null]]);
  });
});
