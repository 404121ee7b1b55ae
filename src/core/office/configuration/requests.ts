import { z } from 'zod';

import { addressSchema } from '@/core/setup';
import type { OfficeProblem, SetupRefusal } from '@/core/setup/changes';
import { editSchema } from '@/core/setup/edits';

import type { ReplyOr } from '../handling';

/** What whoever runs the office may ask of how it is configured. */
export const configurationRequestSchema = z.discriminatedUnion('type', [
  /** All of it or nothing, in force at once. */
  z.object({ type: z.literal('changeOffice'), edits: z.array(editSchema).min(1) }),
  /** Takes one change back; what was changed since stays. */
  z.object({ type: z.literal('undoChange'), entryId: z.string() }),
  /** Everything as it was before that change and all after it. */
  z.object({ type: z.literal('goBackBefore'), entryId: z.string() }),
  /** By whose phone it is too: where help is sent that is called from it. */
  z.object({ type: z.literal('setPlace'), deviceId: z.string(), address: addressSchema }),
]);
export type ConfigurationRequest = z.input<typeof configurationRequestSchema>;
export type ReadConfigurationRequest = z.infer<typeof configurationRequestSchema>;

/** Why nothing was changed. */
export type ConfigurationRefusal =
  | SetupRefusal
  | { code: 'notYours'; what: 'office' }
  /** The office could not be run so. */
  | { code: 'badOffice'; problems: readonly OfficeProblem[] }
  /** Whoever asks would be out of the office at once. */
  | { code: 'yourself' }
  | { code: 'unknownPhone' }
  /** Whoever is sent there could not read it. */
  | { code: 'badAddress'; sentence: string };

export type ConfigurationReply = ReplyOr<ConfigurationRefusal>;
