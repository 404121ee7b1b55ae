import { interpretDialled, isDialable } from '@/core/numbers/numbering';
import type { OfficeIndex } from '@/core/setup';

/** What something dialled reaches: whose plan decides, a team, a menu or a conference, or a number outside. */
export type Reached =
  | { kind: 'person' | 'team' | 'menu' | 'conference'; ownerId: string; lineId: string | null }
  | { kind: 'number'; number: string }
  | { kind: 'nobody' };

/** Reads what a forward or a menu's key dials, as the exchange will. */
export function reachedBy(to: string, office: OfficeIndex): Reached {
  const dialled = interpretDialled(to, office.plan);
  if (!isDialable(dialled)) return { kind: 'nobody' };
  switch (dialled.kind) {
    case 'extension': {
      const { extension } = dialled;
      const owner =
        office.peopleByExtension.get(extension) ??
        office.teamsByExtension.get(extension) ??
        office.menusByExtension.get(extension) ??
        office.conferencesByExtension.get(extension);
      return owner ? ownedBy(owner.id, null, office) : { kind: 'nobody' };
    }
    case 'national':
    case 'international': {
      const line = office.linesByNumber.get(dialled.e164);
      return line ? ownedBy(line.ownerId, line.id, office) : { kind: 'number', number: dialled.e164 };
    }
    default:
      return { kind: 'nobody' };
  }
}

function ownedBy(ownerId: string, lineId: string | null, office: OfficeIndex): Reached {
  if (office.teams.has(ownerId)) return { kind: 'team', ownerId, lineId };
  if (office.conferences.has(ownerId)) return { kind: 'conference', ownerId, lineId };
  return { kind: office.menus.has(ownerId) ? 'menu' : 'person', ownerId, lineId };
}
