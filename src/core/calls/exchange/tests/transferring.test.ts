import { greetingSeconds } from '@/core/setup';
import { limits } from '..';
import { consulting, number, openStory, threeTogether } from './story';
import { customer, start, testSetup } from './testOffice';

describe('RFC 5359 §2.4 unattended transfer (ECMA-269 single-step transfer)', () => {
  it('the customer hears ringing, then the target; the one who sent has gone', () => {
    const story = openStory();
    story.adaTalks(0);
    const flow = story.does({ type: 'transfer', legId: story.at('ada-app'), target: number('201') }, 10);
    expect(flow).toEqual([
      'transferred to 201',
      'connectionCleared ada-app transferred',
      'delivered ben-desk',
    ]);
    expect(story.hears()).toEqual({ customer: 'ringback', 'ben-desk': 'ring' });
    expect(story.does({ type: 'answer', legId: story.at('ben-desk') }, 14)).toEqual(['established ben-desk']);
    expect(story.does({ type: 'clear', legId: story.at('customer') }, 30)).toEqual([
      'connectionCleared customer normalClearing',
      'connectionCleared ben-desk normalClearing',
      'record ada answered',
      'record ben answered',
      'callCleared',
    ]);
  });

  it('not answered in the office’s time it comes back, marked, and not taken there ends in the mailbox', () => {
    const story = openStory();
    story.adaTalks(0);
    const { callId } = story.leg('ada-app');
    story.does({ type: 'transfer', legId: story.at('ada-app'), target: number('201') }, 10);
    const { transferReturnSeconds } = testSetup.policies;
    expect(story.lets(10 + transferReturnSeconds)).toEqual([
      'connectionCleared ben-desk noAnswer',
      'returned to ada',
      'delivered ada-app',
    ]);
    expect(story.call(callId).returned).toEqual({ why: 'transfer', at: start + 28_000 });
    expect(story.lets(28 + limits.returnMs / 1000)).toEqual([
      'connectionCleared ada-app noAnswer',
      'established ada-mailbox',
    ]);
  });

  it('refused at the target it comes back at once', () => {
    const story = openStory();
    story.adaTalks(0);
    story.does({ type: 'transfer', legId: story.at('ada-app'), target: number('201') }, 10);
    expect(story.does({ type: 'refuse', legId: story.at('ben-desk') }, 12)).toEqual([
      'connectionCleared ben-desk callRejected',
      'returned to ada',
      'delivered ada-app',
    ]);
  });

  it('to an outside number that is busy it comes back too; answered, whoever sent it pays', () => {
    const story = openStory();
    story.adaTalks(0);
    const send = (seconds: number) =>
      story.does(
        { type: 'transfer', legId: story.at('ada-app'), target: number('+1 202 555 0147') },
        seconds,
      );
    send(10);
    expect(story.does({ type: 'fail', legId: story.at('+12025550147'), cause: 'userBusy' }, 11)).toContain(
      'returned to ada',
    );
    story.does({ type: 'answer', legId: story.at('ada-app') }, 15);
    send(20);
    story.does({ type: 'answer', legId: story.at('+12025550147') }, 25);
    const { events } = story.send({ type: 'clear', legId: story.at('customer') }, 25 + 61);
    const record = events.flatMap((event) => (event.type === 'recordWritten' ? [event.record] : []));
    expect(record).toMatchObject([{ personId: 'ada', costMicros: 50_000 + 2 * 60_000 }]);
  });

  it('consulted outside and connected, each minute is paid once', () => {
    const story = openStory();
    story.adaTalks(0);
    const held = story.at('ada-app');
    const { legId } = story.fromAda('+1 202 555 0147', 5, { consultationFor: held });
    story.does({ type: 'answer', legId: story.at('+12025550147') }, 10);
    const connected = story.send({ type: 'connectCalls', legId: held, otherLegId: legId }, 10 + 61);
    const ended = story.send({ type: 'clear', legId: story.at('customer') }, 10 + 130);
    const costs = [...connected.events, ...ended.events].flatMap((event) =>
      event.type === 'recordWritten' ? [event.record.costMicros] : [],
    );
    expect(costs).toEqual([50_000 + 2 * 60_000, 60_000]);
  });

  it('into a mailbox, where the caller hears the greeting and leaves a message', () => {
    const story = openStory();
    story.adaTalks(0);
    const target = { kind: 'mailbox', personId: 'cleo' } as const;
    expect(story.does({ type: 'transfer', legId: story.at('ada-app'), target }, 10)).toEqual([
      'transferred to 211',
      'connectionCleared ada-app transferred',
      'established cleo-mailbox',
    ]);
    expect(story.hears()['customer']).toBe('greeting');
    story.lets(10 + greetingSeconds(null));
    expect(story.does({ type: 'clear', legId: story.at('customer') }, 30)).toContain(
      'messageLeft cleo-mailbox',
    );
  });

  it('of a held call and of a conference: the others stay together and the target is called', () => {
    const held = openStory();
    held.adaTalks(0);
    held.does({ type: 'hold', legId: held.at('ada-app') }, 5);
    held.does({ type: 'transfer', legId: held.at('ada-app'), target: number('201') }, 10);
    expect(held.hears()['customer']).toBe('ringback');

    const conference = threeTogether();
    conference.does({ type: 'transfer', legId: conference.at('ada-app'), target: number('211') }, 30);
    expect(conference.hears()).toMatchObject({ customer: 'ben-desk', 'ben-desk': 'customer' });
  });

  it('of a call that is recorded: the recording ends where its owner leaves, and is kept', () => {
    const story = openStory();
    story.adaTalks(0);
    story.does({ type: 'record', legId: story.at('ada-app'), act: 'start' }, 5);
    const flow = story.does({ type: 'transfer', legId: story.at('ada-app'), target: number('201') }, 15);
    expect(flow.slice(0, 2)).toEqual(['transferred to 201', 'recording ended']);
    expect(story.leg('outside').callId).toBeTruthy();
    expect(story.call(story.leg('outside').callId).recordings).toMatchObject([
      { personId: 'ada', pieces: [{ from: start + 5000, to: start + 15_000 }] },
    ]);
  });

  it.each([
    ['214', 'targetIsSelf'],
    [customer.number, 'targetInCall'],
    ['299', 'unknownTarget'],
    ['999', 'emergencyTarget'],
    ['gate', 'notDialable'],
    ['+44 900 123 4567', 'barred'],
  ])('to %s is refused with %s, and the call goes on', (to, code) => {
    const story = openStory();
    story.adaTalks(0);
    const before = story.exchange.save();
    expect(story.refuses({ type: 'transfer', legId: story.at('ada-app'), target: number(to) }, 0)).toBe(code);
    expect(story.exchange.save()).toEqual(before);
  });
});

describe('RFC 5359 §2.5 attended transfer (ECMA-269 transfer call)', () => {
  it('the customer and the consulted are together, and who consulted has left both calls', () => {
    const story = consulting();
    const flow = story.does({ type: 'connectCalls', legId: story.held, otherLegId: story.consultation }, 20);
    expect(flow).toEqual([
      'connectionCleared ada-app joined',
      'record ada answered',
      'record ben answered',
      'callCleared',
      'transferred to 201',
      'connectionCleared ada-app transferred',
    ]);
    expect(story.hears()).toEqual({ customer: 'ben-desk', 'ben-desk': 'customer' });
  });

  it('before the consulted has answered it is a blind one, and comes back like one', () => {
    const story = consulting(false);
    story.does({ type: 'connectCalls', legId: story.held, otherLegId: story.consultation }, 12);
    expect(story.hears()).toEqual({ customer: 'ringback', 'ben-desk': 'ring' });
    expect(story.does({ type: 'refuse', legId: story.at('ben-desk') }, 15)).toContain('returned to ada');
  });

  it('of two calls nobody has answered is refused', () => {
    const story = openStory();
    const first = story.fromAda('0131 496 0142', 0);
    const second = story.fromAda('0131 496 0143', 1);
    const join = { legId: first.legId, otherLegId: second.legId };
    expect(story.refuses({ type: 'connectCalls', ...join }, 2)).toBe('notAnswered');
    expect(story.refuses({ type: 'mergeCalls', ...join }, 2)).toBe('notAnswered');
  });
});

describe('RFC 5359 §2.6 transfer by message: a colleague is invited to take over', () => {
  it('who has the code comes in, and who invited goes', () => {
    const story = openStory();
    story.adaTalks(0);
    const { result } = story.send(
      { type: 'invite', legId: story.at('ada-app'), purpose: 'takeOver', toPersonId: 'cleo' },
      5,
    );
    const code = result.ok ? (result.note ?? '') : '';
    expect(story.refuses({ type: 'join', deviceId: 'ben-desk', code }, 6)).toBe('notForYou');
    expect(story.refuses({ type: 'join', deviceId: 'cleo-desk', code: '00' }, 6)).toBe('unknownCode');
    expect(story.does({ type: 'join', deviceId: 'cleo-desk', code }, 8)).toEqual([
      'joined cleo-desk',
      'invitationEnded',
      'connectionCleared ada-app transferred',
    ]);
    expect(story.hears()).toEqual({ customer: 'cleo-desk', 'cleo-desk': 'customer' });
  });
});

describe('ECMA-269 deflect call, while it rings', () => {
  it('goes to the target’s own plan, and does not come back', () => {
    const story = openStory();
    story.fromCustomer(0);
    const flow = story.does({ type: 'deflect', legId: story.at('ada-app'), target: number('201') }, 3);
    expect(flow).toEqual([
      'diverted to 201',
      'connectionCleared ada-app callRejected',
      'connectionCleared ada-desk callRejected',
      'delivered ben-desk',
    ]);
    expect(story.lets(60)).toContain('record ada deflected');
  });
});
