import { isLive, whatIsHeard, type Command, type CommandResult } from '@/core/calls/exchange';
import { Exchange } from '@/core/calls/exchange/machine';
import type { MeetingAct } from '@/core/calls/meetings';
import { type OfficeSeen, type Session } from '@/core/office';
import { may, sightOf, viewOfCall } from '@/core/office/machine';
import { emptyOffice, type OfficeSetup } from '@/core/setup';

import { runInNewContext } from 'node:vm';
import { setFlagsFromString } from 'node:v8';

import type { Figure } from './figures';

const start = Date.UTC(2026, 10, 26, 10, 40);
const commandsPerRun = 400_000;
const transfers = 4_000;
const simulatedCalls = 10_000;
const customer = { kind: 'outside', number: '+441914980162', name: null } as const;

/** One line whose owner has a phone for each call, so that any number of calls can be live. */
function office(phones: number): OfficeSetup {
  const ids = Array.from({ length: phones }, (_, index) => `phone-${index}`);
  return {
    ...emptyOffice,
    name: 'Bench',
    people: ids.map((id, index) => ({
      id,
      name: id,
      role: '',
      extension: String(index),
      presentedLineId: 'line',
    })),
    lines: [
      {
        id: 'line',
        name: 'Line',
        number: '+441314960100',
        cord: { hue: 0, stroke: 'solid' },
        urgent: false,
        ownerId: 'phone-0',
      },
    ],
    devices: ids.map((id) => ({ id, personId: id, kind: 'desk', name: id, callLimit: 4 })),
  };
}

interface LiveCall {
  deviceId: string;
  near: string;
  far: string;
}

/** Nobody asks whose anything is. */
const unasked = (exchange: Exchange) => (command: Command, at: number) => exchange.send(command, at).result;

/** Each command is asked by its phone's own member, or who plays the network; and one of the members is told all that changes. */
function asked(exchange: Exchange) {
  const outside: Session = { id: 'outside', personId: null, deviceId: null, roles: ['simulator', 'network'] };
  const sessions = new Map(
    exchange.setup.devices.map(({ id }): [string, Session] => [
      id,
      { id, personId: id, deviceId: id, roles: ['member'] },
    ]),
  );
  const told = sessions.get('phone-0') ?? outside;
  const seen: OfficeSeen = {
    office: exchange.office,
    calls: exchange.calls,
    legOf: (id) => exchange.legOf(id),
    devicesInUse: new Set(sessions.keys()),
  };
  const deviceOf = (command: Command) => {
    if ('deviceId' in command) return command.deviceId;
    if (command.type === 'make') return command.from.kind === 'device' ? command.from.deviceId : null;
    const leg = 'legId' in command && command.legId !== null ? exchange.legOf(command.legId) : null;
    return leg?.endpoint.kind === 'device' ? leg.endpoint.deviceId : null;
  };
  return (command: Command, at: number): CommandResult => {
    const session = sessions.get(deviceOf(command) ?? '') ?? outside;
    const denial = may(session, command, seen);
    if (denial) return { ok: false, reason: denial };
    const { result, events } = exchange.send(command, at);
    const touched = new Set(events.flatMap((event) => ('callId' in event ? [event.callId] : [])));
    for (const id of touched) {
      const call = exchange.calls.get(id);
      if (call) viewOfCall(told, call, seen.office, sightOf(told, call, seen.office));
    }
    return result;
  };
}

/** Commands per second while `live` calls are talked on: hold, retrieve, mute, digits, and each tenth round a new call. */
function commandsPerSecond(live: number, through: typeof unasked = unasked): number {
  const exchange = new Exchange(office(live));
  const ask = through(exchange);
  let at = start;
  const send = (command: Command) => {
    const result = ask(command, at);
    if (!result.ok) throw new Error(JSON.stringify(result));
    return result;
  };
  const call = (deviceId: string): LiveCall => {
    const { callId, legId = '' } = send({
      type: 'make',
      from: { kind: 'device', deviceId },
      to: '0131 496 0142',
    });
    const far = exchange.calls.get(callId ?? '')?.legs[1]?.id ?? '';
    send({ type: 'alert', legId: far });
    send({ type: 'answer', legId: far });
    return { deviceId, near: legId, far };
  };
  const calls = Array.from({ length: live }, (_, index) => {
    send({ type: 'signIn', deviceId: `phone-${index}` });
    return call(`phone-${index}`);
  });

  let sent = 0;
  const round = (index: number) => {
    const current = calls[index % live];
    if (!current) return;
    at += 20;
    send({ type: 'hold', legId: current.near });
    send({ type: 'retrieve', legId: current.near });
    send({ type: 'mute', legId: current.near });
    send({ type: 'unmute', legId: current.near });
    send({ type: 'sendDigits', legId: current.near, digits: '5' });
    sent += 5;
    if (index % 10 !== 0) return;
    send({ type: 'clear', legId: current.near });
    calls[index % live] = call(current.deviceId);
    sent += 4;
  };
  for (let index = 0; index < 20_000; index++) round(index);
  sent = 0;
  const began = performance.now();
  for (let index = 0; sent < commandsPerRun; index++) round(index);
  return Math.round(sent / ((performance.now() - began) / 1000));
}

/** An exchange whose phones are all on a call of three: each with two outside parties. */
function busyExchange(live: number) {
  // One phone for each live call, and one more that transfers.
  const exchange = new Exchange(office(live + 1));
  const send = (command: Command, at = start) => {
    const { result } = exchange.send(command, at);
    if (!result.ok) throw new Error(`${command.type}: ${JSON.stringify(result.reason)}`);
    return { callId: result.callId ?? '', legId: result.legId ?? '' };
  };
  for (let index = 0; index < live + 1; index++) send({ type: 'signIn', deviceId: `phone-${index}` });
  for (let index = 0; index < live; index++) {
    const from = { kind: 'device', deviceId: `phone-${index}` } as const;
    const { callId, legId } = send({ type: 'make', from, to: '0131 496 0142' });
    const answerLast = () =>
      send({ type: 'answer', legId: exchange.calls.get(callId)?.legs.at(-1)?.id ?? '' });
    answerLast();
    send({ type: 'add', legId, to: '0131 496 0143' });
    answerLast();
  }
  return { exchange, send };
}

/** Calls per second for which it is worked out who hears whom, each of three parties. */
function heardPerSecond(live: number): number {
  const { exchange } = busyExchange(live);
  const calls = [...exchange.calls.values()];
  const rounds = 300;
  const began = performance.now();
  for (let round = 0; round < rounds; round++) for (const call of calls) whatIsHeard(call);
  return Math.round((rounds * calls.length) / ((performance.now() - began) / 1000));
}

/** Whole consult transfers per second while so many calls are talked on: from the call in to both hanging up. */
function transfersPerSecond(live: number): number {
  const { exchange, send } = busyExchange(live);
  const from = { kind: 'device', deviceId: `phone-${live}` } as const;
  const began = performance.now();
  for (let index = 0; index < transfers; index++) {
    const at = start + index * 1000;
    const talkTo = (to: string) => {
      const made = send({ type: 'make', from, to }, at);
      send({ type: 'answer', legId: exchange.calls.get(made.callId)?.legs[1]?.id ?? '' }, at);
      return made.legId;
    };
    const held = talkTo('0131 496 0145');
    const consultation = talkTo('0131 496 0146');
    const { callId } = send({ type: 'connectCalls', legId: held, otherLegId: consultation }, at);
    const stays = exchange.calls.get(callId)?.legs.find(isLive);
    send({ type: 'clear', legId: stays?.id ?? '' }, at);
  }
  return Math.round(transfers / ((performance.now() - began) / 1000));
}

/** Acts in a meeting per second, one of so many live calls: hands, pictures, reactions, and guests who come, are let in and go. */
function meetingActsPerSecond(live: number): number {
  const { exchange, send } = busyExchange(live);
  const [call] = exchange.calls.values();
  const legId = call?.legs[0]?.id ?? '';
  const act = (asked: MeetingAct, at: number) => send({ type: 'inMeeting', legId, act: asked }, at);
  send({ type: 'meet', legId });
  const token = 'the-link-of-the-meeting-here';
  let sent = 0;
  const began = performance.now();
  for (let round = 0; sent < commandsPerRun / 4; round++) {
    const at = start + round * 100;
    const guestId = `g${round}`;
    act({ act: 'giveLink', token, forLegId: null }, at);
    send({ type: 'knock', token, guestId, name: 'Guest' }, at);
    act({ act: 'turnAway', guestId }, at);
    act({ act: 'raiseHand' }, at);
    act({ act: 'lowerHand', otherLegId: legId }, at);
    act({ act: 'react', reaction: 'yes' }, at);
    act({ act: 'setLock', isLocked: true }, at);
    act({ act: 'setLock', isLocked: false }, at);
    sent += 8;
  }
  return Math.round(sent / ((performance.now() - began) / 1000));
}

/** Kilobytes by which the heap has grown after so many calls that came, were answered and ended. */
function heapGrowthKilobytes(): number {
  setFlagsFromString('--expose-gc');
  const collect = runInNewContext('gc') as () => void;
  const exchange = new Exchange(office(1));
  exchange.send({ type: 'signIn', deviceId: 'phone-0' }, start);
  const used = () => {
    collect();
    return process.memoryUsage().heapUsed / 1024;
  };
  const call = (index: number) => {
    const at = start + index * 60_000;
    const { result } = exchange.send({ type: 'make', from: customer, to: '+441314960100' }, at);
    if (result.ok) exchange.send({ type: 'clear', legId: result.legId ?? '' }, at + 20_000);
  };
  for (let index = 0; index < 1000; index++) call(index);
  const before = used();
  for (let index = 1000; index < 1000 + simulatedCalls; index++) call(index);
  return Math.round(used() - before);
}

export function benchExchange(): Figure[] {
  return [
    {
      name: 'Who hears whom, calls of three, 1,000 live',
      value: heardPerSecond(1000),
      unit: 'calls/s',
      aim: 'over 100,000',
      least: 100_000,
    },
    {
      name: 'Consult transfers, from first call to last hang-up, 1,000 live calls',
      value: transfersPerSecond(1000),
      unit: 'transfers/s',
      aim: 'over 2,000',
      least: 2_000,
    },
    {
      name: 'A meeting among 1,000 live calls',
      value: meetingActsPerSecond(1000),
      unit: 'acts/s',
      aim: 'over 100,000',
      least: 100_000,
    },
    {
      name: 'Heap after 10,000 calls, without their records',
      value: heapGrowthKilobytes(),
      unit: 'KB more',
      aim: 'at most 256',
      most: 256,
    },
    {
      name: 'Exchange, 1 live call',
      value: commandsPerSecond(1),
      unit: 'commands/s',
      aim: 'over 200,000',
      least: 200_000,
    },
    {
      name: 'Exchange, 1,000 live calls',
      value: commandsPerSecond(1000),
      unit: 'commands/s',
      aim: 'over 200,000',
      least: 200_000,
    },
    {
      name: 'Office, 1,000 live calls: whose it is asked, and one session told',
      value: commandsPerSecond(1000, asked),
      unit: 'requests/s',
      aim: 'over 200,000',
      least: 200_000,
    },
  ];
}
