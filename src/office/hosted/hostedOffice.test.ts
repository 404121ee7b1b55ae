import { sampleCast, sampleOffice } from '@sample';

import type { Command, Leg } from '@/core/calls/exchange';

import { Clock, SteadyTime } from '../clock';
import { officeStateSchema, type OfficeState, type OfficeUpdate } from '../link';
import { HostedOffice } from '.';

const start = Date.UTC(2026, 10, 26, 10, 40);
const me = { kind: 'device', deviceId: 'maren-app' } as const;

function open(state?: OfficeState, at = start) {
  const clock = new Clock({ mode: 'fixed', at });
  const office = new HostedOffice({ setup: sampleOffice, cast: sampleCast, clock, state });
  const updates: OfficeUpdate[] = [];
  office.subscribe((update) => updates.push(update));
  office.start();
  return {
    office,
    clock,
    updates,
    pass: (seconds: number) => clock.moveOn(seconds * 1000),
    call: async (to: string, from: Extract<Command, { type: 'make' }>['from'] = me) => {
      const result = await office.send({ type: 'make', from, to });
      if (!result.ok || !result.legId) throw new Error(JSON.stringify(result));
      return result.legId;
    },
    legs: (): Leg[] => office.snapshot().changedCalls.flatMap((call) => call.legs),
    said: () => updates.flatMap(({ speech }) => speech.map(({ clip }) => clip)),
    types: () => updates.flatMap(({ events }) => events.map(({ type }) => type)),
  };
}

const stateOf = (legs: Leg[], where: Leg['endpoint']['kind']) =>
  legs.find((leg) => leg.endpoint.kind === where && leg.role === 'called')?.state;

it('what is opened before the start lets nothing fall due: whoever listens is there first', async () => {
  const before = open();
  await before.call('0131 496 0142');
  const timers: (() => void)[] = [];
  const office = new HostedOffice({
    ...{ setup: sampleOffice, cast: sampleCast, state: before.office.save() },
    clock: new Clock({ mode: 'running', offsetMs: start - Date.now() }),
    setTimer: (run) => {
      timers.push(run);
      return () => undefined;
    },
  });
  await office.openPersonal({ sorts: {}, rows: [] }, false);
  expect(timers).toEqual([]);
  office.start();
  expect(timers.length).toBeGreaterThan(0);
  office.close();
});

describe('stand-ins', () => {
  it('one that answers is reached, rings, answers after its seconds and speaks', async () => {
    const { call, pass, legs, said } = open();
    await call('0131 496 0142');
    expect(stateOf(legs(), 'outside')).toBe('initiated');
    pass(1);
    expect(stateOf(legs(), 'outside')).toBe('alerting');
    pass(4.7);
    expect(stateOf(legs(), 'outside')).toBe('alerting');
    pass(0.2);
    expect(stateOf(legs(), 'outside')).toBe('connected');
    pass(1);
    expect(said()).toEqual(['hello-bexhollow']);
  });

  it.each([
    ['07700 900482', 'userBusy'],
    ['+61 491 570 156', 'unallocatedNumber'],
  ])('%s fails with %s', async (number, cause) => {
    const { call, pass, office } = open();
    await call(number);
    pass(1);
    expect(office.snapshot().changedCalls[0]?.failure).toBe(cause);
  });

  it('a colleague refuses, and the caller reaches their mailbox', async () => {
    const { call, pass, legs } = open();
    await call('211');
    pass(5);
    expect(stateOf(legs(), 'mailbox')).toBe('connected');
  });

  it('one that talks for so long hangs up by itself', async () => {
    const { call, pass, types } = open();
    await call('07700 900333');
    pass(8.8);
    expect(types()).toContain('established');
    pass(44);
    expect(types()).not.toContain('callCleared');
    pass(2);
    expect(types()).toContain('callCleared');
  });

  it('a colleague is seen in a meeting, by the screen beside their phone, and asks about what is shared', async () => {
    const { call, pass, office } = open();
    const legId = await call('201');
    pass(7);
    const meeting = () => office.snapshot().changedCalls[0]?.meeting;
    await office.send({ type: 'meet', legId });
    pass(3);
    const [ilse] = meeting()?.besideLegIds ?? [];
    expect(meeting()?.pictures).toEqual([expect.objectContaining({ legId: ilse, kind: 'camera' })]);
    await office.send({ type: 'inMeeting', legId, act: { act: 'show', kind: 'screen' } });
    pass(5);
    expect(meeting()?.hands).toEqual([]);
    pass(2);
    expect(meeting()?.hands.map((hand) => hand.legId)).toEqual([ilse]);
  });

  it('a caller who hears nothing but a tone gives up', async () => {
    const { call, pass, types } = open();
    await call('+441314960999', { kind: 'outside', number: '+447700900123', name: null });
    pass(5);
    expect(types()).toContain('callCleared');
  });

  it('a caller nobody answers leaves a message', async () => {
    const { call, pass, updates, said } = open();
    await call('+441314960214', { kind: 'outside', number: '+447700900123', name: null });
    pass(60);
    expect(said()).toEqual(['message']);
    const left = updates.flatMap(({ events }) => events.filter(({ type }) => type === 'messageLeft'));
    expect(left).toEqual([expect.objectContaining({ durationMs: expect.any(Number) })]);
  });

  it('nobody answers the worker’s own phones for them', async () => {
    const { call, pass, legs } = open();
    await call('+441314960214', { kind: 'outside', number: '+447700900123', name: null });
    pass(20);
    expect(
      legs()
        .filter((leg) => leg.role === 'called')
        .map(({ state }) => state),
    ).toEqual(Array(3).fill('alerting'));
  });

  it('does as it is told from then on', async () => {
    const { office, call, pass } = open();
    await office.play({ kind: 'script', party: '+441314960142', script: { kind: 'busy' } });
    await call('0131 496 0142');
    pass(1);
    expect(office.snapshot().changedCalls[0]?.failure).toBe('userBusy');
  });
});

describe('a voice menu', () => {
  it('says its choices, follows a key, says when a key is none, and says them again when none comes', async () => {
    const { office, call, pass, said } = open();
    const legId = await call('0131 496 0188');
    pass(4);
    expect(said()).toEqual(['menu-greeting']);
    await office.send({ type: 'sendDigits', legId, digits: '1' });
    pass(1);
    expect(said()).toEqual(['menu-greeting', 'menu-forecast']);
    await office.send({ type: 'sendDigits', legId, digits: '7' });
    pass(1);
    expect(said().at(-1)).toBe('menu-wrong');
    pass(20);
    expect(said().at(-1)).toBe('menu-greeting');
  });

  it('ends the call on its goodbye, and after three turns without a key', async () => {
    const farewell = open();
    const legId = await farewell.call('0131 496 0188');
    farewell.pass(4);
    await farewell.office.send({ type: 'sendDigits', legId, digits: '9' });
    farewell.pass(5);
    expect(farewell.types()).toContain('callCleared');

    const silent = open();
    await silent.call('0131 496 0188');
    silent.pass(180);
    expect(silent.said()).toEqual(['menu-greeting', 'menu-greeting', 'menu-greeting']);
    expect(silent.types()).toContain('callCleared');
  });
});

describe('an office that stops and starts again', () => {
  it('goes on as if it had never stopped', async () => {
    const whole = open();
    await whole.call('0131 496 0142');
    whole.pass(3);
    const saved = officeStateSchema.parse(JSON.parse(JSON.stringify(whole.office.save())));
    const restored = open(saved, start + 3000);
    whole.pass(30);
    restored.pass(30);
    expect(restored.office.save()).toEqual(whole.office.save());
  });

  it('lets happen on opening what was due while it was away', async () => {
    const before = open();
    await before.call('+441314960214', { kind: 'outside', number: '+447700900123', name: null });
    const after = open(before.office.save(), start + 120_000);
    expect(after.types()).toEqual(
      expect.arrayContaining(['delivered', 'messageLeft', 'recordWritten', 'callCleared']),
    );
    expect(after.office.snapshot().changedCalls).toEqual([]);
  });
});

describe('the link', () => {
  it('lets only valid commands through', async () => {
    const { office } = open();
    await expect(office.send({ type: 'explode' } as never)).rejects.toThrow();
    await expect(
      office.play({ kind: 'script', party: 'x', script: { kind: 'answers', afterSeconds: -1 } as never }),
    ).rejects.toThrow();
  });

  it('hands out copies: nobody can change the office from outside', async () => {
    const { office, call, legs } = open();
    await call('0131 496 0142');
    const [stolen] = office.snapshot().changedCalls;
    if (stolen) stolen.legs.length = 0;
    expect(legs()).toHaveLength(2);
  });

  it('waits with a timer of its own while the clock runs', async () => {
    const waits: number[] = [];
    const clock = new Clock(
      { mode: 'running', offsetMs: 0 },
      new SteadyTime(
        () => start,
        () => 0,
      ),
    );
    const office = new HostedOffice({
      setup: sampleOffice,
      cast: sampleCast,
      clock,
      setTimer: (_, ms) => {
        waits.push(ms);
        return () => undefined;
      },
    });
    office.start();
    await office.send({ type: 'make', from: me, to: '0131 496 0142' });
    expect(waits.at(-1)).toBe(800);
  });
});

describe('a mailbox that is listened to from a phone', () => {
  const from = { kind: 'device', deviceId: 'maren-desk' } as const;
  const maren = { id: 'maren-app', personId: 'maren', deviceId: 'maren-app', roles: ['member' as const] };
  const turns = async (count = 200) => {
    for (let turn = 0; turn < count; turn++) await Promise.resolve();
  };

  async function open() {
    const clock = new Clock({ mode: 'fixed', at: start });
    const office = new HostedOffice({ setup: sampleOffice, cast: sampleCast, clock, pinCost: 1 });
    await office.openPersonal({ sorts: {}, rows: [] }, true);
    office.start();
    const link = office.linkFor(maren);
    const setPin = { type: 'setPin', pin: '4829', before: null, device: null } as const;
    expect(await link.ask(setPin)).toEqual({ ok: true });
    await link.ask({ type: 'leaveVoicemail', id: 'left', toPersonId: 'maren', durationMs: 9_000 });
    const result = await office.send({ type: 'make', from, to: '*88' });
    const legId = result.ok ? (result.legId ?? '') : '';
    const press = async (digits: string) => {
      await office.send({ type: 'sendDigits', legId, digits });
      await turns();
    };
    const visit = () =>
      office
        .snapshot()
        .changedCalls.flatMap(({ legs }) => legs)
        .find((leg) => leg.visit)?.visit;
    const seen = async () => (await link.tables()).voicemails.find(({ id }) => id === 'left');
    return { office, clock, press, visit, seen };
  }

  it('asks for the PIN, plays what was left, which is heard then on all devices, and deletes it', async () => {
    const { press, visit, seen } = await open();
    await press('1111#');
    expect(visit()?.says.text).toMatch(/^That was not the PIN/);
    await press('4829#');
    expect(visit()?.says.text).toMatch(/^You have one new message, and no messages heard before/);
    await press('1');
    expect(visit()?.says).toMatchObject({ voicemailId: 'left' });
    expect((await seen())?.heardAt).toBe(start);
    await press('3');
    expect((await seen())?.deletedAt).toBe(start);
    await press('3');
    expect((await seen())?.deletedAt).toBeNull();
  });

  it('does all that was pressed, one after the other, however fast', async () => {
    const { press, visit, seen } = await open();
    await press('4829#');
    await press('13');
    await turns();
    expect(visit()?.says.text).toMatch(/^It is deleted/);
    expect((await seen())?.deletedAt).toBe(start);
  });

  it('counts wrong PINs with those at the door: after five none is looked at', async () => {
    const { office, press, visit } = await open();
    for (const pin of ['1111', '2222']) await press(`${pin}#`);
    for (let wrong = 0; wrong < 3; wrong++)
      await office.desk.letIn({
        ...{ by: 'pin', account: '214', pin: '000001', token: 'a token of some length', name: 'A browser' },
      });
    await press('4829#');
    // It was right, and nobody has looked at it.
    expect(visit()).toBeUndefined();
  });

  it('counts what was typed for nobody’s extension as nobody’s try', async () => {
    const { office, press } = await open();
    for (let times = 0; times < 2; times++) await press('299*1111#');
    expect(office.desk.access.all.filter(({ kind }) => kind === 'tries')).toEqual([]);
  });

  it('shows a colleague nothing of what is said, or typed', async () => {
    const { office, press } = await open();
    const ilse = office.linkFor({ id: 'i', personId: 'ilse', deviceId: 'ilse-desk', roles: ['member'] });
    await press('48');
    const told = async () => JSON.stringify((await ilse.snapshot()).changedCalls);
    expect(await told()).not.toContain('"48"');
    await press('29#');
    expect(await told()).not.toContain('new message');
  });
});
