import type { Calling, OfficeIndex } from '@/core/setup';
import { traceAny, type RouteTrace, type World } from '@/core/plans/routing';
import { isLive, isTalking, type Call } from './call';
import type { Refusal } from './commands';
import {
  barredReason,
  checkedDestination,
  destinationOf,
  readDialled,
  type Destination,
} from './destination';

/** Why the office does not let that be called, as it was typed; null where it does, or where it can't be dialled at all. */
export function barredWhy(office: OfficeIndex, to: string, calling: Calling): string | null {
  const read = readDialled(office, to);
  return read.ok ? barredReason(office, destinationOf(office, read.dialled), calling) : null;
}

/** Why somebody in this call can't be sent there, or asked in from there, by who is at that leg; null where they can. */
export function whyNotSentTo(
  office: OfficeIndex,
  call: Call,
  legId: string,
  to: string,
  at: number,
): Refusal | null {
  const leg = call.legs.find(({ id }) => id === legId);
  if (!leg) return { code: 'unknownLeg' };
  const checked = checkedDestination({ office, now: at }, call, leg, to);
  return checked.ok ? null : checked.reason;
}

/**
 * What would happen to a call to `to` right now: the same trace the exchange would carry out, from the calls that are
 * there, for a caller of no particular kind. Devices are taken to be signed in. null for the public network, and for what can't be dialled;
 * `withheld` where it goes by a plan that is not told here.
 */
export function foresee(
  office: OfficeIndex,
  calls: Iterable<Call>,
  to: string,
  at: number,
): RouteTrace | 'withheld' | null {
  const read = readDialled(office, to);
  if (!read.ok) return null;
  const destination = destinationOf(office, read.dialled);
  const counts = new Map<string, number>();
  const onCall = new Set<string>();
  for (const call of calls) {
    for (const leg of call.legs.filter(isLive)) {
      const { endpoint, state, personId } = leg;
      if (personId !== null && isTalking(leg)) onCall.add(personId);
      if (endpoint.kind === 'device' && state !== 'queued')
        counts.set(endpoint.deviceId, (counts.get(endpoint.deviceId) ?? 0) + 1);
    }
  }
  const world: World = {
    at,
    isSignedIn: () => true,
    isOnCall: (personId) => onCall.has(personId),
    triesWithin: () => 0,
    isBusy: (deviceId) => (counts.get(deviceId) ?? 0) >= (office.devices.get(deviceId)?.callLimit ?? 1),
  };
  const ownerId = ownerOf(destination);
  if (ownerId === null) return null;
  if (office.isPlanWithheld(ownerId)) return 'withheld';
  const lineId = 'lineId' in destination ? destination.lineId : null;
  return traceAny(office, { ownerId, lineId, caller: null }, world);
}

/** Whose plan, team, menu or conference a call goes to; null where it goes to none. */
function ownerOf(destination: Destination): string | null {
  switch (destination.kind) {
    case 'person':
      return destination.personId;
    case 'line':
      return destination.ownerId;
    case 'team':
      return destination.teamId;
    case 'menu':
      return destination.menuId;
    case 'conference':
      return destination.conferenceId;
    default:
      return null;
  }
}
