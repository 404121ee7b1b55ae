import { z } from 'zod';

import { setupEntrySchema, type SetupEntry } from '@/core/setup/edits';

import { rowsSeen } from '../rows';
import type { Configuration, SetupLogChange } from './Configuration';

export const seenSetupLogSchema = z.union([
  z.object({ table: z.literal('setupLog'), put: setupEntrySchema }),
  z.object({ table: z.literal('setupLog'), gone: z.string() }),
]);

const reads = (personId: string, { office }: Configuration) =>
  office.people.get(personId)?.administers === true;

/** What somebody is told of changes of the office: whoever runs it everything, everybody else nothing. */
export const setupLogSeen = (
  changes: readonly SetupLogChange[],
  personId: string,
  configuration: Configuration,
) => rowsSeen(changes, configuration.all, (entry) => (reads(personId, configuration) ? entry : null));

/** All of them that somebody sees now. */
export const wholeSetupLogSeen = (personId: string, configuration: Configuration): SetupEntry[] =>
  reads(personId, configuration) ? [...configuration.all.values()] : [];
