// Many people in one meeting: whatever one of them does is told to each of the others.
import { isTalking, type Command } from '@/core/calls/exchange';
import type { OfficeUpdate } from '@/office/link';

import { roomExtension, type Connected } from './load';

const legOf = ({ changedCalls }: OfficeUpdate, deviceId: string) =>
  changedCalls
    .filter(({ meeting }) => meeting !== null)
    .flatMap(({ legs }) => legs)
    .find(({ endpoint }) => endpoint.kind === 'device' && endpoint.deviceId === deviceId);

/** Comes into the room, and gives their leg once all who are there have been told that they are in. */
export async function joinRoom(one: Connected, there: readonly Connected[]): Promise<string> {
  let legId = '';
  const told = there.map((each) =>
    each.told((update) => {
      const leg = legOf(update, one.device.id);
      if (!leg || !isTalking(leg)) return false;
      legId = leg.id;
      return true;
    }),
  );
  const by = { kind: 'device' as const, deviceId: one.device.id };
  const placed = await one.link.send({ type: 'make', from: by, to: roomExtension });
  if (!placed.ok) throw new Error(`Not placed: ${placed.reason.code}`);
  await Promise.all(told);
  return legId;
}

/** After how many milliseconds the last of them has been told of it. */
export async function toldToAll(one: Connected, act: Command, there: readonly Connected[]): Promise<number> {
  const began = performance.now();
  const told = there.map((each) => each.told((update) => legOf(update, one.device.id) !== undefined));
  const reply = await one.link.send(act);
  if (!reply.ok) throw new Error(`Refused: ${reply.reason.code}`);
  return Math.max(...(await Promise.all(told))) - began;
}
