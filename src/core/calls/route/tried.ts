import type { Place, Through } from '@/core/calls/figures';
import type { Journey } from '@/core/plans/routing';
import type { OfficeIndex } from '@/core/setup';
import { endAt } from './exits';
import { placesOf } from './places';

/** All that a tried call goes by where nobody takes it, from its line to its finish. */
export function placesOfJourney({ stops, finish }: Journey, lineId: string, office: OfficeIndex): Place[] {
  const through: Through[] = [{ kind: 'line', id: lineId }];
  for (const { trace } of stops) {
    // A menu that is heard again is no other place.
    if (through.at(-1)?.id === trace.ownerId) continue;
    const isClosed = trace.steps.some(({ kind }) => kind === 'teamClosed');
    const { ownerId, lineId: byLine } = trace;
    through.push(...placesOf({ ownerId, isClosed, isByLine: byLine !== null }, office));
  }
  const after = through.at(-1) ?? { kind: 'line', id: lineId };
  return [...through, finish === null ? { kind: 'circle', after } : endAt(finish, after)];
}
