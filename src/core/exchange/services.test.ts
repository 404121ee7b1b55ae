import { limits } from '.';
import { openStory } from './story';
import { adaApp, customer, start, testSetup } from './testOffice';

const device = (deviceId: string) => ({ kind: 'device', deviceId }) as const;
const number = (to: string) => ({ kind: 'number', to }) as const;

/** Ada talks with the customer, and consults Ben, whose phone is lifted if so wanted. */
function consulting(isAnswered = true) {
  const story = openStory();
  story.adaTalks(0);
  const held = story.at('ada-app');
  const { legId } = story.fromAda('201', 10, { consultationFor: held });
  if (isAnswered) story.does({ type: 'answer', legId: story.at('ben-desk') }, 14);
  return { ...story, held, consultation: legId };
}

/** Ada, the customer and Ben in one call. */
function threeTogether() {
  const story = consulting();
  story.does({ type: 'mergeCalls', legId: story.held, otherLegId: story.consultation }, 20);
  return story;
}

describe('RFC 5359 §2.1 call hold, §2.2 consultation hold, §2.3 music on hold', () => {
  it('the held side hears music, the holder nothing of it, and each can be taken up again', () => {
    const story = openStory();
    story.adaTalks(0);
    expect(story.does({ type: 'hold', legId: story.at('ada-app') }, 5)).toEqual(['held ada-app']);
    expect(story.hears()).toEqual({ customer: 'music', 'ada-app': 'nothing' });
    expect(story.does({ type: 'retrieve', legId: story.at('ada-app') }, 9)).toEqual(['retrieved ada-app']);
    expect(story.hears()).toEqual({ customer: 'ada-app', 'ada-app': 'customer' });
  });

  it('a second call holds the first by itself', () => {
    const story = openStory();
    story.adaTalks(0);
    const { events } = story.fromAda('201', 10);
    expect(events.map(({ type }) => type)).toEqual(['held', 'originated', 'routed', 'delivered']);
    expect(story.hears()).toMatchObject({ customer: 'music', 'ben-desk': 'ring' });
  });
});

describe('ECMA-269 alternate call and reconnect call', () => {
  it('alternate: one is held and the other taken up in one step', () => {
    const story = consulting();
    expect(story.does({ type: 'retrieve', legId: story.held, activeCall: 'hold' }, 20)).toEqual([
      'held ada-app',
      'retrieved ada-app',
    ]);
    expect(story.hears()).toMatchObject({ customer: 'ada-app', 'ben-desk': 'music' });
  });

  it('reconnect: the consultation ends and the held call is taken up', () => {
    const story = consulting();
    expect(story.does({ type: 'retrieve', legId: story.held, activeCall: 'clear' }, 20)).toEqual([
      'connectionCleared ada-app normalClearing',
      'connectionCleared ben-desk normalClearing',
      'record ada answered',
      'record ben answered',
      'callCleared',
      'retrieved ada-app',
    ]);
  });
});

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
    story.lets(10 + limits.greetingMs / 1000);
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
    ['999', 'unknownTarget'],
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

describe('RFC 5359 §2.7 to §2.9 call forwarding', () => {
  const forwarding = (rule: object) => {
    const ringPlans = testSetup.ringPlans.map((plan) =>
      plan.personId === 'ben' ? { ...plan, rules: plan.rules.map((each) => ({ ...each, ...rule })) } : plan,
    );
    return openStory({ ...testSetup, ringPlans });
  };
  const toCleo = { kind: 'forward', to: '211' } as const;

  it('unconditional: nothing of the forwarder rings', () => {
    const story = forwarding({ stages: [], finish: toCleo });
    expect(story.does({ type: 'make', from: customer, to: '201' }, 0)).toEqual([
      'originated customer',
      'diverted to 211',
      'established cleo-mailbox',
    ]);
  });

  it('busy: where all phones of theirs are taken, it goes on at once', () => {
    const story = forwarding({ busyFinish: { kind: 'forward', to: '0131 496 0150' } });
    story.does({ type: 'make', from: device('ben-desk'), to: '0131 496 0142' }, 0);
    expect(story.does({ type: 'make', from: customer, to: '201' }, 1)).toEqual([
      'originated customer',
      'diverted to +441314960150',
      'networkReached +441314960150',
    ]);
  });

  it('no answer: after the plan’s seconds', () => {
    const story = forwarding({ finish: { kind: 'forward', to: '0131 496 0150' } });
    story.does({ type: 'make', from: customer, to: '201' }, 0);
    expect(story.lets(19)).toEqual([]);
    expect(story.lets(20)).toEqual([
      'connectionCleared ben-desk noAnswer',
      'diverted to +441314960150',
      'networkReached +441314960150',
    ]);
  });

  it('in a circle ends with congestion', () => {
    const story = forwarding({ stages: [], finish: { kind: 'forward', to: '201' } });
    story.does({ type: 'make', from: customer, to: '201' }, 0);
    expect(story.hears()).toEqual({ customer: 'congestion' });
  });
});

describe('a rule’s conditions in a live call', () => {
  const withRule = (rule: object) => {
    const ringPlans = testSetup.ringPlans.map((plan) =>
      plan.personId === 'ben' ? { ...plan, rules: [{ ...plan.rules[0]!, ...rule }, ...plan.rules] } : plan,
    );
    return openStory({ ...testSetup, ringPlans });
  };

  it('refused, it ends where the rule says for that, and otherwise where it says for no answer', () => {
    const story = withRule({ refusedFinish: { kind: 'mailbox', personId: 'ben' } });
    story.does({ type: 'make', from: customer, to: '201' }, 0);
    expect(story.does({ type: 'refuse', legId: story.at('ben-desk') }, 3)).toContain(
      'established ben-mailbox',
    );
    story.does({ type: 'clear', legId: story.at('customer') }, 5);
    story.does({ type: 'make', from: customer, to: '201' }, 10);
    story.lets(40);
    expect(story.hears()).toEqual({ customer: 'busy' });
  });

  it('a caller who tries again gets through where first callers do not, also after a restart', () => {
    const story = withRule({
      when: { callers: [{ kind: 'unknown' }] },
      stages: [],
      finish: { kind: 'mailbox', personId: 'ben' },
    });
    const repeated = withRule({ when: { callers: [{ kind: 'repeated', times: 1, withinMinutes: 5 }] } });
    expect(story.does({ type: 'make', from: customer, to: '201' }, 0)).toContain('established ben-mailbox');
    repeated.does({ type: 'make', from: customer, to: '201' }, 0);
    const steps = () =>
      repeated
        .call(repeated.leg('ben-desk').callId)
        .ringing?.trace.steps.map((step) => [step.kind, 'reason' in step ? step.reason : '']);
    expect(steps()?.[0]).toEqual(['ruleSkipped', 'otherCaller']);
    repeated.does({ type: 'clear', legId: repeated.at('customer') }, 10);
    repeated.does({ type: 'make', from: customer, to: '201' }, 60);
    expect(steps()?.[0]).toEqual(['ruleTaken', 'itsConditions']);
  });
});

describe('RFC 5359 §2.10 three-way conference, a third is added; §2.11 a third joins (ECMA-269 conference call)', () => {
  it('two calls become one, in which all hear each other', () => {
    const story = threeTogether();
    expect(story.hears()).toEqual({
      customer: 'ada-app, ben-desk',
      'ada-app': 'customer, ben-desk',
      'ben-desk': 'customer, ada-app',
    });
  });

  it('single step: a third is called into the call, which goes on meanwhile, and may not come', () => {
    const story = openStory();
    story.adaTalks(0);
    const flow = story.does({ type: 'add', legId: story.at('ada-app'), to: '201' }, 5);
    expect(flow).toEqual(['delivered ben-desk']);
    expect(story.hears()).toMatchObject({ customer: 'ada-app', 'ada-app': 'customer' });
    expect(story.does({ type: 'refuse', legId: story.at('ben-desk') }, 8)).toEqual([
      'connectionCleared ben-desk callRejected',
      'additionFailed',
    ]);
    expect(story.hears()).toEqual({ customer: 'ada-app', 'ada-app': 'customer' });
  });

  it('a third joins by a code', () => {
    const story = openStory();
    story.adaTalks(0);
    const { result } = story.send(
      { type: 'invite', legId: story.at('ada-app'), purpose: 'join', toPersonId: null },
      5,
    );
    const to = `*87${result.ok ? (result.note ?? '') : ''}`;
    expect(story.does({ type: 'make', from: device('ben-desk'), to }, 8)).toEqual(['joined ben-desk']);
    expect(story.hears()['customer']).toBe('ada-app, ben-desk');
  });

  it('one is silenced, put aside, spoken to alone, and brought back', () => {
    const story = threeTogether();
    const on = (type: 'silence' | 'unsilence' | 'putAside' | 'bringBack' | 'talkAside', where: string) =>
      story.does({ type, legId: story.at('ada-app'), otherLegId: story.at(where) }, 30);
    expect(on('silence', 'customer')).toEqual(['silenced customer']);
    expect(story.hears()).toMatchObject({ 'ben-desk': 'ada-app', customer: 'ada-app, ben-desk' });
    on('unsilence', 'customer');
    expect(on('putAside', 'customer')).toEqual(['putAside customer']);
    expect(story.hears()).toEqual({ customer: 'music', 'ada-app': 'ben-desk', 'ben-desk': 'ada-app' });
    on('bringBack', 'customer');
    expect(on('talkAside', 'ben-desk')).toEqual(['talkedAside ben-desk']);
    expect(story.hears()).toEqual({ customer: 'music', 'ada-app': 'ben-desk', 'ben-desk': 'ada-app' });
    on('bringBack', 'ben-desk');
    expect(story.hears()['customer']).toBe('ada-app, ben-desk');
  });

  it('one is dropped; who began it leaves and the others go on; it ends when one is left', () => {
    const story = threeTogether();
    story.does({ type: 'add', legId: story.at('ada-app'), to: '0131 496 0142' }, 30);
    story.does({ type: 'answer', legId: story.at('+441314960142') }, 34);
    expect(
      story.does({ type: 'drop', legId: story.at('ada-app'), otherLegId: story.at('+441314960142') }, 40),
    ).toEqual(['connectionCleared +441314960142 normalClearing']);
    expect(story.does({ type: 'clear', legId: story.at('ada-app') }, 50)).toEqual([
      'connectionCleared ada-app normalClearing',
    ]);
    expect(story.hears()).toEqual({ customer: 'ben-desk', 'ben-desk': 'customer' });
    const { events } = story.send({ type: 'clear', legId: story.at('ben-desk') }, 60);
    const records = events.flatMap((event) => (event.type === 'recordWritten' ? [event.record] : []));
    // Six seconds of the leg Ada brought in.
    expect(records.map(({ personId, costMicros }) => [personId, costMicros])).toEqual([
      ['ada', 900],
      ['ben', 0],
    ]);
    expect(records[0]?.parties.map(({ number, from, to }) => [number, (to - from) / 1000])).toEqual([
      [customer.number, 60],
      ['214', 50],
      // Ben since he took up the consultation.
      ['201', 46],
      ['+441314960142', 6],
    ]);
  });

  it('holds eight and no more', () => {
    const story = openStory();
    story.adaTalks(0);
    for (let index = 0; index < 6; index++) {
      story.does({ type: 'add', legId: story.at('ada-app'), to: `0131 496 014${index}` }, 10);
      story.does({ type: 'answer', legId: story.at(`+44131496014${index}`) }, 10);
    }
    expect(story.refuses({ type: 'add', legId: story.at('ada-app'), to: '0131 496 0149' }, 11)).toBe(
      'conferenceFull',
    );
  });
});

describe('RFC 5359 §2.12 find me', () => {
  it('the mailbox asks for the name, tries one phone after the other, and takes the call back', () => {
    const story = openStory();
    story.does(
      { type: 'make', from: { kind: 'outside', number: '+447700900001', name: null }, to: '209' },
      0,
    );
    story.lets(1);
    expect(story.does({ type: 'sendDigits', legId: story.at('+447700900001'), digits: '1' }, 2)).toEqual([
      'digitsSent +447700900001 1',
      'nameAsked dot-mailbox',
    ]);
    expect(story.lets(2 + limits.nameMs / 1000)).toEqual([
      'connectionCleared dot-mailbox normalClearing',
      'delivered dot-desk',
    ]);
    expect(story.lets(5 + limits.findMeMs / 1000)).toEqual([
      'connectionCleared dot-desk noAnswer',
      'delivered dot-mobile',
    ]);
    // Lifted is not taken: a private mailbox may have lifted it.
    expect(story.does({ type: 'answer', legId: story.at('dot-mobile') }, 22)).toEqual([
      'acceptAsked dot-mobile',
    ]);
    expect(story.hears()).toMatchObject({ 'dot-mobile': 'acceptPrompt', '+447700900001': 'ringback' });
    expect(story.does({ type: 'sendDigits', legId: story.at('dot-mobile'), digits: '2' }, 24)).toEqual([
      'digitsSent dot-mobile 2',
      'connectionCleared dot-mobile noAnswer',
      'established dot-mailbox',
    ]);
  });

  it('a key takes the call', () => {
    const story = openStory();
    story.does({ type: 'make', from: customer, to: '209' }, 0);
    story.does({ type: 'sendDigits', legId: story.at('customer'), digits: '1' }, 1);
    story.lets(5);
    story.does({ type: 'answer', legId: story.at('dot-desk') }, 6);
    expect(story.does({ type: 'sendDigits', legId: story.at('dot-desk'), digits: '1' }, 7)).toEqual([
      'digitsSent dot-desk 1',
      'established dot-desk',
    ]);
    expect(story.hears()).toEqual({ customer: 'dot-desk', 'dot-desk': 'customer' });
  });
});

describe('a lifted phone that listens to who is calling', () => {
  it('sets aside what it talks on meanwhile when it takes the call', () => {
    const story = openStory();
    story.does({ type: 'make', from: customer, to: '209' }, 0);
    story.does({ type: 'sendDigits', legId: story.at('customer'), digits: '1' }, 1);
    story.lets(5);
    const rung = story.at('dot-desk');
    story.does({ type: 'answer', legId: rung }, 6);
    story.does({ type: 'make', from: device('dot-desk'), to: '201' }, 7);
    expect(story.does({ type: 'sendDigits', legId: rung, digits: '1' }, 8)).toEqual([
      'digitsSent dot-desk 1',
      'held dot-desk',
      'established dot-desk',
    ]);
  });
});

describe('RFC 5359 §2.13 and §2.14 screening', () => {
  it.each([
    ['a number that is kept away', '+447700900999'],
    ['a withheld one', null],
  ])('incoming: %s is turned away, and a record says so', (_, from) => {
    const story = openStory();
    story.does({ type: 'make', from: { kind: 'outside', number: from, name: null }, to: '209' }, 0);
    expect(story.hears()).toEqual({ [from ?? 'withheld']: 'busy' });
    expect(story.lets(limits.toneMs / 1000)).toContain('record dot screened');
  });

  it('outgoing: a barred number is refused with the office’s reason', () => {
    const story = openStory();
    const { result } = story.send({ type: 'make', from: adaApp, to: '0900 123 4567' }, 0);
    expect(result).toEqual({ ok: false, reason: { code: 'barred', why: 'premium numbers are barred' } });
  });
});

describe('RFC 5359 §2.15 call park', () => {
  it('the caller hears music at a slot, and any phone takes them by its code', () => {
    const story = openStory();
    story.adaTalks(0);
    expect(story.does({ type: 'park', legId: story.at('ada-app') }, 10)).toEqual([
      'parked at 01',
      'connectionCleared ada-app parked',
    ]);
    expect(story.hears()).toEqual({ customer: 'music' });
    expect(story.does({ type: 'make', from: device('cleo-desk'), to: '*8401' }, 20)).toEqual([
      'unparked cleo-desk',
    ]);
    expect(story.hears()).toEqual({ customer: 'cleo-desk', 'cleo-desk': 'customer' });
  });

  it('too long: it rings back; the caller may hang up meanwhile, and a full park says so', () => {
    const story = openStory();
    story.adaTalks(0);
    story.does({ type: 'park', legId: story.at('ada-app') }, 0);
    expect(story.lets(testSetup.policies.parkSeconds)).toEqual(['returned to ada', 'delivered ada-app']);
    expect(story.does({ type: 'clear', legId: story.at('customer') }, 70)).toContain('callCleared');

    const full = openStory();
    for (const seconds of [0, 1]) {
      full.adaTalks(seconds);
      full.does({ type: 'park', legId: full.at('ada-app') }, seconds);
    }
    full.adaTalks(2);
    expect(full.refuses({ type: 'park', legId: full.at('ada-app') }, 2)).toBe('parkFull');
    expect(full.refuses({ type: 'unpark', deviceId: 'cleo-desk', slot: '09' }, 2)).toBe('emptySlot');
  });
});

describe('RFC 5359 §2.16 call pick-up', () => {
  it('group: whatever rings longest in the own team', () => {
    const story = openStory();
    story.does({ type: 'make', from: customer, to: '201' }, 0);
    expect(story.does({ type: 'make', from: device('cleo-desk'), to: '*85' }, 4)).toEqual([
      'connectionCleared ben-desk completedElsewhere',
      'pickedUp cleo-desk',
    ]);
    expect(story.hears()).toEqual({ customer: 'cleo-desk', 'cleo-desk': 'customer' });
  });

  it('directed: what rings at an extension; where nothing rings, that is said', () => {
    const story = openStory();
    expect(story.refuses({ type: 'make', from: device('dot-desk'), to: '*86201' }, 0)).toBe('nothingRings');
    story.does({ type: 'make', from: customer, to: '201' }, 1);
    expect(story.does({ type: 'make', from: device('dot-desk'), to: '*86201' }, 4)).toContain(
      'pickedUp dot-desk',
    );
  });
});

describe('RFC 5359 §2.17 automatic redial (3GPP TS 24.642 completion of calls to a busy subscriber)', () => {
  it('to a colleague: rings back when both are free, and then calls', () => {
    const story = openStory();
    story.does({ type: 'make', from: device('ben-desk'), to: '0131 496 0142' }, 0);
    const { legId } = story.fromAda('201', 1);
    expect(story.hears()['ada-app']).toBe('busy');
    expect(story.does({ type: 'callBackWhenFree', legId }, 2)).toEqual(['queued ada-app']);
    story.does({ type: 'clear', legId }, 3);
    expect(story.does({ type: 'clear', legId: story.at('ben-desk') }, 30).slice(-1)).toEqual([
      'delivered ada-app',
    ]);
    expect(story.does({ type: 'answer', legId: story.at('ada-app') }, 33)).toEqual([
      'established ada-app',
      'delivered ben-desk',
    ]);
  });

  it('to an outside number: the network says when it is free; only busy can be waited for', () => {
    const story = openStory();
    const { legId } = story.fromAda('0131 496 0142', 0);
    expect(story.refuses({ type: 'callBackWhenFree', legId }, 0)).toBe('notBusy');
    story.does({ type: 'fail', legId: story.at('+441314960142'), cause: 'userBusy' }, 1);
    story.does({ type: 'callBackWhenFree', legId }, 2);
    story.does({ type: 'clear', legId }, 3);
    expect(story.does({ type: 'reportFree', number: '+441314960142' }, 60)).toEqual(['delivered ada-app']);
  });
});

describe('RFC 5359 §2.18 click to dial: the office calls the worker first', () => {
  const call = {
    type: 'make',
    from: device('ada-mobile'),
    to: '0131 496 0142',
    ringOwnPhoneFirst: true,
  } as const;

  it('a mobile hears who is to be called, a key accepts, and the other side sees the line', () => {
    const story = openStory();
    expect(story.does(call, 0)).toEqual(['originated ada-mobile', 'delivered ada-mobile']);
    story.does({ type: 'answer', legId: story.at('ada-mobile') }, 5);
    expect(story.hears()).toEqual({ 'ada-mobile': 'acceptPrompt' });
    expect(story.does({ type: 'sendDigits', legId: story.at('ada-mobile'), digits: '1' }, 7)).toEqual([
      'digitsSent ada-mobile 1',
      'established ada-mobile',
      'networkReached +441314960142',
    ]);
    expect(story.call(story.leg('ada-mobile').callId)).toMatchObject({ lineId: 'field', withheld: false });
  });

  it('refused, unanswered or not accepted it ends cleanly, and nobody else was called', () => {
    const refused = openStory();
    refused.does(call, 0);
    expect(refused.does({ type: 'refuse', legId: refused.at('ada-mobile') }, 3)).toContain(
      'record ada ownPhoneUnanswered',
    );
    const unanswered = openStory();
    unanswered.does(call, 0);
    expect(unanswered.lets(limits.ownPhoneMs / 1000)).toContain('record ada ownPhoneUnanswered');
    const notAccepted = openStory();
    notAccepted.does(call, 0);
    notAccepted.does({ type: 'answer', legId: notAccepted.at('ada-mobile') }, 5);
    expect(notAccepted.lets(5 + limits.acceptMs / 1000)).toContain('callCleared');
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

describe('3GPP TS 24.615 call waiting', () => {
  it('a second call rings while one is talked on; who lets none wait is busy', () => {
    const story = openStory();
    story.adaTalks(0);
    expect(
      story.does({ type: 'make', from: { ...customer, number: '+447700900001' }, to: '214' }, 5),
    ).toContain('delivered ada-app');
    const other = openStory();
    other.does({ type: 'setCallWaiting', deviceId: 'ada-app', on: false }, 0);
    other.adaTalks(0);
    expect(
      other.does({ type: 'make', from: { ...customer, number: '+447700900001' }, to: '214' }, 5),
    ).toContain('established ada-mailbox');
  });
});

describe('recording', () => {
  it('pauses and goes on as one, also at another phone, and ends with the call', () => {
    const story = openStory();
    story.adaTalks(0);
    const record = (act: 'start' | 'pause' | 'resume' | 'stop', where: string, seconds: number) =>
      story.does({ type: 'record', legId: story.at(where), act }, seconds);
    expect(record('start', 'ada-app', 5)).toEqual(['recording on']);
    record('pause', 'ada-app', 8);
    story.does({ type: 'move', legId: story.at('ada-app'), to: { deviceId: 'ada-desk' }, atOnce: true }, 9);
    record('resume', 'ada-desk', 20);
    const { events } = story.send({ type: 'clear', legId: story.at('customer') }, 26);
    const [record1] = events.flatMap((event) =>
      event.type === 'recordWritten' && event.record.personId === 'ada' ? [event.record] : [],
    );
    const pieces = record1?.recordings.map((recording) => recording.pieces);
    expect(pieces).toEqual([
      [
        { from: start + 5000, to: start + 8000 },
        { from: start + 20_000, to: start + 26_000 },
      ],
    ]);
  });

  it('follows the office’s policy: always begins by itself and can’t be stopped, never can’t be begun', () => {
    const policies = (recording: 'always' | 'never') => ({
      ...testSetup,
      policies: { ...testSetup.policies, recording },
    });
    const always = openStory(policies('always'));
    always.fromCustomer(0);
    const answer = { type: 'answer', legId: always.at('ada-app') } as const;
    expect(always.does(answer, 1)).toContain('recording on');
    expect(always.refuses({ type: 'record', legId: always.at('ada-app'), act: 'pause' }, 2)).toBe(
      'recordingPolicy',
    );
    const never = openStory(policies('never'));
    never.adaTalks(0);
    expect(never.refuses({ type: 'record', legId: never.at('ada-app'), act: 'start' }, 2)).toBe(
      'recordingPolicy',
    );
  });
});

describe('moving a call to another phone', () => {
  it('the new leg is up before the old one goes; muted stays muted; the record tells the path', () => {
    const story = openStory();
    story.adaTalks(0);
    story.does({ type: 'mute', legId: story.at('ada-app') }, 5);
    const move = {
      type: 'move',
      legId: story.at('ada-app'),
      to: { deviceId: 'ada-desk' },
      atOnce: false,
    } as const;
    expect(story.does(move, 10)).toEqual(['delivered ada-desk']);
    expect(story.hears()).toMatchObject({ 'ada-app': 'customer', 'ada-desk': 'ring' });
    expect(story.does({ type: 'answer', legId: story.at('ada-desk') }, 14)).toEqual([
      'moved ada-app to ada-desk',
      'established ada-desk',
    ]);
    expect(story.hears()).toEqual({ customer: 'nobody', 'ada-app': 'customer', 'ada-desk': 'customer' });
    expect(story.lets(14 + limits.overlapMs / 1000)).toEqual(['connectionCleared ada-app moved']);
    const { events } = story.send({ type: 'clear', legId: story.at('customer') }, 60);
    const record = events.find((event) => event.type === 'recordWritten');
    expect(record).toMatchObject({
      record: {
        outcome: 'answered',
        answeredAt: start,
        deviceId: 'ada-desk',
        acts: [{ act: 'moved', to: 'ada-desk' }],
      },
    });
  });

  it('to a room by its code; not taken up there, it stays where it is', () => {
    const story = openStory();
    story.adaTalks(0);
    const to = (roomCode: string) =>
      ({ type: 'move', legId: story.at('ada-app'), to: { roomCode }, atOnce: false }) as const;
    expect(story.refuses(to('99'), 1)).toBe('unknownCode');
    story.does(to('41'), 2);
    expect(story.refuses(to('41'), 3)).toBe('stillRinging');
    expect(story.lets(2 + limits.moveMs / 1000)).toEqual(['connectionCleared room noAnswer']);
    expect(story.hears()).toEqual({ customer: 'ada-app', 'ada-app': 'customer' });
    expect(
      story.refuses(
        { type: 'move', legId: story.at('ada-app'), to: { deviceId: 'ben-desk' }, atOnce: true },
        30,
      ),
    ).toBe('notTheirDevice');
  });
});

describe('an emergency call', () => {
  it('is never blocked: not by a signed-out, full or talking phone; other calls are held', () => {
    const story = openStory();
    story.does({ type: 'make', from: device('dot-desk'), to: '0131 496 0142' }, 0);
    story.does({ type: 'make', from: device('dot-desk'), to: '0131 496 0143' }, 1);
    story.does({ type: 'signOut', deviceId: 'dot-desk' }, 2);
    expect(story.does({ type: 'make', from: device('dot-desk'), to: '999' }, 3)).toEqual([
      'held dot-desk',
      'originated dot-desk',
      'networkReached 999',
    ]);
    const call = [...story.exchange.calls.values()].find(({ dialled }) => dialled === '999');
    expect(call?.emergency).toEqual({ location: 'Vale House' });
  });

  it('is neither held, relayed, recorded, parked, joined nor left by a waiting call', () => {
    const story = openStory();
    story.does({ type: 'make', from: device('ada-app'), to: '999' }, 0);
    story.does({ type: 'answer', legId: story.at('999') }, 2);
    const legId = story.at('ada-app');
    const refused = [
      { type: 'hold', legId },
      { type: 'record', legId, act: 'start' },
      { type: 'park', legId },
      { type: 'add', legId, to: '201' },
      { type: 'move', legId, to: { deviceId: 'ada-desk' }, atOnce: true },
      { type: 'transfer', legId, target: number('201') },
      { type: 'make', from: device('ada-app'), to: '201' },
      { type: 'make', from: device('ada-mobile'), to: '999', ringOwnPhoneFirst: true },
    ] as const;
    for (const command of refused)
      expect([command.type, story.refuses(command, 3)]).toEqual([command.type, 'emergency']);
    expect(story.does({ type: 'make', from: customer, to: '214' }, 5)).toContain('established ada-mailbox');
  });
});

describe('a double tap', () => {
  it('does the thing once, and the second is refused without harm', () => {
    const story = consulting();
    const twice = { type: 'connectCalls', legId: story.held, otherLegId: story.consultation } as const;
    story.does(twice, 20);
    expect(story.refuses(twice, 20)).toBe('unknownLeg');
    expect(story.hears()).toEqual({ customer: 'ben-desk', 'ben-desk': 'customer' });
  });
});
