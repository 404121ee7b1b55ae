import { z } from 'zod';

import { faxSchema, type Fax } from '@/core/inbox/fax';

import { rowsSeen } from '../rows';
import type { FaxChange, Faxing } from './Faxing';
import { viewOfFax } from './view';

export const seenFaxingSchema = z.union([
  z.object({ table: z.literal('faxes'), put: faxSchema }),
  z.object({ table: z.literal('faxes'), gone: z.string() }),
]);

/** What somebody is told of changes, with every fax as it is now. */
export const faxingSeen = (changes: readonly FaxChange[], personId: string, { office, all }: Faxing) =>
  rowsSeen(changes, all, (fax) => viewOfFax(fax, personId, office));

/** All of them that somebody sees now. */
export const allFaxesSeen = (personId: string, { all, office }: Faxing): Fax[] =>
  [...all.values()].flatMap((fax) => viewOfFax(fax, personId, office) ?? []);
