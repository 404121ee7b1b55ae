import type { z } from 'zod';

import type { PersonalChange } from './Personal';
import type { OwnedRow } from './entity';
import type { personalRowSchema, SeenPersonal } from './requests';

/** What somebody is told of changes: of their own rows. */
export const personalSeen = (changes: readonly PersonalChange[], personId: string): SeenPersonal[] =>
  changes.flatMap(({ before, now }): SeenPersonal[] => {
    const owned = now ?? before;
    if (owned?.ownerId !== personId) return [];
    const { sort, row } = owned;
    return [now ? { table: 'personal', sort, put: { ...row } } : { table: 'personal', sort, gone: row.id }];
  });

/** All of their own rows, with their sort. */
export const allPersonalSeen = (
  personId: string,
  { all }: { all: ReadonlyMap<string, OwnedRow> },
): { sort: string; row: z.infer<typeof personalRowSchema> }[] =>
  [...all.values()].flatMap(({ ownerId, sort, row }) =>
    ownerId === personId ? [{ sort, row: { ...row } }] : [],
  );
