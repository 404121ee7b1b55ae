import type { Fax } from '@/core/inbox/fax';
import type { OfficeIndex } from '@/core/setup';

import { usesLine } from '../lines';
import type { OfficeFax } from './entity';

/**
 * The fax from one person's side; null where they see nothing of it. How one goes out only its sender sees; whoever uses the line
 * sees what came in on it, and what a colleague has sent from it.
 */
export function viewOfFax(fax: OfficeFax, personId: string, office: OfficeIndex): Fax | null {
  const { fromId, readBy, ...rest } = fax;
  const readAt = readBy[personId] ?? null;
  if (fromId === personId) return { ...rest, direction: 'out', fromId: null, readAt };
  // What somebody has read stays theirs when the line becomes another's.
  if (!usesLine(personId, fax.lineId, office) && readAt === null) return null;
  if (fromId === null) return { ...rest, direction: 'in', fromId: null, readAt };
  return fax.state === 'done' ? { ...rest, direction: 'out', fromId, readAt } : null;
}
