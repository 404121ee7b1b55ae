import { z } from 'zod';

import { faxSchema, type Fax } from '@/core/inbox/fax';

import type { FaxChange, Faxing } from './Faxing';
import { viewOfFax } from './view';

export const seenFaxingSchema = z.union([
  z.object({ table: z.literal('faxes'), put: faxSchema }),
  z.object({ table: z.literal('faxes'), gone: z.string() }),
]);
type SeenChange = z.infer<typeof seenFaxingSchema>;

/** What somebody is told of changes, with every fax as it is now. */
export function faxingSeen(changes: readonly FaxChange[], personId: string, faxing: Faxing): SeenChange[] {
  const { office, all } = faxing;
  return changes.flatMap(({ id, before }): SeenChange[] => {
    const fax = all.get(id);
    const seen = fax && viewOfFax(fax, personId, office);
    if (seen) return [{ table: 'faxes', put: seen }];
    return before && viewOfFax(before, personId, office) ? [{ table: 'faxes', gone: id }] : [];
  });
}

/** All of them that somebody sees now. */
export const allFaxesSeen = (personId: string, { all, office }: Faxing): Fax[] =>
  [...all.values()].flatMap((fax) => viewOfFax(fax, personId, office) ?? []);
