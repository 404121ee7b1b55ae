import { foresee, type Command } from '@/core/calls/exchange';
import { Exchange } from '@/core/calls/exchange/machine';
import { randomSetup } from '@/core/calls/exchange/tests/randomOffice';
import { OfficeIndex } from '@/core/setup';
import { type Session } from '..';
import { foreseenBy, may, sightOf, viewOfCall, viewOfEvent, viewOfSetup } from '../machine';
import { checkSessions, members, seenOf, simulator } from './randomSessions';

const at = Date.parse('2026-11-26T10:40:00Z');
const [ada, ben, cato] = members as [Session, Session, Session];

function open() {
  const exchange = new Exchange(randomSetup());
  for (const { id } of exchange.setup.devices) exchange.send({ type: 'signIn', deviceId: id }, at);
  const ask = (session: Session, command: Command) => may(session, command, seenOf(exchange));
  const send = (command: Command) => exchange.send(command, exchange.now);
  return { exchange, ask, send };
}

const outsider = { kind: 'outside', number: '+447700900321', name: null } as const;

/** Somebody outside calls the line of p0, whose app rings. */
function ringing() {
  const office = open();
  office.send({ type: 'make', from: outsider, to: '+441314960120' });
  office.exchange.advance(at + 1_000);
  const [call] = office.exchange.calls.values();
  const legAt = (deviceId: string) =>
    call?.legs.find(({ endpoint }) => endpoint.kind === 'device' && endpoint.deviceId === deviceId)?.id ?? '';
  if (!call) throw new Error('Nobody calls');
  return { ...office, call, legAt };
}

describe('what somebody may ask for', () => {
  it('a member calls from their own phones, and nobody else’s', () => {
    const { ask } = open();
    const from = (deviceId: string): Command => ({
      type: 'make',
      from: { kind: 'device', deviceId },
      to: '203',
    });
    expect(ask(ada, from('p0-app'))).toBeNull();
    expect(ask(ada, from('p0-mobile'))).toBeNull();
    expect(ask(ada, from('p1-desk'))).toEqual({ code: 'notYours', what: 'device' });
    expect(ask(ada, { type: 'make', from: outsider, to: '201' })).toEqual({
      code: 'notYours',
      what: 'outside',
    });
  });

  it('who plays the others plays all but those whose app is signed in', () => {
    const { ask } = open();
    const signOut = (deviceId: string): Command => ({ type: 'signOut', deviceId });
    expect(ask(simulator, signOut('p3-desk'))).toBeNull();
    expect(ask(simulator, signOut('p0-mobile'))).toBeNull();
    expect(ask(simulator, signOut('p0-app'))).toEqual({ code: 'notYours', what: 'device' });
    expect(ask(ben, signOut('p0-app'))).toEqual({ code: 'notYours', what: 'device' });
  });

  it('somebody says who answers for them, and gives themselves nothing that the office gives', () => {
    const { ask, exchange } = open();
    const p0 = exchange.setup.people.find(({ id }) => id === 'p0');
    if (!p0) throw new Error('No p0');
    const becomes = (change: object): Command => ({
      type: 'configure',
      ringPlans: [],
      people: [{ ...p0, ...change }],
    });
    const answeredBy = [{ personId: 'p1', showsMine: true }];
    expect(ask(ada, becomes({ answeredBy }))).toBeNull();
    expect(ask(ben, becomes({ answeredBy }))).toEqual({ code: 'notYours', what: 'person' });
    for (const given of [{ may: ['playRecordings'] }, { administers: true }])
      expect(ask(ada, becomes(given))).toEqual({ code: 'notYours', what: 'office' });
  });

  it('a call is answered by whom it rings at, and by nobody in their name', () => {
    const { ask, legAt } = ringing();
    const answer: Command = { type: 'answer', legId: legAt('p0-app') };
    expect(ask(ada, answer)).toBeNull();
    for (const other of [ben, cato, simulator])
      expect(ask(other, answer)).toEqual({ code: 'notYours', what: 'call' });
    // One of a team takes it to their own phone.
    expect(ask(cato, { type: 'pickUp', legId: legAt('p0-app'), deviceId: 'p2-desk' })).toBeNull();
    expect(ask(ben, { type: 'fail', legId: legAt('p0-app'), cause: 'userBusy' })).toEqual({
      code: 'notYours',
      what: 'network',
    });
  });

  it('a call is moved at once to a phone of one’s own, and to nobody’s app by who plays their other phones', () => {
    const { ask, send, exchange } = open();
    send({ type: 'make', from: { kind: 'device', deviceId: 'p0-mobile' }, to: '203' });
    const legId = [...exchange.legsAt('p0-mobile')][0]?.id ?? '';
    const move = (atOnce: boolean): Command => ({ type: 'move', legId, to: { deviceId: 'p0-app' }, atOnce });
    expect(ask(ada, move(true))).toBeNull();
    // It may ring there.
    expect(ask(simulator, move(false))).toBeNull();
    expect(ask(simulator, move(true))).toEqual({ code: 'notYours', what: 'device' });
  });

  it('a leg that there is not is let through, for the exchange to say so', () => {
    const { ask } = open();
    expect(ask(ben, { type: 'clear', legId: 'l999' })).toBeNull();
  });

  it('a plan is its person’s, what they say of themselves too, and the rest is for who runs the office', () => {
    const { ask, exchange } = open();
    const { ringPlans, people } = exchange.setup;
    const [mine, theirs] = ringPlans;
    if (!mine || !theirs) throw new Error('No plans');
    const changed = (plan: typeof mine) => ({ ...plan, rules: [] });
    const configure = (plans: typeof ringPlans, who = people): Command => ({
      type: 'configure',
      ringPlans: plans,
      people: who,
    });
    expect(ask(ada, configure([changed(mine), theirs]))).toBeNull();
    expect(ask(ada, configure([changed(theirs)]))).toEqual({ code: 'notYours', what: 'plan' });
    const asSaid = people.map((person) =>
      person.id === 'p1' ? { ...person, situation: { id: 'x', word: 'Off', until: null } } : person,
    );
    expect(ask(ben, configure([], asSaid))).toBeNull();
    expect(ask(ada, configure([], asSaid))).toEqual({ code: 'notYours', what: 'person' });
    const renamed = people.map((person) => (person.id === 'p1' ? { ...person, extension: '999' } : person));
    expect(ask(ben, configure([], renamed))).toEqual({ code: 'notYours', what: 'office' });
    const promoted = people.map((person) => (person.id === 'p1' ? { ...person, administers: true } : person));
    expect(ask(ben, configure([], promoted))).toEqual({ code: 'notYours', what: 'office' });
    // Whoever runs the office may change anybody's plan; what people say of themselves stays theirs.
    exchange.reconfigure({ ...exchange.setup, people: promoted }, at);
    expect(ask(ben, configure([changed(mine)], []))).toBeNull();
    expect(
      ask(
        ben,
        configure(
          [],
          promoted.map((each) => ({ ...each, situations: [] })),
        ),
      ),
    ).toEqual({
      code: 'notYours',
      what: 'person',
    });
  });
});

describe('what somebody sees', () => {
  const viewOf = (session: Session, { exchange, call }: ReturnType<typeof ringing>) =>
    viewOfCall(session, call, exchange.office, sightOf(session, call, exchange.office));

  it('of a call of somebody else only which phones are busy with it', () => {
    const office = ringing();
    expect(JSON.stringify(viewOf(ada, office))).toContain('+447700900321');
    // The team may pick it up, and so sees who it is.
    expect(JSON.stringify(viewOf(cato, office))).toContain('+447700900321');
    const glimpse = viewOf(ben, office);
    expect(JSON.stringify(glimpse)).not.toContain('+44');
    // Nor whose plan it goes by, but for whoever runs the office.
    expect(glimpse.course).toEqual([]);
    expect(glimpse.legs.map(({ state }) => state)).toEqual(office.call.legs.map(({ state }) => state));
    // Once it is answered, it is no more of the team's business.
    office.send({ type: 'answer', legId: office.legAt('p0-app') });
    expect(JSON.stringify(viewOf(cato, office))).not.toContain('+447700900321');
  });

  it('of plans their own; whoever runs the office, or plays it, all of them', () => {
    const { exchange } = open();
    const { setup, office } = exchange;
    const seen = viewOfSetup(ada, office);
    expect(seen.ringPlans).toEqual(setup.ringPlans.filter(({ personId }) => personId === 'p0'));
    const others = setup.ringPlans.flatMap(({ personId }) => (personId === 'p0' ? [] : [personId]));
    expect(others.length).toBeGreaterThan(0);
    expect(seen.withheldPlansOf).toEqual(others);
    expect(seen.conferences.map(({ pin, hostPin }) => pin + hostPin)).toEqual(['']);
    expect(viewOfSetup(simulator, office)).toBe(setup);
    const promoted = {
      ...setup,
      people: setup.people.map((each) => ({ ...each, administers: each.id === 'p0' })),
    };
    expect(viewOfSetup(ada, new OfficeIndex(promoted))).toBe(promoted);
    expect(viewOfSetup(ben, new OfficeIndex(promoted)).ringPlans).toHaveLength(1);
  });

  it('what becomes of a call to somebody else, and not by which of their rules', () => {
    const { exchange } = open();
    const [mine, theirs] = ['201', '202'].map((to) => foreseenBy(ada, exchange, to, at));
    const whole = foreseenBy(simulator, exchange, '202', at);
    expect(mine?.steps).not.toEqual([]);
    expect(whole?.steps).not.toEqual([]);
    expect(theirs).toEqual({ ...whole, steps: [] });
    // Who is not told of the plan can't reckon it themselves.
    const told = new OfficeIndex(viewOfSetup(ada, exchange.office));
    expect(foresee(told, [], '202', at)).toBe('withheld');
    expect(foresee(told, [], '201', at)).toEqual(mine);
  });

  it('no digits that somebody else typed', () => {
    const office = ringing();
    const legId = office.legAt('p0-app');
    office.send({ type: 'answer', legId });
    const { events } = office.send({ type: 'sendDigits', legId, digits: '4711' });
    const typed = events.find(({ type }) => type === 'digitsSent');
    if (!typed) throw new Error('No digits');
    expect(JSON.stringify(viewOf(ada, office))).toContain('4711');
    expect(JSON.stringify(viewOf(simulator, office))).not.toContain('4711');
    const heard = (by: Session, isMine: boolean) =>
      viewOfEvent(by, typed, 'whole', { isMyLeg: () => isMine, office: office.exchange.office });
    expect(heard(ada, true)).toBe(typed);
    expect(heard(simulator, false)).toBeNull();
  });
});

describe('three members and whoever plays the rest, asking at random', () => {
  it('nobody changes or sees what is not theirs, and the exchange holds', () => {
    checkSessions(2000);
  });
});
