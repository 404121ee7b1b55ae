import { describeOutcome, describeRoute, talkWithOther } from '@/core/calls/history';
import { OfficeIndex, officeSetupSchema, type OfficeSetup } from '@/core/setup';
import { afterRefusal, limits, type CallRecord, type ExchangeEvent } from '..';
import { Exchange } from '../machine';
import { device, number, openStory } from './story';
import { adaApp, customer, testSetup, start } from './testOffice';

const recordOf = (events: readonly ExchangeEvent[], personId: string): CallRecord | undefined =>
  events
    .flatMap((event) => (event.type === 'recordWritten' ? [event.record] : []))
    .find((record) => record.personId === personId);
const home = '+441134960133';

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

  it('answered at the number outside it was forwarded to, or that the plan rings, whoever has it was reached', () => {
    const stages = [
      { length: { seconds: 20 }, targets: [{ number: home, startSeconds: 0, acceptKey: true }] },
    ];
    for (const rule of [{ stages: [], finish: { kind: 'forward', to: home } }, { stages }]) {
      const story = forwarding(rule);
      // By a colleague, who pays for none of it being theirs.
      story.does({ type: 'make', from: device('cleo-desk'), to: '201' }, 0);
      story.does({ type: 'alert', legId: story.at(home) }, 3);
      story.does({ type: 'answer', legId: story.at(home) }, 6);
      if ('stages' in rule && rule.stages.length > 0)
        story.does({ type: 'sendDigits', legId: story.at(home), digits: '1' }, 6);
      const { events } = story.send({ type: 'clear', legId: story.at('cleo-desk') }, 66);
      const record = recordOf(events, 'ben');
      expect(record).toMatchObject({ outcome: 'answered', answeredById: null, endedAt: start + 66_000 });
      const index = new OfficeIndex(testSetup);
      expect(record && describeOutcome(record, index)).toBe('Answered at 0113 496 0133');
      expect(record && describeRoute(record, index)).toContain(
        '0113 496 0133 rang from second 0 to 6, then answered.',
      );
    }
  });

  it('a number outside that takes the call by a key: its own mailbox never does', () => {
    const toMobile = { kind: 'forward', to: '07700 900321', acceptKey: true } as const;
    const story = forwarding({ stages: [], finish: toMobile });
    expect(story.does({ type: 'make', from: customer, to: '201' }, 0)).toEqual([
      'originated customer',
      'diverted to +447700900321',
      'networkReached +447700900321',
    ]);
    story.does({ type: 'alert', legId: story.at('+447700900321') }, 2);
    expect(story.does({ type: 'answer', legId: story.at('+447700900321') }, 8)).toEqual([
      'acceptAsked +447700900321',
    ]);
    expect(story.hears()).toMatchObject({ customer: 'ringback' });
    // Nobody presses it, as a mailbox would not: the call goes on to the mailbox here.
    expect(story.lets(8 + limits.acceptMs / 1000)).toEqual([
      'connectionCleared +447700900321 noAnswer',
      'established ben-mailbox',
    ]);
    const taken = forwarding({ stages: [], finish: toMobile });
    taken.does({ type: 'make', from: customer, to: '201' }, 0);
    taken.does({ type: 'alert', legId: taken.at('+447700900321') }, 2);
    taken.does({ type: 'answer', legId: taken.at('+447700900321') }, 8);
    taken.does({ type: 'sendDigits', legId: taken.at('+447700900321'), digits: '1' }, 9);
    const { events } = taken.send({ type: 'clear', legId: taken.at('customer') }, 69);
    expect(recordOf(events, 'ben')).toMatchObject({ outcome: 'answered', costMicros: 9_000 });
  });

  it('in a circle ends with congestion', () => {
    const story = forwarding({ stages: [], finish: { kind: 'forward', to: '201' } });
    story.does({ type: 'make', from: customer, to: '201' }, 0);
    expect(story.hears()).toEqual({ customer: 'congestion' });
  });
});

describe('a silent do not disturb', () => {
  const doNotDisturb = { mode: 'silent' as const, until: null, passes: [], passLineIds: [] };
  const silent = (plan: object = {}) =>
    openStory({
      ...testSetup,
      ringPlans: testSetup.ringPlans.map((each) =>
        each.personId === 'ben' ? { ...each, doNotDisturb, ...plan } : each,
      ),
    });

  it('lets the caller hear ringing for the seconds of the plan, then goes on', () => {
    const story = silent();
    expect(story.does({ type: 'make', from: customer, to: '201' }, 0)).toEqual(['originated customer']);
    expect(story.hears()).toEqual({ customer: 'ringback' });
    expect(story.lets(19)).toEqual([]);
    story.lets(20);
    expect(story.hears()).toEqual({ customer: 'busy' });
  });

  it('keeps somebody who was sent on waiting too, and is over at once when the caller hangs up', () => {
    const story = silent();
    story.adaTalks(0);
    story.does({ type: 'transfer', legId: story.at('ada-app'), target: number('201') }, 5);
    expect(story.hears()).toEqual({ customer: 'ringback' });
    story.does({ type: 'clear', legId: story.at('customer') }, 9);
    expect(story.exchange.calls.size).toBe(0);
  });
});

describe('a rule’s conditions in a live call', () => {
  const setupWith = (rule: object): OfficeSetup =>
    officeSetupSchema.parse({
      ...testSetup,
      ringPlans: testSetup.ringPlans.map((plan) =>
        plan.personId === 'ben' ? { ...plan, rules: [{ ...plan.rules[0], ...rule }, ...plan.rules] } : plan,
      ),
    });
  const withRule = (rule: object) => openStory(setupWith(rule));

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

  it('a caller who tries again is known as such, also after a restart', () => {
    const when = { callers: [{ kind: 'repeated', times: 1, withinMinutes: 5 }] };
    const story = withRule({ when });
    const again = { type: 'make', from: customer, to: '201' } as const;
    const firstStep = (exchange: Exchange) =>
      [...exchange.calls.values()].map(({ ringing }) => ringing?.trace.steps[0]?.kind);
    story.does(again, 0);
    expect(firstStep(story.exchange)).toEqual(['ruleSkipped']);
    story.does({ type: 'clear', legId: story.at('customer') }, 10);

    const restarted = new Exchange(setupWith({ when }), story.exchange.save());
    restarted.send(again, start + 60_000);
    expect(firstStep(restarted)).toEqual(['ruleTaken']);
    const late = new Exchange(setupWith({ when }), story.exchange.save());
    late.send(again, start + 301_000);
    expect(firstStep(late)).toEqual(['ruleSkipped']);
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

  it('refusing on one phone tries the next, in the named order; nobody: back to the mailbox', () => {
    const story = openStory();
    story.does({ type: 'make', from: customer, to: '209' }, 0);
    story.does({ type: 'sendDigits', legId: story.at('customer'), digits: '1' }, 1);
    expect(story.lets(1 + limits.nameMs / 1000)).toContain('delivered dot-desk');
    const [call] = [...story.exchange.calls.values()];
    const desk = call?.legs.find(({ id }) => id === story.at('dot-desk'));
    expect(call && desk && afterRefusal(call, desk, start + 6_000)).toMatchObject({
      rings: [{ leg: { deviceId: 'dot-mobile' } }],
      finish: { kind: 'mailbox', personId: 'dot' },
    });
    expect(story.does({ type: 'refuse', legId: story.at('dot-desk') }, 6)).toEqual([
      'connectionCleared dot-desk callRejected',
      'delivered dot-mobile',
    ]);
    expect(story.does({ type: 'refuse', legId: story.at('dot-mobile') }, 8)).toEqual([
      'connectionCleared dot-mobile callRejected',
      'established dot-mailbox',
    ]);
  });

  it('found at a number outside, its owner was reached, and the mailbox is no finish', () => {
    const story = openStory({
      ...testSetup,
      ringPlans: [{ personId: 'dot', rules: [], findMe: [{ deviceId: 'dot-desk' }, { number: home }] }],
    });
    story.does({ type: 'make', from: customer, to: '209' }, 0);
    story.does({ type: 'sendDigits', legId: story.at('customer'), digits: '1' }, 1);
    story.lets(1 + limits.nameMs / 1000);
    story.does({ type: 'refuse', legId: story.at('dot-desk') }, 6);
    story.does({ type: 'alert', legId: story.at(home) }, 8);
    story.does({ type: 'answer', legId: story.at(home) }, 10);
    story.does({ type: 'sendDigits', legId: story.at(home), digits: '1' }, 11);
    const { events } = story.send({ type: 'clear', legId: story.at('customer') }, 41);
    const record = recordOf(events, 'dot');
    expect(record).toMatchObject({ outcome: 'answered', answeredById: null, finish: null, deviceId: null });
    expect(record && talkWithOther(record)).toMatchObject({ ms: 30_000, byId: null });
    expect(record && describeOutcome(record, new OfficeIndex(testSetup))).toBe('Answered at 0113 496 0133');
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
