import { isLive, type Call } from '@/core/calls/exchange';
import { keyOf, type Through } from '@/core/calls/figures';
import type { OfficeIndex } from '@/core/setup';
import { placesOf } from './places';

/** How many calls that came by one of these lines are at each place of the route now, by its key: at the last that they came to, also while they talk there. */
export function liveAt(
  calls: Iterable<Call>,
  lineIds: readonly string[],
  office: OfficeIndex,
): Map<string, number> {
  const at = new Map<string, number>();
  for (const { course, legs } of calls) {
    const isThere = legs.some((leg) => leg.role === 'caller' && isLive(leg));
    const [first] = course;
    const last = course.at(-1);
    if (!isThere || !last || !lineIds.includes(first?.lineId ?? '')) continue;
    const { ownerId, isClosed = false, lineId } = last;
    const places: Through[] = placesOf({ ownerId, isClosed, isByLine: lineId !== null }, office);
    const place = places.at(-1);
    if (place) at.set(keyOf(place), (at.get(keyOf(place)) ?? 0) + 1);
  }
  return at;
}
