import { useMemo } from 'react';

import type { OfficeIndex } from '@/core/office';
import { weekOf, type Caller } from '@/core/routing';
import { startOfLocalDay, shiftLocalDays } from '@/core/time';
import { selectOffice, selectZone, useAppSelector, useNow } from '@/state/app';
import type { RingTrack } from '@/ui/scale';

import { shortTargetName } from '../shared/targetWords';

export const myExtension = 'extension';

/** Kinds of callers a plan can tell apart. */
export const callers = [
  { kind: 'unknown', word: 'somebody unknown' },
  { kind: 'starred', word: 'somebody starred' },
  { kind: 'withheld', word: 'a withheld caller' },
  { kind: 'colleague', word: 'a colleague' },
] as const;
export type CallerKind = (typeof callers)[number]['kind'];

/** A number kept free for drama, which nobody has. */
const nobodysNumber = '+447700900999';

/** The call as it would go now, and the same for every instant of the next seven days. */
export function useTriedCall(lineChoice: string, callerKind: CallerKind) {
  const office = useAppSelector(selectOffice);
  const zone = useAppSelector(selectZone);
  const myId = useAppSelector((state) => state.office.me?.personId ?? '');
  const now = useNow(60_000);
  return useMemo(() => {
    const lineId = lineChoice === myExtension ? null : lineChoice;
    const called = { ownerId: myId, lineId, caller: callerOf(callerKind, office, myId) };
    const span = { from: now, to: shiftLocalDays(startOfLocalDay(now, zone), 7, zone) };
    const week = weekOf(office, called, span);
    const [first] = week;
    if (!first) throw new Error('A week has a beginning');
    const { trace } = first;
    const tracks = trace.legs.map((leg): RingTrack => ({
      key: `${leg.stage} ${leg.deviceId ?? leg.number}`,
      label: shortTargetName(leg, office, myId),
      fromSeconds: leg.fromSeconds,
      toSeconds: leg.toSeconds,
      word: leg.acceptKey ? 'key' : undefined,
      state: 'toCome',
    }));
    return { trace, week, tracks };
  }, [office, zone, myId, now, lineChoice, callerKind]);
}

function callerOf(kind: CallerKind, office: OfficeIndex, myId: string): Caller {
  switch (kind) {
    case 'unknown':
      return { number: nobodysNumber, personId: null };
    case 'starred':
      return {
        number: office.setup.callerGroups.find(({ starred }) => starred)?.numbers[0] ?? nobodysNumber,
        personId: null,
      };
    case 'withheld':
      return { number: null, personId: null };
    case 'colleague':
      return { number: null, personId: office.setup.people.find(({ id }) => id !== myId)?.id ?? null };
  }
}
