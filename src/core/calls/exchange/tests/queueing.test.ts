import { plainQueue, type OfficeSetup, type Queue } from '@/core/setup';
import { Exchange } from '../Exchange';
import { limits } from '../limits';
import type { AgentState } from '../state';
import { checkExchange } from './invariants';
import { checkRuns, randomSetup } from './randomOffice';
import { device, openStory } from './story';
import { customer, start, testSetup } from './testOffice';

/** The yard's calls wait for Ben, Cleo or Dot, who have a desk phone each; its line is +44 131 496 0130. */
function withQueue(
  queue: Partial<Queue> = {},
  rest: Partial<OfficeSetup['teams'][number]> = {},
): OfficeSetup {
  const [line] = testSetup.lines;
  if (!line) throw new Error('The test office has no line');
  return {
    ...testSetup,
    lines: [
      ...testSetup.lines,
      { ...line, id: 'yard', name: 'Yard', number: '+441314960130', ownerId: 'yard' },
    ],
    teams: [
      {
        ...{ id: 'yard', name: 'Yard', extension: '250', memberIds: ['ben', 'cleo', 'dot'] },
        queue: { ...plainQueue, ...queue },
        ...rest,
      },
    ],
  };
}

const callerNumbers = ['+447700900321', '+447700900322', '+447700900323'] as const;

function openYard(queue: Partial<Queue> = {}, rest: Partial<OfficeSetup['teams'][number]> = {}) {
  const story = openStory(withQueue(queue, rest));
  const isAs = (personId: string, state: AgentState, seconds: number, reason = '') =>
    story.does({ type: 'setAgentState', teamId: 'yard', personId, state, reason }, seconds);
  return {
    ...story,
    isAs,
    /** The numbered one of three strangers calls the yard. */
    comes: (index: 0 | 1 | 2, seconds: number) =>
      story.does(
        {
          type: 'make',
          from: { kind: 'outside', number: callerNumbers[index], name: null },
          to: '+441314960130',
        },
        seconds,
      ),
    customerComes: (seconds: number) =>
      story.does({ type: 'make', from: customer, to: '+441314960130' }, seconds),
    waiting: () => story.exchange.queueOf('yard').calls,
    /** Whose phones ring. */
    rings: () =>
      Object.entries(story.hears())
        .filter(([, what]) => what === 'ring')
        .map(([where]) => where.split('-')[0]),
  };
}

/** All members but the named are signed out. */
function only(yard: ReturnType<typeof openYard>, ...there: string[]) {
  for (const personId of ['ben', 'cleo', 'dot'])
    if (!there.includes(personId)) yard.isAs(personId, 'loggedOff', 0);
  return yard;
}

describe('a call to a team with a queue', () => {
  it('is handed to whoever has been free longest, and served until they hang up', () => {
    const yard = openYard({ order: 'longestFree' });
    yard.customerComes(0);
    expect(yard.rings()).toEqual(['ben']);
    expect(yard.hears()['customer']).toBe('queue');
    yard.does({ type: 'answer', legId: yard.at('ben-desk') }, 5);
    expect(yard.hears()).toEqual({ customer: 'ben-desk', 'ben-desk': 'customer' });
    expect(yard.waiting()).toEqual([]);
    const [call] = yard.exchange.calls.values();
    expect(call?.waits).toEqual([{ teamId: 'yard', from: start, to: start + 5000, ended: 'taken' }]);
    yard.does({ type: 'clear', legId: yard.at('ben-desk') }, 60);
    // Ben works after it, and Cleo has been free longer than anybody.
    yard.customerComes(61);
    expect(yard.rings()).toEqual(['cleo']);
  });

  it('is passed on by whoever does not take it, who is told and not rung for it again at once', () => {
    const yard = only(openYard({ order: 'fixedOrder', ringSeconds: 10 }), 'ben', 'cleo');
    yard.customerComes(0);
    expect(yard.rings()).toEqual(['ben']);
    expect(yard.lets(10)).toEqual(
      expect.arrayContaining([
        'connectionCleared ben-desk noAnswer',
        'passedOver ben',
        'delivered cleo-desk',
      ]),
    );
    expect(yard.does({ type: 'refuse', legId: yard.at('cleo-desk') }, 12)).toContain('passedOver cleo');
    expect(yard.rings()).toEqual([]);
    expect(yard.hears()).toMatchObject({ customer: 'queue' });
    yard.lets(10 + limits.passedOverMs / 1000);
    expect(yard.rings()).toEqual(['ben']);
  });

  it('waits while all talk, and goes to the first who is done and has worked after it', () => {
    const yard = only(openYard({ wrapUpSeconds: 15 }), 'ben');
    yard.comes(0, 0);
    yard.does({ type: 'answer', legId: yard.at('ben-desk') }, 4);
    yard.comes(1, 10);
    yard.comes(2, 20);
    expect(yard.rings()).toEqual([]);
    yard.does({ type: 'clear', legId: yard.at('ben-desk') }, 64);
    expect(yard.rings()).toEqual([]);
    yard.lets(79);
    expect(yard.rings()).toEqual(['ben']);
    yard.does({ type: 'answer', legId: yard.at('ben-desk') }, 80);
    expect(yard.hears()['ben-desk']).toBe(callerNumbers[1]);
  });

  it('rings all at once, and whoever becomes free meanwhile rings along', () => {
    const yard = openYard({ order: 'allAtOnce' });
    yard.does({ type: 'make', from: device('dot-desk'), to: '0131 496 0150' }, 0);
    yard.customerComes(1);
    expect(yard.rings()).toEqual(['ben', 'cleo']);
    yard.does({ type: 'clear', legId: yard.at('dot-desk') }, 3);
    expect(yard.rings()).toEqual(['ben', 'cleo', 'dot']);
    // Nobody is rung twice: the next waits.
    yard.comes(0, 4);
    expect(yard.rings()).toEqual(['ben', 'cleo', 'dot']);
    yard.does({ type: 'answer', legId: yard.at('cleo-desk') }, 6);
    expect(yard.hears()).toMatchObject({ customer: 'cleo-desk' });
    expect(yard.rings()).toEqual(['ben', 'dot']);
  });

  it('goes by level', () => {
    const yard = openYard({ order: 'byLevel', levels: [{ personId: 'dot', level: 1 }] });
    yard.customerComes(0);
    expect(yard.rings()).toEqual(['dot']);
    yard.comes(0, 1);
    expect(yard.rings()).toEqual(['dot', 'ben']);
  });

  it('tells the place, and how long it will be once it has seen a call of its own', () => {
    const yard = only(openYard({ wrapUpSeconds: 0, tellEverySeconds: 30 }), 'ben');
    const told = () => yard.waiting().map(({ queued }) => [queued?.told.place, queued?.told.waitSeconds]);
    yard.comes(0, 0);
    expect(told()).toEqual([[1, null]]);
    yard.does({ type: 'answer', legId: yard.at('ben-desk') }, 0);
    yard.does({ type: 'clear', legId: yard.at('ben-desk') }, 120);
    yard.comes(0, 121);
    yard.does({ type: 'answer', legId: yard.at('ben-desk') }, 121);
    yard.comes(1, 122);
    yard.comes(2, 123);
    expect(told()).toEqual([
      [1, 120],
      [2, 240],
    ]);
    yard.does({ type: 'clear', legId: yard.at(callerNumbers[1]) }, 130);
    expect(yard.lets(153)).toContain('queueTold queue');
    expect(told()).toEqual([[1, 120]]);
  });

  it('may be given up, which all the members learn', () => {
    const yard = only(openYard(), 'ben');
    yard.does({ type: 'make', from: device('ben-desk'), to: '0131 496 0150' }, 0);
    yard.customerComes(1);
    expect(yard.does({ type: 'clear', legId: yard.at('customer') }, 40)).toEqual(
      expect.arrayContaining(['record ben missed', 'record cleo missed', 'record dot missed']),
    );
    expect(yard.waiting()).toEqual([]);
  });
});

describe('where a queue ends', () => {
  const busy = (yard: ReturnType<typeof openYard>) =>
    yard.does({ type: 'make', from: device('ben-desk'), to: '0131 496 0150' }, 0);

  it('after the longest wait', () => {
    const yard = only(
      openYard({ longestWaitSeconds: 60, longFinish: { kind: 'forward', to: '07700 900555' } }),
      'ben',
    );
    busy(yard);
    yard.customerComes(1);
    yard.lets(61);
    expect([...yard.exchange.calls.values()].at(-1)?.waits).toMatchObject([{ ended: 'overflowed' }]);
    expect(yard.at('+447700900555')).toBeTruthy();
  });

  it('where it is full', () => {
    const yard = only(openYard({ mostWaiting: 1, fullFinish: { kind: 'mailbox', personId: 'ada' } }), 'ben');
    busy(yard);
    yard.comes(0, 1);
    yard.customerComes(2);
    expect(yard.hears()['customer']).toBe('greeting');
  });

  it('where nobody is signed in, also for those who wait already', () => {
    const yard = only(openYard({ nobodyFinish: { kind: 'mailbox', personId: 'ada' } }), 'ben');
    busy(yard);
    yard.customerComes(1);
    // A break is none: somebody is there.
    yard.isAs('ben', 'notReady', 2, 'Lunch');
    expect(yard.hears()['customer']).toBe('queue');
    yard.isAs('ben', 'loggedOff', 3);
    expect(yard.hears()['customer']).toBe('greeting');
    yard.comes(0, 4);
    expect(yard.waiting()).toEqual([]);
  });

  it('outside the team’s hours; who waits already waits on', () => {
    const hours = (to: string) => ({
      open: [{ days: [1, 2, 3, 4, 5], from: '08:00', to }],
      daysOff: [],
      closedFinish: { kind: 'mailbox' as const, personId: 'ada' },
    });
    const yard = only(openYard({}, { hours: hours('17:00') }), 'ben');
    busy(yard);
    yard.comes(0, 1);
    const { setup } = yard.exchange;
    const teams = setup.teams.map((team) => ({ ...team, hours: hours('10:30') }));
    yard.exchange.reconfigure({ ...setup, teams }, start + 2000);
    yard.customerComes(3);
    expect(yard.hears()).toMatchObject({ customer: 'greeting', [callerNumbers[0]]: 'queue' });
    expect(yard.waiting()).toHaveLength(1);
  });
});

describe('a break', () => {
  it('takes the ringing on to the next, and ends where the member says so', () => {
    const yard = openYard({ order: 'fixedOrder' });
    yard.customerComes(0);
    yard.isAs('ben', 'notReady', 2, 'Lunch');
    expect(yard.rings()).toEqual(['cleo']);
    yard.isAs('ben', 'ready', 4);
    yard.comes(0, 5);
    expect(yard.rings()).toEqual(['cleo', 'ben']);
  });

  it('is also a situation in which somebody leaves their teams, until that ends by itself', () => {
    const setup = withQueue();
    const people = setup.people.map((person) =>
      person.id === 'ben'
        ? {
            ...person,
            situations: [{ id: 'out', name: 'Out', shows: 'away' as const, leavesTeams: true }],
            situation: { id: 'out', word: '', until: start + 60_000 },
          }
        : person,
    );
    const story = openStory({ ...setup, people });
    for (const personId of ['cleo', 'dot'])
      story.does({ type: 'setAgentState', teamId: 'yard', personId, state: 'notReady', reason: '' }, 0);
    story.does({ type: 'make', from: customer, to: '250' }, 0);
    expect(story.hears()).toMatchObject({ customer: 'queue' });
    story.lets(60);
    expect(story.hears()).toMatchObject({ customer: 'queue', 'ben-desk': 'ring' });
  });

  it('ends the time after a call', () => {
    const yard = only(openYard({ wrapUpSeconds: 300 }), 'ben');
    yard.comes(0, 0);
    yard.does({ type: 'answer', legId: yard.at('ben-desk') }, 1);
    yard.does({ type: 'clear', legId: yard.at('ben-desk') }, 20);
    yard.comes(1, 21);
    expect(yard.rings()).toEqual([]);
    yard.isAs('ben', 'ready', 30);
    expect(yard.rings()).toEqual(['ben']);
  });

  it('is only for members of a team with a queue', () => {
    const yard = openYard();
    const asked = {
      type: 'setAgentState',
      teamId: 'yard',
      personId: 'ada',
      state: 'ready',
      reason: '',
    } as const;
    expect(yard.refuses(asked, 0)).toBe('notInTeam');
  });
});

describe('a caller who asks to be called back', () => {
  function asked() {
    const yard = only(openYard(), 'ben');
    yard.does({ type: 'make', from: device('ben-desk'), to: '0131 496 0150' }, 0);
    yard.comes(0, 1);
    yard.comes(1, 2);
    expect(yard.does({ type: 'sendDigits', legId: yard.at(callerNumbers[0]), digits: '1' }, 10)).toContain(
      `callBackAsked ${callerNumbers[0]}`,
    );
    return yard;
  }

  it('keeps the place, and is called once a member has lifted their phone', () => {
    const yard = asked();
    expect(yard.waiting().map(({ queued }) => queued?.callBackTo)).toEqual([callerNumbers[0], null]);
    yard.does({ type: 'clear', legId: yard.at('ben-desk') }, 30);
    expect(yard.rings()).toEqual(['ben']);
    yard.does({ type: 'answer', legId: yard.at('ben-desk') }, 35);
    const back = yard.at(callerNumbers[0]);
    yard.does({ type: 'alert', legId: back }, 36);
    expect(yard.hears()['ben-desk']).toBe('ringback');
    yard.does({ type: 'answer', legId: back }, 40);
    expect(yard.hears()['ben-desk']).toBe(callerNumbers[0]);
    const told = yard.does({ type: 'clear', legId: yard.at('ben-desk') }, 60);
    expect(told).toContain('record ben answered');
  });

  it('has still to be called where nobody was reached', () => {
    const yard = asked();
    yard.does({ type: 'clear', legId: yard.at('ben-desk') }, 30);
    yard.does({ type: 'answer', legId: yard.at('ben-desk') }, 35);
    yard.does({ type: 'fail', legId: yard.at(callerNumbers[0]), cause: 'userBusy' }, 37);
    expect(yard.does({ type: 'clear', legId: yard.at('ben-desk') }, 38)).toContain('record ben missed');
  });

  it('is not called at a number that the office calls at no time', () => {
    const setup = withQueue();
    const policies = { ...setup.policies, barred: [{ prefix: '+447700', why: 'mobiles' }] };
    const story = openStory({ ...setup, policies });
    story.does({ type: 'make', from: device('ben-desk'), to: '0131 496 0150' }, 0);
    for (const deviceId of ['cleo-desk', 'dot-desk']) story.does({ type: 'signOut', deviceId }, 0);
    const caller = { kind: 'outside', number: callerNumbers[0], name: null } as const;
    story.does({ type: 'make', from: caller, to: '+441314960130' }, 1);
    expect(
      story.does({ type: 'sendDigits', legId: story.at(callerNumbers[0]), digits: '1' }, 5),
    ).not.toContain(`callBackAsked ${callerNumbers[0]}`);
    expect(story.exchange.queueOf('yard').calls.map(({ queued }) => queued?.callBackTo)).toEqual([null]);
  });

  it('is not offered where the queue does not, nor to a withheld number', () => {
    const yard = only(openYard({ offersCallBack: false }), 'ben');
    yard.does({ type: 'make', from: device('ben-desk'), to: '0131 496 0150' }, 0);
    yard.comes(0, 1);
    yard.does({ type: 'sendDigits', legId: yard.at(callerNumbers[0]), digits: '1' }, 2);
    expect(yard.waiting().map(({ queued }) => queued?.callBackTo)).toEqual([null]);
  });
});

describe('a member', () => {
  it('takes a particular one of those who wait', () => {
    const yard = only(openYard(), 'ben', 'cleo');
    yard.isAs('ben', 'notReady', 0, 'Paper');
    yard.isAs('cleo', 'notReady', 0, 'Paper');
    yard.comes(0, 1);
    yard.comes(1, 2);
    const second = yard.waiting()[1];
    yard.does({ type: 'takeWaiting', deviceId: 'cleo-desk', callId: second?.id ?? '' }, 3);
    expect(yard.hears()['cleo-desk']).toBe(callerNumbers[1]);
    expect(yard.refuses({ type: 'takeWaiting', deviceId: 'ben-desk', callId: second?.id ?? '' }, 4)).toBe(
      'nobodyWaits',
    );
    const first = yard.waiting()[0];
    expect(yard.refuses({ type: 'takeWaiting', deviceId: 'ada-app', callId: first?.id ?? '' }, 4)).toBe(
      'notInTeam',
    );
  });

  it('whose phone goes while it rings loses no caller', () => {
    const yard = openYard({ order: 'fixedOrder' });
    yard.customerComes(0);
    yard.does({ type: 'signOut', deviceId: 'ben-desk' }, 2);
    expect(yard.rings()).toEqual(['cleo']);
  });
});

describe('a queue', () => {
  it('goes on as it was after it was saved', () => {
    const yard = only(openYard({ wrapUpSeconds: 30 }), 'ben');
    yard.comes(0, 0);
    yard.does({ type: 'answer', legId: yard.at('ben-desk') }, 1);
    yard.comes(1, 2);
    yard.comes(2, 3);
    yard.does({ type: 'clear', legId: yard.at('ben-desk') }, 20);
    const again = new Exchange(yard.exchange.setup, yard.exchange.save());
    checkExchange(again);
    expect(again.queueOf('yard').calls.map(({ id }) => id)).toEqual(yard.waiting().map(({ id }) => id));
    const events = again.advance(start + 50_000);
    expect(events).toEqual(yard.exchange.advance(start + 50_000));
    expect(events.map(({ type }) => type)).toContain('delivered');
  });

  it('that is taken away lets nobody wait in vain', () => {
    const yard = only(openYard({}, { mailbox: { text: 'Nobody is here.' } }), 'ben');
    yard.does({ type: 'make', from: device('ben-desk'), to: '0131 496 0150' }, 0);
    yard.customerComes(1);
    const { setup } = yard.exchange;
    const teams = setup.teams.map(({ queue: _, ...team }) => team);
    yard.exchange.reconfigure({ ...setup, teams }, start + 5000);
    expect(yard.hears()['customer']).toBe('greeting');
    checkExchange(yard.exchange);
  });

  it('is entered by a transfer, which does not come back', () => {
    const yard = only(openYard(), 'ben');
    yard.does({ type: 'make', from: device('ben-desk'), to: '0131 496 0150' }, 0);
    yard.adaTalks(1);
    yard.does({ type: 'transfer', legId: yard.at('ada-app'), target: { kind: 'number', to: '250' } }, 10);
    yard.lets(60);
    expect(yard.hears()['customer']).toBe('queue');
    expect(yard.waiting()).toHaveLength(1);
  });
});

describe('whatever is done', () => {
  it.each(['inTurn', 'allAtOnce', 'longestFree'] as const)('all holds that must: %s', (order) => {
    checkRuns(randomSetup('onDemand', order), 200);
  });
});
