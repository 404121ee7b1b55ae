import type { CourseEnd, FigureStop, Place, Through } from '@/core/calls/figures';
import type { OfficeIndex } from '@/core/setup';

/** Whose plan, which team behind its hours, which menu, or which conference: what a call passes where it comes to that owner. */
export function placesOf({ ownerId, isClosed, isByLine }: FigureStop, office: OfficeIndex): Through[] {
  if (office.ever.conferences.has(ownerId)) return [{ kind: 'conference', id: ownerId }];
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
