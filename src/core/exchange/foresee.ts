import type { OfficeIndex } from '../office';
import { traceCall, traceTeam, type RouteTrace } from '../routing';
import { isLive, type Call } from './call';
import { destinationOf, readDialled } from './destination';

/**
 * What would happen to a call to `to` right now: the same trace the exchange would carry out, from the calls that are
 * there. Devices are taken to be signed in. null for the public network, and for what can't be dialled.
 */
export function foresee(office: OfficeIndex, calls: Iterable<Call>, to: string): RouteTrace | null {
  const read = readDialled(to);
  if (!read.ok) return null;
  const destination = destinationOf(office, read.dialled);
  const counts = new Map<string, number>();
  for (const call of calls) {
    for (const { endpoint, state } of call.legs.filter(isLive)) {
      if (endpoint.kind === 'device' && state !== 'queued')
        counts.set(endpoint.deviceId, (counts.get(endpoint.deviceId) ?? 0) + 1);
    }
  }
  const world = {
    isSignedIn: () => true,
    isBusy: (deviceId: string) =>
      (counts.get(deviceId) ?? 0) >= (office.devices.get(deviceId)?.callLimit ?? 1),
  };
  switch (destination.kind) {
    case 'person':
      return traceCall(office, { ownerId: destination.personId, lineId: null }, world);
    case 'line':
      return traceCall(office, { ownerId: destination.ownerId, lineId: destination.lineId }, world);
    case 'team':
      return traceTeam(office, { ownerId: destination.teamId, lineId: null }, world);
    default:
      return null;
  }
}
