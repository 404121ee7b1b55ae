import type { CourseEnd, FigureCall, FigureStop } from '@/core/calls/figures';
import type { OfficeIndex } from '@/core/setup';

/**
 * What a call can be at on its way: the line it came by, a team's hours, a team, a menu, somebody's ring plan by a line of theirs, or by their
 * extension: rules that are for lines are then not asked.
 */
export interface Through {
  kind: 'line' | 'hours' | 'team' | 'menu' | 'person' | 'extension';
  id: string;
}
/** Where it ends, and from what it came there; `circle`: it would go round to where it was before. */
export interface End {
  kind: CourseEnd | 'circle';
  after: Through;
}
export type Place = Through | End;

export const isEnd = (place: Place): place is End => 'after' in place;

/** The same for the same place. */
export const keyOf = (place: Place): string =>
  isEnd(place) ? `${place.after.kind}/${place.after.id}>${place.kind}` : `${place.kind}/${place.id}`;

/** Whose plan, which team behind its hours, or which menu: what a call passes where it comes to that owner. */
export function placesOf({ ownerId, isClosed, isByLine }: FigureStop, office: OfficeIndex): Through[] {
  if (office.ever.menus.has(ownerId)) return [{ kind: 'menu', id: ownerId }];
  if (!office.ever.teams.has(ownerId)) return [{ kind: isByLine ? 'person' : 'extension', id: ownerId }];
  const team: Through = { kind: 'team', id: ownerId };
  const hours: Through = { kind: 'hours', id: ownerId };
  if (isClosed) return [hours];
  return office.teams.get(ownerId)?.hours ? [hours, team] : [team];
}

/** All that a call went by, from its line to its end. */
export function wayOf(
  { lineId, stops, end }: { lineId: string; stops: readonly FigureStop[]; end: CourseEnd },
  office: OfficeIndex,
): Place[] {
  const through: Through[] = [{ kind: 'line', id: lineId }];
  for (const stop of stops) through.push(...placesOf(stop, office));
  return [...through, { kind: end, after: through.at(-1) ?? { kind: 'line', id: lineId } }];
}

/** Whether a call went by that place, or ended there. */
export function wentBy({ lineId, stops, end }: FigureCall, place: Place): boolean {
  const isAt = (through: Through) => (stop: FigureStop) => stop.ownerId === through.id && isOf(stop, through);
  if (!isEnd(place)) return place.kind === 'line' ? lineId === place.id : stops.some(isAt(place));
  const last = stops.at(-1);
  if (end !== place.kind) return false;
  if (last === undefined) return place.after.kind === 'line' && lineId === place.after.id;
  // Who got past the hours ended elsewhere.
  return isAt(place.after)(last) && (place.after.kind !== 'hours' || last.isClosed);
}

function isOf({ isClosed, isByLine }: FigureStop, { kind }: Through): boolean {
  switch (kind) {
    case 'hours':
      return true;
    case 'person':
      return isByLine;
    case 'extension':
      return !isByLine;
    default:
      return !isClosed;
  }
}
