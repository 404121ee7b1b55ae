import type { CourseEnd, FigureCall, FigureStop } from './calls';

/**
 * What a call can be at on its way: the line it came by, a team's hours, a team, a menu, a conference, somebody's ring plan by a line of theirs, or by their
 * extension: rules that are for lines are then not asked.
 */
export interface Through {
  kind: 'line' | 'hours' | 'team' | 'menu' | 'conference' | 'person' | 'extension';
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
