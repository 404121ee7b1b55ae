// Calls between two people of the office: made, rung at all devices of the one who is called, answered at the first of them.
import type { OfficeUpdate } from '@/office/link';

import type { Connected } from './load';

const legAt = ({ changedCalls }: OfficeUpdate, deviceId: string, state: string) =>
  changedCalls
    .flatMap(({ legs }) => legs)
    .find(
      ({ endpoint, state: now }) =>
        endpoint.kind === 'device' && endpoint.deviceId === deviceId && now === state,
    );

export interface CallTimes {
  /** Milliseconds until the last of them rings. */
  ring: number[];
  /** Milliseconds from the answer until the last of the others has stopped. */
  stop: number[];
}

/** A call that has been answered, by the leg of who answered. */
export async function begin(from: Connected, to: readonly Connected[], times: CallTimes): Promise<string> {
  const [first] = to;
  if (!first) throw new Error('Nobody is called.');
  let legId = '';
  const rings = to.map((each) =>
    each.told((update) => {
      const leg = legAt(update, each.device.id, 'alerting');
      if (each === first) legId = leg?.id ?? legId;
      return leg !== undefined;
    }),
  );
  const made = performance.now();
  const by = { kind: 'device' as const, deviceId: from.device.id };
  const placed = await from.link.send({ type: 'make', from: by, to: first.device.extension });
  if (!placed.ok) throw new Error(`Not placed: ${placed.reason.code}`);
  times.ring.push(Math.max(...(await Promise.all(rings))) - made);
  const others = to.slice(1);
  const stops = others.map((each) =>
    each.told((update) => legAt(update, each.device.id, 'alerting') === undefined),
  );
  const answered = performance.now();
  const reply = await first.link.send({ type: 'answer', legId });
  if (!reply.ok) throw new Error(`Not answered: ${reply.reason.code}`);
  if (stops.length > 0) times.stop.push(Math.max(...(await Promise.all(stops))) - answered);
  return legId;
}

/** The same, ended at once. */
export async function call(from: Connected, to: readonly Connected[], times: CallTimes): Promise<void> {
  const legId = await begin(from, to, times);
  await to[0]?.link.send({ type: 'clear', legId });
}

/** In so many lanes at once, one after the other, until it is that time (`performance.now`); each lane has two people of its own. */
export async function callUntil(
  until: number,
  lanes: number,
  all: readonly Connected[],
  devicesEach: number,
): Promise<CallTimes> {
  const times: CallTimes = { ring: [], stop: [] };
  const of = (person: number) => all.slice(person * devicesEach, (person + 1) * devicesEach);
  await Promise.all(
    Array.from({ length: Math.min(lanes, Math.floor(all.length / devicesEach / 2)) }, async (_, lane) => {
      const [caller] = of(2 * lane);
      while (caller && performance.now() < until) await call(caller, of(2 * lane + 1), times);
    }),
  );
  return times;
}
