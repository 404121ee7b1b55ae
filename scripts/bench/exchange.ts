import { Exchange, type Command } from '@/core/exchange';
import { emptyOffice, type OfficeSetup } from '@/core/office';

import type { Figure } from './figures';

const start = Date.UTC(2026, 10, 26, 10, 40);
const commandsPerRun = 400_000;

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

/** Commands per second while `live` calls are talked on: hold, retrieve, mute, digits, and each tenth round a new call. */
function commandsPerSecond(live: number): number {
  const exchange = new Exchange(office(live));
  let at = start;
  const send = (command: Command) => {
    const { result } = exchange.send(command, at);
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

export function benchExchange(): Figure[] {
  return [
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
  ];
}
