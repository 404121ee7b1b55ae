import { limits, whatIsHeard, type CallRecord, type ExchangeEvent } from '..';
import { Exchange } from '../machine';
import { openOffice, start, testSetup } from './testOffice';

const types = (events: ExchangeEvent[]) => events.map((event) => event.type);
const records = (events: ExchangeEvent[]): CallRecord[] =>
  events.flatMap((event) => (event.type === 'recordWritten' ? [event.record] : []));
const recordOf = (events: ExchangeEvent[], personId: string) =>
  records(events).find((record) => record.personId === personId);

describe('a call out', () => {
  it('goes through calling, ringing, answered and cleared, and leaves one record', () => {
    const office = openOffice();
    const { callId, legId, events } = office.fromAda('0131 496 0142', 0);
    expect(types(events)).toEqual(['originated', 'networkReached']);
    const outside = office.leg('outside');
    expect(whatIsHeard(office.call(callId))[legId]).toEqual({ kind: 'nothing' });

    office.send({ type: 'alert', legId: outside.id }, 1);
    expect(whatIsHeard(office.call(callId))[legId]).toEqual({ kind: 'ringback' });

    office.send({ type: 'answer', legId: outside.id }, 6);
    expect(whatIsHeard(office.call(callId))[legId]).toEqual({ kind: 'voices', legIds: [outside.id] });

    const { events: ending } = office.send({ type: 'clear', legId }, 66);
    expect(types(ending)).toEqual(['connectionCleared', 'connectionCleared', 'recordWritten', 'callCleared']);
    expect(records(ending)).toHaveLength(1);
    expect(recordOf(ending, 'ada')).toMatchObject({
      direction: 'out',
      outcome: 'answered',
      lineId: 'field',
      deviceId: 'ada-app',
      other: { number: '+441314960142' },
      answeredAt: start + 6000,
      endedAt: start + 66000,
    });
  });

  it.each([
    ['userBusy', 'busy', 'busy'],
    ['callRejected', 'refusedByOther', 'busy'],
    ['unallocatedNumber', 'unknownNumber', 'unobtainable'],
    ['temporaryFailure', 'failed', 'congestion'],
  ] as const)('that fails with %s sounds and is recorded as such', (cause, outcome, tone) => {
    const office = openOffice();
    const { callId, legId } = office.fromAda('0131 496 0142', 0);
    office.send({ type: 'fail', legId: office.leg('outside').id, cause }, 1);
    expect(whatIsHeard(office.call(callId))[legId]).toEqual({ kind: 'tone', tone });
    const events = office.advance(1 + limits.toneMs / 1000);
    expect(recordOf(events, 'ada')).toMatchObject({ outcome, cause });
  });

  it('to an extension nobody has sounds number unobtainable', () => {
    const office = openOffice();
    const { callId, legId } = office.fromAda('299', 0);
    expect(whatIsHeard(office.call(callId))[legId]).toEqual({ kind: 'tone', tone: 'unobtainable' });
    const { events } = office.send({ type: 'clear', legId }, 3);
    expect(recordOf(events, 'ada')).toMatchObject({ outcome: 'unknownNumber', other: { number: '299' } });
  });

  it('with no word from the network fails by itself', () => {
    const office = openOffice();
    const { callId } = office.fromAda('0131 496 0142', 0);
    office.advance(limits.setupMs / 1000);
    expect(office.call(callId).failure).toBe('noUserResponding');
  });

  it('nobody answers ends after the network’s limit', () => {
    const office = openOffice();
    const { callId } = office.fromAda('0131 496 0142', 0);
    office.send({ type: 'alert', legId: office.leg('outside').id }, 1);
    office.advance(1 + limits.noAnswerMs / 1000);
    expect(office.call(callId).failure).toBe('noAnswer');
  });

  it('sends the digits after a pause once it is answered', () => {
    const office = openOffice();
    const { callId } = office.fromAda('tel:+44-131-496-0142;ext=21', 0);
    const outside = office.leg('outside');
    office.send({ type: 'answer', legId: outside.id }, 4);
    const events = office.advance(10);
    const digits = events.filter((event) => event.type === 'digitsSent');
    expect(digits).toMatchObject([
      { digits: '2', at: start + 6000 },
      { digits: '1', at: start + 6150 },
    ]);
    expect(office.call(callId).legs[0]?.digitsSent).toBe('21');
  });

  it('cannot be placed to nonsense, and then nothing has changed', () => {
    const office = openOffice();
    const before = office.exchange.save();
    const { result } = office.send(
      { type: 'make', from: { kind: 'device', deviceId: 'ada-app' }, to: 'gate' },
      0,
    );
    expect(result).toEqual({ ok: false, reason: { code: 'notDialable', reason: { code: 'letters' } } });
    expect(office.exchange.save()).toEqual(before);
  });

  it('while another is talked on holds that one, or ends it when asked', () => {
    const office = openOffice();
    const first = office.fromAda('0131 496 0142', 0);
    office.send({ type: 'answer', legId: office.leg('outside').id }, 1);
    office.fromAda('211', 5);
    expect(office.call(first.callId).legs[0]?.state).toBe('held');
    const third = office.fromAda('0131 496 0150', 6, { activeCall: 'clear' });
    expect([...office.exchange.calls.keys()]).toEqual([first.callId, third.callId]);
  });
});

describe('a call in', () => {
  it('rings as the plan says, to the second, and ends in the mailbox', () => {
    const office = openOffice();
    const { callId, legId } = office.fromCustomer(0);
    const rung = office.advance(60).flatMap((event) => {
      if (event.type !== 'delivered' && event.type !== 'established' && event.type !== 'messageStarted')
        return [];
      const leg = office.call(callId).legs.find(({ id }) => id === event.legId);
      const where = leg?.endpoint.kind === 'device' ? leg.endpoint.deviceId : leg?.endpoint.kind;
      return [`${(event.at - start) / 1000} ${event.type} ${where}`];
    });
    expect(rung).toEqual([
      '5 delivered ada-mobile',
      '20 delivered ben-desk',
      '35 established mailbox',
      '41 messageStarted mailbox',
    ]);
    const { events } = office.send({ type: 'clear', legId }, 82);
    expect(events).toContainEqual(expect.objectContaining({ type: 'messageLeft', durationMs: 41000 }));
    expect(recordOf(events, 'ada')).toMatchObject({ outcome: 'missed', messageMs: 41000 });
    expect(recordOf(events, 'ben')).toMatchObject({ outcome: 'missed' });
    expect(recordOf(events, 'ada')?.path).toEqual([
      { deviceId: 'ada-app', number: null, fromSeconds: 0, toSeconds: 20, ended: 'rangOut' },
      { deviceId: 'ada-desk', number: null, fromSeconds: 0, toSeconds: 20, ended: 'rangOut' },
      { deviceId: 'ada-mobile', number: null, fromSeconds: 5, toSeconds: 20, ended: 'rangOut' },
      { deviceId: 'ben-desk', number: null, fromSeconds: 20, toSeconds: 35, ended: 'rangOut' },
    ]);
  });

  it('answered on one device stops all others at once, with no missed call', () => {
    const office = openOffice();
    const { callId, legId } = office.fromCustomer(0);
    office.send({ type: 'answer', legId: office.leg('ada-desk').id }, 7);
    expect(office.call(callId).legs.filter((leg) => leg.state === 'alerting')).toEqual([]);
    const { events } = office.send({ type: 'clear', legId }, 20);
    expect(records(events)).toHaveLength(1);
    expect(recordOf(events, 'ada')).toMatchObject({ outcome: 'answered', deviceId: 'ada-desk' });
    expect(recordOf(events, 'ada')?.path.map(({ ended }) => ended)).toEqual([
      'elsewhere',
      'answered',
      'elsewhere',
    ]);
  });

  it('refused goes on to the next in the plan at once, and is recorded as refused', () => {
    const office = openOffice();
    const { legId } = office.fromCustomer(0);
    office.send({ type: 'refuse', legId: office.leg('ada-app').id }, 3);
    expect(office.leg('ben-desk').createdAt).toBe(start + 3000);
    const answered = office.leg('ben-desk');
    office.send({ type: 'answer', legId: answered.id }, 8);
    const { events } = office.send({ type: 'clear', legId }, 30);
    expect(recordOf(events, 'ada')).toMatchObject({
      outcome: 'refused',
      answeredById: 'ben',
      answeredAt: null,
    });
    expect(recordOf(events, 'ben')).toMatchObject({ outcome: 'answered' });
  });

  it('refused by all goes to the finish at once', () => {
    const office = openOffice();
    office.fromCustomer(0);
    office.send({ type: 'refuse', legId: office.leg('ada-app').id }, 3);
    office.send({ type: 'refuse', legId: office.leg('ben-desk').id }, 5);
    expect(office.leg('mailbox').answeredAt).toBe(start + 5000);
  });

  it('the caller giving up leaves a missed call', () => {
    const office = openOffice();
    const { legId } = office.fromCustomer(0);
    const { events } = office.send({ type: 'clear', legId }, 9);
    expect(records(events)).toHaveLength(1);
    expect(recordOf(events, 'ada')).toMatchObject({ outcome: 'missed', messageMs: 0, finish: null });
    expect(recordOf(events, 'ada')?.path.every(({ ended }) => ended === 'callerLeft')).toBe(true);
  });

  it('with nothing signed in goes straight to the mailbox and still is a missed call', () => {
    const exchange = new Exchange(testSetup);
    const from = { kind: 'outside', number: null, name: null } as const;
    const { result } = exchange.send({ type: 'make', from, to: '+441314960120' }, start);
    if (!result.ok || !result.legId) throw new Error('not made');
    const { events } = exchange.send({ type: 'clear', legId: result.legId }, start + 2000);
    expect(recordOf(events, 'ada')).toMatchObject({ outcome: 'missed', other: { number: null } });
  });

  it('to a busy person ends as their plan says', () => {
    const office = openOffice();
    const first = office.fromAda('201', 0);
    office.send({ type: 'answer', legId: office.leg('ben-desk').id }, 2);
    const second = office.fromAda('201', 5);
    expect(whatIsHeard(office.call(second.callId))[second.legId]).toEqual({ kind: 'tone', tone: 'busy' });
    expect(office.call(first.callId).legs[0]?.state).toBe('held');
  });

  it('a device that signs out stops ringing and lets the next one in', () => {
    const office = openOffice();
    office.fromAda('201', 0);
    office.send({ type: 'signOut', deviceId: 'ben-desk' }, 4);
    expect(office.exchange.calls.values().next().value?.failure).toBe('userBusy');
  });
});

describe('hold and mute', () => {
  it('hold, RFC 5359 §2.1: the held side hears music, the holder nothing, until retrieved', () => {
    const office = openOffice();
    const { callId, legId } = office.fromAda('211', 0);
    void callId;
    const noPlan = office.call(callId);
    expect(noPlan.finish).toEqual({ kind: 'mailbox', personId: 'cleo' });
    office.send({ type: 'clear', legId }, 1);

    const talk = office.fromAda('201', 2);
    const ben = office.leg('ben-desk');
    office.send({ type: 'answer', legId: ben.id }, 4);
    expect(types(office.send({ type: 'hold', legId: talk.legId }, 6).events)).toEqual(['held']);
    expect(whatIsHeard(office.call(talk.callId))).toEqual({
      [talk.legId]: { kind: 'nothing' },
      [ben.id]: { kind: 'music' },
    });
    expect(types(office.send({ type: 'retrieve', legId: talk.legId }, 9).events)).toEqual(['retrieved']);
    expect(whatIsHeard(office.call(talk.callId))[ben.id]).toEqual({ kind: 'voices', legIds: [talk.legId] });
  });

  it('muted: they stay with us, and only our voice is off', () => {
    const office = openOffice();
    const { callId, legId } = office.fromAda('201', 0);
    const ben = office.leg('ben-desk');
    office.send({ type: 'answer', legId: ben.id }, 2);
    office.send({ type: 'mute', legId }, 3);
    expect(whatIsHeard(office.call(callId))).toEqual({
      [legId]: { kind: 'voices', legIds: [ben.id] },
      [ben.id]: { kind: 'voices', legIds: [] },
    });
  });

  it('answering a second call holds the first, and retrieving swaps them', () => {
    const office = openOffice();
    const first = office.fromAda('201', 0);
    office.send({ type: 'answer', legId: office.leg('ben-desk').id }, 2);
    office.fromCustomer(5);
    const second = [...office.exchange.calls.values()][1]?.legs.find((leg) => leg.state === 'alerting');
    office.send({ type: 'answer', legId: second?.id ?? '' }, 8);
    expect(office.call(first.callId).legs[0]?.state).toBe('held');
    office.send({ type: 'retrieve', legId: first.legId }, 12);
    expect(office.call(first.callId).legs[0]?.state).toBe('connected');
    expect(second?.state).toBe('held');
  });
});

describe('refused commands', () => {
  it.each([
    [{ type: 'retrieve' }, 'notAllowed'],
    [{ type: 'answer' }, 'notAllowed'],
    [{ type: 'sendDigits', digits: 'hello' }, 'badDigits'],
    [{ type: 'sendDigits', digits: '' }, 'badDigits'],
  ] as const)('%o on a talking leg', (act, code) => {
    const office = openOffice();
    const { legId } = office.fromAda('201', 0);
    const before = office.exchange.save();
    const { result, events } = office.send({ ...act, legId } as never, 0);
    expect(result).toMatchObject({ ok: false, reason: { code } });
    expect(events).toEqual([]);
    expect(office.exchange.save()).toEqual(before);
  });

  it('a leg that has ended is unknown', () => {
    const office = openOffice();
    const { legId } = office.fromAda('201', 0);
    office.send({ type: 'clear', legId }, 1);
    expect(office.send({ type: 'clear', legId }, 2).result).toEqual({
      ok: false,
      reason: { code: 'unknownLeg' },
    });
  });

  it('the network’s word counts for outside legs only', () => {
    const office = openOffice();
    office.fromAda('201', 0);
    const { result } = office.send({ type: 'fail', legId: office.leg('ben-desk').id, cause: 'userBusy' }, 1);
    expect(result).toMatchObject({ ok: false, reason: { code: 'onlyOutside' } });
  });
});

describe('what else can be dialled', () => {
  it('an emergency number goes straight to the network', () => {
    const office = openOffice();
    const { callId } = office.fromAda('999', 0);
    expect(office.leg('outside').endpoint).toMatchObject({ number: '999' });
    expect(office.call(callId).kind).toBe('outbound');
  });

  it('a service code this office does not have sounds number unobtainable', () => {
    const office = openOffice();
    const { callId, legId } = office.fromAda('*9901', 0);
    expect(office.call(callId).failure).toBe('facilityRejected');
    expect(whatIsHeard(office.call(callId))[legId]).toEqual({ kind: 'tone', tone: 'unobtainable' });
  });

  it('one’s own line rings one’s other devices, not the one that calls', () => {
    const office = openOffice();
    const { callId } = office.fromAda('0131 496 0120', 0);
    const ringing = office.call(callId).legs.filter((leg) => leg.state === 'alerting');
    expect(ringing.map(({ endpoint }) => endpoint)).toEqual([{ kind: 'device', deviceId: 'ada-desk' }]);
    expect(office.call(callId).kind).toBe('internal');
  });

  it('a number is shown all the same where the office lets none be withheld (3GPP TS 22.081 §2)', () => {
    const policies = { ...testSetup.policies, mayWithhold: false };
    for (const [to, present] of [
      ['0131 496 0142', 'withhold'],
      ['141 0131 496 0142', undefined],
    ] as const) {
      const { exchange } = openOffice({ ...testSetup, policies });
      exchange.send({ type: 'make', from: { kind: 'device', deviceId: 'ada-app' }, to, present }, start);
      expect([...exchange.calls.values()].map(({ withheld }) => withheld)).toEqual([false]);
    }
  });

  it('a withheld number is kept as withheld', () => {
    const office = openOffice();
    const { legId } = office.fromAda('141 0131 496 0142', 0);
    const { events } = office.send({ type: 'clear', legId }, 1);
    expect(recordOf(events, 'ada')).toMatchObject({ withheld: true, outcome: 'cancelled' });
  });

  it('only from a device that is known, signed in and has room', () => {
    const office = openOffice();
    const make = (deviceId: string) =>
      office.send({ type: 'make', from: { kind: 'device', deviceId }, to: '211' }, 0).result;
    expect(make('nobody')).toMatchObject({ reason: { code: 'unknownDevice' } });
    office.send({ type: 'signOut', deviceId: 'cleo-desk' }, 0);
    expect(make('cleo-desk')).toMatchObject({ reason: { code: 'notSignedIn' } });
    expect(make('ben-desk')).toMatchObject({ ok: true });
    expect(make('ben-desk')).toMatchObject({ reason: { code: 'tooManyCalls', limit: 1 } });
  });

  it('showing only a line the office has', () => {
    const office = openOffice();
    const { result } = office.send(
      { type: 'make', from: { kind: 'device', deviceId: 'ada-app' }, to: '211', present: { lineId: 'sold' } },
      0,
    );
    expect(result).toMatchObject({ reason: { code: 'unknownLine' } });
  });
});
