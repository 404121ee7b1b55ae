import type { CallRecord } from '@/core/calls/exchange';
import type { OfficeIndex } from '@/core/setup';
import type { PastCall, PresentAt } from '@/core/plans/lookBack';

const nearMs = 45 * 60_000;
const usualReactionSeconds = 8;

interface Use {
  at: number;
  deviceId: string;
}

/**
 * One person's records as calls to look back on, oldest first: those that came in to them by their own plan. Where
 * they were is read from the phones they used within three quarters of an hour around each call; how soon they lift
 * one is the middle of all their answers on it.
 */
export function pastCallsOf(
  records: readonly CallRecord[],
  personId: string,
  office: OfficeIndex,
): PastCall[] {
  const own = records
    .filter((record) => record.personId === personId)
    .sort((a, b) => a.startedAt - b.startedAt);
  const uses = own.flatMap((record): Use[] =>
    record.deviceId !== null && (record.answeredAt !== null || record.direction === 'out')
      ? [{ at: record.answeredAt ?? record.startedAt, deviceId: office.phoneOf(record.deviceId) }]
      : [],
  );
  uses.sort((a, b) => a.at - b.at);
  const reactions = reactionsOf(own, office);
  const busyUntil = { at: -Infinity };
  let before = 0;
  const calls: PastCall[] = [];
  for (const record of own) {
    while (before < uses.length && (uses[before]?.at ?? 0) < record.startedAt) before++;
    const call = pastCall(record, personId, office, presentAt(uses, before, record, reactions, office));
    if (call) calls.push({ ...call, isOnCall: record.startedAt < busyUntil.at });
    if (record.answeredAt !== null) busyUntil.at = Math.max(busyUntil.at, record.endedAt);
  }
  return calls;
}

function pastCall(
  record: CallRecord,
  personId: string,
  office: OfficeIndex,
  present: readonly PresentAt[],
): Omit<PastCall, 'isOnCall'> | null {
  const { trace } = record;
  if (record.direction !== 'in' || trace?.ownerId !== personId) return null;
  const taken = record.path.find(({ ended }) => ended === 'answered');
  return {
    id: record.id,
    at: record.startedAt,
    lineId: record.lineId,
    caller: {
      number: record.other.personId === null ? record.other.number : null,
      personId: record.other.personId,
    },
    situationId: trace.situationId ?? null,
    waitedSeconds: taken ? taken.toSeconds : (record.endedAt - record.startedAt) / 1000,
    reachedFinish: record.finish !== null,
    answered: taken
      ? {
          deviceId: taken.deviceId === null ? null : office.phoneOf(taken.deviceId),
          number: taken.number,
          afterSeconds: taken.toSeconds - taken.fromSeconds,
        }
      : null,
    presentAt: present,
  };
}

/** The phones used last before and next after the call, if that was not long. */
function presentAt(
  uses: readonly Use[],
  before: number,
  { startedAt }: CallRecord,
  reactions: ReadonlyMap<string, number>,
  office: OfficeIndex,
): PresentAt[] {
  const found = new Set<string>();
  for (const use of [uses[before - 1], uses[before]])
    if (use && Math.abs(use.at - startedAt) <= nearMs && office.devices.has(use.deviceId))
      found.add(use.deviceId);
  return [...found].map((deviceId) => ({
    deviceId,
    reactionSeconds: reactions.get(deviceId) ?? usualReactionSeconds,
  }));
}

/** The middle of the seconds in which each device was lifted. */
function reactionsOf(records: readonly CallRecord[], office: OfficeIndex): Map<string, number> {
  const all = new Map<string, number[]>();
  for (const { path } of records)
    for (const { deviceId, ended, fromSeconds, toSeconds } of path) {
      if (ended !== 'answered' || deviceId === null) continue;
      const phone = office.phoneOf(deviceId);
      all.set(phone, [...(all.get(phone) ?? []), toSeconds - fromSeconds]);
    }
  return new Map(
    [...all].map(([deviceId, seconds]) => {
      const sorted = seconds.sort((a, b) => a - b);
      return [deviceId, sorted[Math.floor(sorted.length / 2)] ?? usualReactionSeconds];
    }),
  );
}
