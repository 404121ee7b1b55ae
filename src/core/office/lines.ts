import type { OfficeIndex } from '@/core/setup';

/** A line's texts and faxes are for whose it is: its owner, or the members of the team that owns it. */
export function usesLine(personId: string, lineId: string, office: OfficeIndex): boolean {
  const ownerId = office.lines.get(lineId)?.ownerId ?? '';
  return ownerId === personId || (office.teams.get(ownerId)?.memberIds.includes(personId) ?? false);
}
