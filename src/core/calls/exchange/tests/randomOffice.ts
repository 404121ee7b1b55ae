import fc from 'fast-check';

import { emptyOffice, plainQueue, type HandOutOrder, type OfficeSetup } from '@/core/setup';
import { isLive, type Leg } from '../call';
import type { Command } from '../commands';
import type { ExchangeEvent } from '../events';
import { Exchange } from '../Exchange';
import { checkExchange, checkRecords, must } from './invariants';
import { customer, start } from './testOffice';
import { isAllowed } from '../transitions';

/** For the tests and the bench: an office in which anything can be asked of the exchange, and random askers. */

const peopleCount = 6;
const people = Array.from({ length: peopleCount }, (_, index) => `p${index}`);
const rule = (id: string, deviceIds: readonly string[], more: object) => ({
  personId: id,
  rules: [
    {
      id: `${id}-any`,
      name: 'Any call',
      lineIds: [],
      stages: [
        {
          length: { seconds: 20 },
          targets: deviceIds.map((deviceId, index) => ({
            deviceId,
            startSeconds: index * 4,
            acceptKey: deviceId.endsWith('mobile'),
          })),
        },
      ],
      finish: { kind: 'mailbox' as const, personId: id },
      ...more,
    },
  ],
});

/** Six people with a desk phone and a mobile each, an app, two rooms, a team, forwards that go round in a circle. */
export function randomSetup(
  recording: OfficeSetup['policies']['recording'] = 'onDemand',
  order: HandOutOrder = 'inTurn',
): OfficeSetup {
  return {
    ...emptyOffice,
    name: 'Random office',
    people: people.map((id, index) => ({
      id,
      name: id,
      role: '',
      extension: String(201 + index),
      presentedLineId: 'line',
      ...(index === 2 && { screening: { numbers: [], withheld: true } }),
      // Two answer for each other, and one for both.
      ...(index === 2 && { answeredBy: [{ personId: 'p3', showsMine: true }] }),
      ...(index === 3 && { answeredBy: ['p2', 'p5'].map((personId) => ({ personId, showsMine: false })) }),
    })),
    teams: [
      { id: 'team', name: 'Team', extension: '250', memberIds: ['p0', 'p2', 'p3'] },
      {
        ...{ id: 'queue', name: 'Queue', extension: '270', memberIds: ['p1', 'p3', 'p4'] },
        queue: {
          ...plainQueue,
          order,
          ringSeconds: 6,
          wrapUpSeconds: 4,
          mostWaiting: 3,
          longestWaitSeconds: 60,
        },
      },
    ],
    lines: [
      {
        id: 'line',
        name: 'Line',
        number: '+441314960120',
        cord: { hue: 0, stroke: 'solid' },
        urgent: false,
        ownerId: 'p0',
        texts: true,
      },
      {
        id: 'menu-line',
        name: 'Menu line',
        number: '+441314960160',
        cord: { hue: 1, stroke: 'dashed' },
        urgent: false,
        ownerId: 'menu',
      },
    ],
    devices: [
      { id: 'p0-app', personId: 'p0', kind: 'app', name: 'app', callLimit: 4 },
      ...people.flatMap((id) => [
        { id: `${id}-desk`, personId: id, kind: 'desk' as const, name: 'desk', callLimit: 2 },
        { id: `${id}-mobile`, personId: id, kind: 'mobile' as const, name: 'mobile', callLimit: 2 },
      ]),
      { id: 'room-a', personId: null, kind: 'room', name: 'room', callLimit: 1, roomCode: '41' },
      { id: 'room-b', personId: null, kind: 'room', name: 'room', callLimit: 1, roomCode: '42' },
    ],
    ringPlans: [
      rule('p0', ['p0-app', 'p0-desk', 'p0-mobile'], {}),
      { ...rule('p1', [], {}), findMe: [{ deviceId: 'p1-mobile' }, { deviceId: 'p1-desk' }] },
      rule('p2', ['p2-desk'], { finish: { kind: 'forward', to: '204' } }),
      rule('p3', ['p3-desk'], {
        busyFinish: { kind: 'forward', to: '0131 496 0150' },
        refusedFinish: { kind: 'forward', to: '07700 900321', acceptKey: true },
      }),
      rule('p4', [], {
        finish: { kind: 'forward', to: '206' },
        busyFinish: { kind: 'textBack', lineId: 'line', text: 'Busy' },
      }),
      rule('p5', ['p5-mobile'], { finish: { kind: 'textBack', lineId: 'line', text: 'Later' } }),
    ],
    menus: [
      {
        id: 'menu',
        name: 'Menu',
        extension: '260',
        text: 'Press a key.',
        keys: [
          { key: '1', to: '202' },
          { key: '2', to: '260' },
          { key: '3', to: '0131 496 0142' },
          { key: '4', to: '299' },
          { key: '5', to: '270' },
        ],
        waitSeconds: 5,
        turns: 2,
        finish: { kind: 'forward', to: '203' },
        keeperId: 'p1',
      },
    ],
    conferences: [
      {
        ...{ id: 'room', name: 'Room', extension: '290' },
        ...{ pin: '4711', hostPin: '80412', waitsForHost: false, opensForOffice: true },
      },
    ],
    parkSlots: ['01', '02'],
    policies: {
      recording,
      barred: [{ prefix: '+4490', why: 'premium' }],
      transferReturnSeconds: 12,
      parkSeconds: 40,
    },
  };
}

const deviceIds = randomSetup().devices.map(({ id }) => id);
const destinations = [
  ...people.map((_, index) => String(201 + index)),
  '250',
  '299',
  '*8401',
  '*8402',
  '*85',
  '*86202',
  '*8710',
  '999',
  '0131 496 0142,12',
  '0131 496 0143',
  '+44 900 123 4567',
  '+441314960120',
  '+441314960160',
  '260',
  '270',
  '270',
  '290',
  '290',
  'nonsense',
];

/** Steps name legs by position, so that they fit whatever calls there are when they are taken. */
export interface Step {
  afterMs: number;
  /** Whether legs are chosen for which the command makes sense, as far as there are any. */
  isAimed: boolean;
  picks: readonly [number, number];
  command: (legId: string, otherLegId: string, pick: number) => Command;
}

const target = fc.oneof(
  { weight: 6, arbitrary: fc.constantFrom(...destinations).map((to) => ({ kind: 'number' as const, to })) },
  fc.constantFrom({ kind: 'mailbox' as const, personId: 'p1' }, { kind: 'park' as const }),
);
const activeCall = fc.constantFrom('hold' as const, 'clear' as const, undefined);
const device = fc.constantFrom(...deviceIds);

const onLeg = fc
  .constantFrom(
    ...([
      'alert',
      'answer',
      'answer',
      'answer',
      'answer',
      'refuse',
      'hold',
      'retrieve',
      'mute',
      'unmute',
      'clear',
    ] as const),
    ...(['park', 'callBackWhenFree', 'withdrawInvitation'] as const),
  )
  .map((type): Step['command'] => (legId) => ({ type, legId }));
const onTwo = fc
  .constantFrom(
    ...(['connectCalls', 'mergeCalls', 'mergeCalls', 'silence', 'unsilence'] as const),
    ...(['putAside', 'bringBack', 'talkAside', 'drop'] as const),
  )
  .map((type): Step['command'] => (legId, otherLegId) => ({ type, legId, otherLegId }));
const make = fc
  .record({
    from: fc.oneof(
      fc.constantFrom(
        customer,
        { kind: 'outside' as const, number: '+447700900321', name: null },
        { kind: 'outside' as const, number: null, name: null },
      ),
      device.map((deviceId) => ({ kind: 'device' as const, deviceId })),
    ),
    to: fc.constantFrom(...destinations),
    activeCall,
    ringOwnPhoneFirst: fc.constantFrom(undefined, undefined, true),
  })
  .map((given): Step['command'] => () => ({ type: 'make', ...given }));
const sendOn = fc
  .tuple(fc.constantFrom('transfer' as const, 'deflect' as const), target)
  .map(([type, to]): Step['command'] => (legId) => ({ type, legId, target: to }));
const guest = fc.constantFrom('g1', 'g2', 'g3');
/** One of a few, so that it is met again. */
const tokenOf = (pick: number) => `link-of-the-test-office-${pick % 3}`;
const others: fc.Arbitrary<Step['command']> = fc.oneof(
  fc.constantFrom<Step['command']>(
    (legId) => ({ type: 'fail', legId, cause: 'userBusy' }),
    (legId) => ({ type: 'sendDigits', legId, digits: '1' }),
    (legId) => ({ type: 'sendDigits', legId, digits: '2#' }),
    (legId) => ({ type: 'sendDigits', legId, digits: '3' }),
    // Into the conference, as a host, and not.
    (legId) => ({ type: 'sendDigits', legId, digits: '4711#' }),
    (legId) => ({ type: 'sendDigits', legId, digits: '4711#' }),
    (legId) => ({ type: 'sendDigits', legId, digits: '80412#77' }),
    (legId) => ({ type: 'sendDigits', legId, digits: '9999#' }),
    (legId) => ({ type: 'sendDigits', legId, digits: '5' }),
    // Where a menu lets names be spelled, and extensions be dialled.
    (legId) => ({ type: 'sendDigits', legId, digits: '67' }),
    (legId) => ({ type: 'sendDigits', legId, digits: '*48' }),
    (legId) => ({ type: 'sendDigits', legId, digits: '29#1' }),
    (legId) => ({ type: 'sendDigits', legId, digits: '204' }),
    (legId) => ({ type: 'record', legId, act: 'start' }),
    (legId) => ({ type: 'record', legId, act: 'pause' }),
    (legId) => ({ type: 'record', legId, act: 'stop' }),
    (legId) => ({ type: 'invite', legId, purpose: 'join', toPersonId: null }),
    (legId) => ({ type: 'invite', legId, purpose: 'takeOver', toPersonId: 'p2' }),
    () => ({ type: 'reportFree', number: '+441314960142' }),
    (legId) => ({ type: 'meet', legId }),
    (legId) => ({ type: 'meet', legId }),
  ),
  fc
    .constantFrom(
      ...(['camera', 'camera', 'screen'] as const).map((kind) => ({
        act: 'show' as const,
        kind,
      })),
      ...(['openBeside', 'raiseHand', 'raiseHand', 'muteOthers', 'end'] as const).map((act) => ({ act })),
      ...[true, false, false].map((isLocked) => ({ act: 'setLock' as const, isLocked })),
      { act: 'react', reaction: 'yes' } as const,
      ...(['makeHost', 'lowerHand', 'stopShowing'] as const),
    )
    .map((given): Step['command'] => (legId, otherLegId, pick) => ({
      ...{ type: 'inMeeting', legId },
      act:
        given === 'stopShowing'
          ? { act: given, pictureId: `s${pick}` }
          : typeof given === 'string'
            ? { act: given, otherLegId }
            : given,
    })),
  fc
    .record({
      act: fc.constantFrom('giveLink', 'giveLink', 'endLink', 'letIn', 'letIn', 'turnAway', 'closeBeside'),
      guestId: guest,
      isForPhone: fc.boolean(),
    })
    .map(({ act, guestId, isForPhone }): Step['command'] => (legId, otherLegId, pick) => ({
      ...{ type: 'inMeeting', legId },
      act:
        act === 'giveLink'
          ? { act, token: tokenOf(pick), forLegId: isForPhone ? otherLegId : null }
          : act === 'endLink'
            ? { act, token: tokenOf(pick) }
            : act === 'closeBeside'
              ? { act }
              : { act: act as 'letIn' | 'turnAway', guestId },
    })),
  guest.map((guestId): Step['command'] => (_, __, pick) => ({
    ...{ type: 'knock', guestId, name: `Guest ${guestId}` },
    token: tokenOf(pick),
  })),
  guest.map((guestId): Step['command'] => () => ({ type: 'goAway', guestId })),
  fc.constantFrom(...destinations).map((to): Step['command'] => (legId) => ({ type: 'add', legId, to })),
  fc.record({ deviceId: device, activeCall }).map((given): Step['command'] => (_, __, pick) => ({
    type: 'join',
    code: String(10 + (pick % 90)),
    ...given,
  })),
  fc
    .record({ deviceId: device, activeCall, slot: fc.constantFrom('01', '02') })
    .map((given): Step['command'] => () => ({
      type: 'unpark',
      ...given,
    })),
  fc
    .record({ deviceId: device, activeCall })
    .map((given): Step['command'] => (legId) => ({ type: 'takeBack', legId, ...given })),
  fc
    .record({ deviceId: device, activeCall, byGroup: fc.boolean() })
    .map(({ byGroup, ...given }): Step['command'] => (legId) => ({
      type: 'pickUp',
      legId: byGroup ? null : legId,
      ...given,
    })),
  fc
    .record({
      to: fc.oneof(
        device.map((deviceId) => ({ deviceId })),
        fc.constantFrom({ roomCode: '41' }, { roomCode: '42' }),
      ),
      atOnce: fc.boolean(),
    })
    .map((given): Step['command'] => (legId) => ({ type: 'move', legId, ...given })),
  fc.constant<Step['command']>((legId) => ({ type: 'speaks', legId })),
  fc
    .record({
      personId: fc.constantFrom('p0', 'p1', 'p3', 'p4'),
      state: fc.constantFrom('ready' as const, 'ready' as const, 'notReady' as const, 'loggedOff' as const),
    })
    .map((given): Step['command'] => () => ({
      type: 'setAgentState',
      teamId: 'queue',
      reason: '',
      ...given,
    })),
  fc.record({ deviceId: device, activeCall }).map((given): Step['command'] => (legId) => ({
    type: 'takeWaiting',
    // The call of a leg, once it is known which.
    callId: legId,
    ...given,
  })),
  device.chain((deviceId) =>
    fc.constantFrom<Step['command']>(
      () => ({ type: 'signOut', deviceId }),
      () => ({ type: 'expire', deviceId }),
      () => ({ type: 'signIn', deviceId }),
      () => ({ type: 'signIn', deviceId }),
      () => ({ type: 'setCallWaiting', deviceId, on: false }),
      () => ({ type: 'setCallWaiting', deviceId, on: true }),
    ),
  ),
);

const step: fc.Arbitrary<Step> = fc.record({
  afterMs: fc.oneof(
    { weight: 6, arbitrary: fc.integer({ min: 0, max: 2_000 }) },
    fc.integer({ min: 0, max: 30_000 }),
  ),
  isAimed: fc.oneof({ weight: 4, arbitrary: fc.constant(true) }, fc.constant(false)),
  picks: fc.tuple(fc.nat(1000), fc.nat(1000)),
  command: fc.oneof(
    { weight: 9, arbitrary: onLeg },
    { weight: 5, arbitrary: onTwo },
    { weight: 5, arbitrary: make },
    { weight: 2, arbitrary: sendOn },
    { weight: 5, arbitrary: others },
  ),
});

/** The random office with everybody signed in. */
export function openRandomOffice(setup = randomSetup()): Exchange {
  const exchange = new Exchange(setup);
  for (const { id } of setup.devices) exchange.send({ type: 'signIn', deviceId: id }, start);
  return exchange;
}

/** Takes one step. `wasRefused` where the exchange did not do what was asked. */
export function take(
  exchange: Exchange,
  step: Step,
): { due: ExchangeEvent[]; events: ExchangeEvent[]; wasRefused: boolean; asked: Command } {
  const due = exchange.advance(exchange.now + step.afterMs);
  const asked = step.isAimed ? aim(exchange, step) : shoot(exchange, step);
  const { result, events } = exchange.send(asked, exchange.now);
  return { due, events, wasRefused: !result.ok, asked };
}

const liveLegs = (exchange: Exchange) =>
  [...exchange.calls.values()].flatMap(({ legs }) => legs.filter(isLive));
const pickOf = (legs: readonly Leg[], index: number) => legs[index % Math.max(legs.length, 1)]?.id ?? 'l0';

function shoot(exchange: Exchange, { picks, command }: Step): Command {
  const legs = liveLegs(exchange);
  return command(pickOf(legs, picks[0]), pickOf(legs, picks[1]), picks[1]);
}

function aim(exchange: Exchange, { picks, command }: Step): Command {
  const asked = command('', '', 0);
  const { type } = asked;
  if (type === 'takeWaiting') {
    const waiting = [...exchange.calls.values()].filter(({ queued }) => queued !== null);
    return command(waiting[picks[0] % Math.max(1, waiting.length)]?.id ?? '', '', 0);
  }
  if (type === 'join') {
    const codes = [...exchange.calls.values()].flatMap(({ invitation }) => invitation?.code ?? []);
    return codes.length > 0
      ? command('', '', Number(codes[picks[0] % codes.length]) - 10)
      : callOrAnswer(exchange, picks);
  }
  if (!('legId' in asked)) return asked;
  const legs = liveLegs(exchange);
  const othersOf = (leg: Leg) => legs.filter((other) => isOther(type, leg, other));
  const fitting = legs.filter((leg) =>
    asked.type === 'takeBack'
      ? exchange.calls.get(leg.callId)?.handedOver != null
      : asked.type === 'pickUp'
        ? leg.state === 'alerting'
        : isAllowed(asked.type, leg.state) && (!takesTwo(type) || othersOf(leg).length > 0),
  );
  const legId = pickOf(fitting, picks[0]);
  const leg = legs.find(({ id }) => id === legId);
  return leg ? command(legId, pickOf(othersOf(leg), picks[1]), picks[1]) : callOrAnswer(exchange, picks);
}

/** Where nothing can be done yet: somebody answers, or else calls. */
function callOrAnswer(exchange: Exchange, [first, second]: Step['picks']): Command {
  const rung = liveLegs(exchange).filter(({ state }) => state === 'alerting' || state === 'initiated');
  if (rung.length > 0 && first % 3 > 0) return { type: 'answer', legId: pickOf(rung, second) };
  const from = { kind: 'device', deviceId: deviceIds[first % deviceIds.length] ?? '' } as const;
  return { type: 'make', from, to: destinations[second % destinations.length] ?? '' };
}

const betweenCalls = ['connectCalls', 'mergeCalls'];
const betweenParties = ['silence', 'unsilence', 'putAside', 'bringBack', 'talkAside', 'drop'];
const takesTwo = (type: string) => betweenCalls.includes(type) || betweenParties.includes(type);

function isOther(type: Command['type'], { callId, endpoint, id }: Leg, other: Leg): boolean {
  if (betweenParties.includes(type)) return other.callId === callId && other.id !== id;
  return (
    other.callId !== callId &&
    endpoint.kind === 'device' &&
    other.endpoint.kind === 'device' &&
    endpoint.deviceId === other.endpoint.deviceId
  );
}

/** Ends whatever is still there. */
export function endAll(exchange: Exchange): ExchangeEvent[] {
  const events: ExchangeEvent[] = [];
  for (let call = exchange.calls.values().next().value; call; call = exchange.calls.values().next().value) {
    const live = call.legs.find(isLive);
    if (!live) throw new Error(`Call ${call.id} has no live leg`);
    const before = exchange.calls.size;
    events.push(...exchange.send({ type: 'clear', legId: live.id }, exchange.now).events);
    // A number that rang is refused first, of which who waits hears the tone; then the call is ended.
    if (exchange.calls.size === before && isLive(live) && live.state !== 'failed')
      throw new Error(`${live.id} can't be cleared`);
  }
  return events;
}

/** As many steps as a run of the tests has. */
export const steps = fc.array(step, { minLength: 60, maxLength: 60, size: 'max' });

/** Checks after every step of so many runs that all holds that must, and at the end that nothing is left over. */
export function checkRuns(setup: OfficeSetup, numRuns: number): void {
  const owners = new Map(setup.devices.map(({ id, personId }) => [id, personId]));
  fc.assert(
    fc.property(steps, (taken) => {
      const exchange = openRandomOffice(setup);
      const events: ExchangeEvent[] = [];
      for (const each of taken) {
        const { due, events: caused, wasRefused, asked } = take(exchange, each);
        events.push(...due, ...caused);
        must(!wasRefused || caused.length === 0, `a refused ${asked.type} causes nothing`);
        checkExchange(exchange);
      }
      events.push(...endAll(exchange));
      must(exchange.nextTimerAt() === null, 'no timer is left over');
      checkRecords(events, (deviceId) => owners.get(deviceId) ?? null);
    }),
    { numRuns },
  );
}
