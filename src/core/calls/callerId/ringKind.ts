import { callerOf, type Call } from '@/core/calls/exchange';
import type { OfficeIndex } from '@/core/setup';

/** What rings differently: the first that fits a call. */
export const ringKinds = ['urgent', 'starred', 'team', 'colleague', 'customer'] as const;
export type RingKind = (typeof ringKinds)[number];

/** As what a call rings: on an urgent line, from somebody starred, for a team, from a colleague, from anybody else. */
export function ringKindOf(call: Call, office: OfficeIndex): RingKind {
  if (office.lines.get(call.lineId ?? '')?.urgent) return 'urgent';
  const { endpoint } = callerOf(call);
  const number = endpoint.kind === 'outside' ? endpoint.number : null;
  if (number !== null && office.groupsByNumber.get(number)?.some(({ starred }) => starred)) return 'starred';
  const ownerId = call.queued?.teamId ?? call.ringing?.trace.ownerId ?? '';
  if (office.teams.has(ownerId)) return 'team';
  return endpoint.kind === 'device' ? 'colleague' : 'customer';
}
