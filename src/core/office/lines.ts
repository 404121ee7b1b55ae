import type { OfficeIndex } from '@/core/setup';

/** A line's texts and faxes are for whose it is: its owner, or the members of the team that owns it. */
export function usesLine(personId: string, lineId: string, office: OfficeIndex): boolean {
  const ownerId = office.lines.get(lineId)?.ownerId ?? '';
  return ownerId === personId || (office.teams.get(ownerId)?.memberIds.includes(personId) ?? false);
}

/** All who use a line. */
export function usersOfLine(lineId: string, office: OfficeIndex): readonly string[] {
  const ownerId = office.lines.get(lineId)?.ownerId ?? '';
  return office.teams.get(ownerId)?.memberIds ?? (office.people.has(ownerId) ? [ownerId] : []);
}

export const isOfTeam = (personId: string, teamId: string, office: OfficeIndex): boolean =>
  office.teams.get(teamId)?.memberIds.includes(personId) ?? false;
