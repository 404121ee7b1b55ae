import { interpretDialled, isDialable, ukOfficePlan } from '../numbering';
import type { OfficeIndex } from '../office';

/** Whom a forward reaches. */
export type Reached =
  | { kind: 'person'; personId: string; lineId: string | null }
  | { kind: 'team'; teamId: string }
  | { kind: 'number'; number: string }
  | { kind: 'nobody' };

/** Reads what a forward dials, as the exchange will. */
export function reachedBy(to: string, office: OfficeIndex): Reached {
  const dialled = interpretDialled(to, ukOfficePlan);
  if (!isDialable(dialled)) return { kind: 'nobody' };
  switch (dialled.kind) {
    case 'extension': {
      const person = office.peopleByExtension.get(dialled.extension);
      if (person) return { kind: 'person', personId: person.id, lineId: null };
      const team = office.teamsByExtension.get(dialled.extension);
      return team ? { kind: 'team', teamId: team.id } : { kind: 'nobody' };
    }
    case 'national':
    case 'international': {
      const line = office.linesByNumber.get(dialled.e164);
      return line
        ? { kind: 'person', personId: line.ownerId, lineId: line.id }
        : { kind: 'number', number: dialled.e164 };
    }
    default:
      return { kind: 'nobody' };
  }
}
