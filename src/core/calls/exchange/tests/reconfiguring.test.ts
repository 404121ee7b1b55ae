import fc from 'fast-check';

import { changeSetup, retiring, undoEntry, type Heir, type RetiredTable } from '@/core/setup/changes';
import type { OfficeSetup } from '@/core/setup';
import type { ExchangeEvent } from '../events';
import type { Exchange } from '../machine';
import { checkExchange, must } from './invariants';
import { endAll, openRandomOffice, randomSetup, steps, take } from './randomOffice';
import { device, openStory } from './story';
import { start, testSetup } from './testOffice';

const toBen: Heir = { table: 'people', id: 'ben' };
const toCleo: Heir = { table: 'people', id: 'cleo' };

/** The office without them. */
function without(setup: OfficeSetup, table: RetiredTable, id: string, heir: Heir | null): OfficeSetup {
  const outcome = changeSetup(setup, retiring(setup, table, id, heir), { id: '1', byId: 'ada', at: start });
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.reason));
  return outcome.setup;
}

/** A story in which somebody is retired at some second. */
function openRetiring() {
  const story = openStory();
  const retire = (table: RetiredTable, id: string, heir: Heir | null, seconds: number) => {
    story.exchange.reconfigure(without(story.exchange.setup, table, id, heir), start + seconds * 1000);
  };
  return { ...story, retire };
}

describe('somebody is retired', () => {
  it('while they talk: the talk goes on until it is ended, and nothing new rings there', () => {
    const { adaTalks, retire, hears, does, at, fromCustomer, refuses } = openRetiring();
    adaTalks(0);
    retire('people', 'ada', toBen, 5);
    expect(hears()).toEqual({ customer: 'ada-app', 'ada-app': 'customer' });
    expect(refuses({ type: 'make', from: device('ada-app'), to: '201' }, 6)).toBe('unknownDevice');
    does({ type: 'hold', legId: at('ada-app') }, 7);
    does({ type: 'retrieve', legId: at('ada-app') }, 8);
    expect(does({ type: 'clear', legId: at('ada-app') }, 9)).toContain('record ada answered');
    // Their line is Ben's now.
    fromCustomer(20);
    expect(hears()).toEqual({ customer: 'ringback', 'ben-desk': 'ring' });
  });

  it('while it rings at theirs: it rings on at the others of the plan', () => {
    const { fromCustomer, retire, hears, lets } = openRetiring();
    fromCustomer(0);
    retire('people', 'ada', toBen, 2);
    // Nobody would ring for the seconds that were hers.
    expect(hears()).toEqual({ customer: 'ringback', 'ben-desk': 'ring' });
    expect(lets(60)).toContain('connectionCleared ben-desk noAnswer');
  });

  it('whose mailbox the call would meet: the caller hears that nobody is there', () => {
    const { fromCustomer, retire, hears, lets } = openRetiring();
    fromCustomer(0);
    lets(35);
    expect(hears()).toMatchObject({ customer: 'greeting' });
    retire('people', 'ada', toBen, 36);
    expect(hears()).toEqual({ customer: 'unobtainable' });
    expect(lets(120)).toContain('callCleared');
  });

  it('whom somebody waits to be free: nothing waits for them any more', () => {
    const { does, at, retire, exchange, fromAda, adaTalks } = openRetiring();
    adaTalks(0);
    does({ type: 'make', from: device('cleo-desk'), to: '201' }, 1);
    does({ type: 'answer', legId: at('ben-desk') }, 2);
    const { legId } = fromAda('201', 3, { activeCall: 'hold' });
    if (legId === undefined) throw new Error('Nobody is called.');
    does({ type: 'callBackWhenFree', legId }, 4);
    expect([...exchange.calls.values()].some(({ waitsFor }) => waitsFor === 'ben')).toBe(true);
    retire('people', 'ben', toCleo, 5);
    expect([...exchange.calls.values()].some(({ waitsFor }) => waitsFor === 'ben')).toBe(false);
  });

  it('and comes back: their phones ring again', () => {
    const story = openRetiring();
    const { exchange, fromCustomer, hears, does, at } = story;
    const gone = changeSetup(testSetup, retiring(testSetup, 'people', 'ada', toCleo), {
      ...{ id: '1', byId: 'ada', at: start },
    });
    if (!gone.ok) throw new Error('It can be done.');
    exchange.reconfigure(gone.setup, start + 1_000);
    const back = undoEntry(gone.setup, gone.entry, { id: '2', byId: 'ada', at: start });
    if (!back.ok) throw new Error('It can be taken back.');
    exchange.reconfigure(back.setup, start + 2_000);
    does({ type: 'signIn', deviceId: 'ada-app' }, 3);
    fromCustomer(4);
    expect(hears()).toMatchObject({ 'ada-app': 'ring' });
    does({ type: 'answer', legId: at('ada-app') }, 5);
  });
});

it('a line that is retired while somebody talks on it loses nobody', () => {
  const { adaTalks, retire, hears, does, at } = openRetiring();
  adaTalks(0);
  retire('lines', 'field', null, 3);
  expect(hears()).toEqual({ customer: 'ada-app', 'ada-app': 'customer' });
  expect(does({ type: 'clear', legId: at('customer') }, 9)).toContain('record ada answered');
});

it('however the office changes while calls go on, nobody is lost, and nothing is left over', () => {
  const whole = randomSetup();
  const gone: [RetiredTable, string, Heir | null][] = [
    ['people', 'p0', { table: 'people', id: 'p1' }],
    ['people', 'p1', { table: 'teams', id: 'team' }],
    ['people', 'p3', { table: 'people', id: 'p4' }],
    ['teams', 'team', { table: 'menus', id: 'menu' }],
    ['menus', 'menu', { table: 'people', id: 'p5' }],
    ['lines', 'line', null],
  ];
  const offices = [
    whole,
    ...gone.map(([table, id, heir]) => without(whole, table, id, heir)),
    gone.reduce((setup, [table, id, heir]) => without(setup, table, id, heir), whole),
  ];
  const changes = fc.array(fc.nat(offices.length - 1), { minLength: 10, maxLength: 10 });
  fc.assert(
    fc.property(steps, changes, (taken, chosen) => {
      const exchange: Exchange = openRandomOffice(whole);
      const events: ExchangeEvent[] = [];
      taken.forEach((each, number) => {
        const { due, events: caused } = take(exchange, each);
        events.push(...due, ...caused);
        const next = number % 6 === 5 ? offices[chosen[(number - 5) / 6] ?? 0] : undefined;
        if (next) {
          events.push(...exchange.reconfigure(next, exchange.now));
          for (const { id } of next.devices)
            events.push(...exchange.send({ type: 'signIn', deviceId: id }, exchange.now).events);
        }
        checkExchange(exchange);
        for (const call of exchange.calls.values())
          for (const { state, endpoint } of call.legs)
            must(
              state !== 'alerting' ||
                endpoint.kind !== 'device' ||
                exchange.office.devices.has(endpoint.deviceId),
              'nothing rings at a phone that is gone',
            );
        must(
          [...exchange.signedIn].every((id) => exchange.office.devices.has(id)),
          'nobody is signed in who is gone',
        );
      });
      events.push(...endAll(exchange));
      must(exchange.nextTimerAt() === null, 'no timer is left over');
      const begun = events.filter(({ type }) => type === 'originated' || type === 'queued').length;
      must(events.filter(({ type }) => type === 'callCleared').length === begun, 'every call ends once');
    }),
    { numRuns: 600 },
  );
});
