import { Exchange } from '@/core/calls/exchange/machine';
import { emptyOffice, handOutOrders, plainQueue, type HandOutOrder, type OfficeSetup } from '@/core/setup';

import type { Figure } from './figures';

const members = 100;
const waiting = 500;
const rounds = 50;

function queueOffice(order: HandOutOrder): OfficeSetup {
  const ids = Array.from({ length: members }, (_, index) => `p${index}`);
  return {
    ...emptyOffice,
    name: 'Office with a queue',
    people: ids.map((id, index) => ({
      ...{ id, name: id, role: '', extension: String(2000 + index), presentedLineId: 'line' },
    })),
    devices: ids.map((id) => ({
      ...{ id: `${id}-desk`, personId: id, kind: 'desk' as const, name: 'desk phone', callLimit: 2 },
    })),
    lines: [
      {
        ...{ id: 'line', name: 'Line', number: '+441314960120', urgent: false, ownerId: 'queue' },
        cord: { hue: 0, stroke: 'solid' },
      },
    ],
    teams: [
      {
        ...{ id: 'queue', name: 'Queue', extension: '250', memberIds: ids },
        queue: { ...plainQueue, order, wrapUpSeconds: 0, mostWaiting: waiting, longestWaitSeconds: 7200 },
      },
    ],
  };
}

/**
 * Hand-outs per second: each a member who ends a call, is rung for the next of those who wait, and lifts; with the records of what has ended.
 */
function handOutsPerSecond(order: HandOutOrder): number {
  const setup = queueOffice(order);
  const exchange = new Exchange(setup);
  let now = 0;
  let called = 0;
  const come = () => {
    const from = {
      kind: 'outside',
      number: `+4477009${String(called++ % 10_000).padStart(5, '0')}`,
      name: null,
    } as const;
    exchange.send({ type: 'make', from, to: '+441314960120' }, now);
  };
  /** The leg at which somebody is rung, lifted; and who they are. */
  const lift = (deviceId: string) => {
    for (const { id, state } of exchange.legsAt(deviceId))
      if (state === 'alerting') exchange.send({ type: 'answer', legId: id }, now);
  };
  for (const { id } of setup.devices) exchange.send({ type: 'signIn', deviceId: id }, now);
  for (let index = 0; index < members; index++) {
    come();
    for (const { id } of setup.devices) lift(id);
  }
  let ms = 0;
  for (let round = 0; round < rounds; round++) {
    while (exchange.queueOf('queue').calls.length < waiting) come();
    const from = performance.now();
    for (let index = 0; index < members; index++) {
      const deviceId = `p${index}-desk`;
      for (const { id } of [...exchange.legsAt(deviceId)]) exchange.send({ type: 'clear', legId: id }, now);
      lift(deviceId);
    }
    ms += performance.now() - from;
    now += 1000;
  }
  return Math.round((rounds * members) / (ms / 1000));
}

/** Queues: hand-outs with 500 who wait for 100 members, in each order. */
export function benchQueueing(): Figure[] {
  return handOutOrders.map((order) => ({
    name: `hand-outs of a queue, ${order}: ${waiting} wait for ${members} members`,
    value: handOutsPerSecond(order),
    unit: '/s',
    aim: 'at least 50,000',
    least: 50_000,
  }));
}
