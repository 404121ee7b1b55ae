import { isTalking } from '@/core/calls/exchange';
import type { OfficeUpdate } from '@/office/link';
import type { OfficeIndex } from '@/core/setup';

import { nameOfCall, type CallView } from './callViews';

/**
 * Who left while they were held: "Peg Anstey hung up while on hold". `before` are the calls of this device as they were
 * before the update. The first leg that is cleared in an ended call is that of whoever ended it.
 */
export function saidOfLeavers(
  { events, endedCallIds }: OfficeUpdate,
  before: readonly CallView[],
): string | null {
  const gone = before.filter(({ id, phase, me }) => {
    if (phase !== 'held' || !endedCallIds.includes(id)) return false;
    const first = events.find((event) => event.type === 'connectionCleared' && event.callId === id);
    return (
      first?.type === 'connectionCleared' && first.legId !== me.legId && first.cause === 'normalClearing'
    );
  });
  return gone.length === 0 ? null : `${gone.map(nameOfCall).join(', ')} hung up while on hold.`;
}

export const answeredOn = (deviceName: string) => `Answered on your ${deviceName}.`;

/** That what rang here was answered at another phone of the worker's: "Answered on your Chrome, Android". `before`: as they were before the update. */
export function saidOfAnswered(
  { events, changedCalls }: OfficeUpdate,
  before: readonly CallView[],
  myId: string,
  { ever }: OfficeIndex,
): string | null {
  for (const event of events) {
    if (event.type !== 'connectionCleared' || event.cause !== 'completedElsewhere') continue;
    const rang = before.some(({ me }) => me.legId === event.legId);
    const call = changedCalls.find(({ id }) => id === event.callId);
    const taken = call?.legs.find((leg) => leg.personId === myId && leg.id !== event.legId && isTalking(leg));
    if (!rang || taken?.endpoint.kind !== 'device') continue;
    return answeredOn(ever.devices.get(taken.endpoint.deviceId)?.name ?? 'other phone');
  }
  return null;
}

/** That a call of a team's queue has gone on to the next member, since it was not taken here. */
export function saidOfPassing({ events }: OfficeUpdate, myId: string, { teams }: OfficeIndex): string | null {
  const passed = events.findLast((event) => event.type === 'passedOver' && event.personId === myId);
  if (passed?.type !== 'passedOver') return null;
  return `A call for ${teams.get(passed.teamId)?.name ?? 'your team'} goes on to the next: nobody took it here.`;
}
