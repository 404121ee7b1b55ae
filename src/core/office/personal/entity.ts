import type { z } from 'zod';

/** What one person keeps for themselves, whatever it is: a contact, a note, a place that is told. */
export interface PersonalRow {
  id: string;
}

/** A row with whose it is, among what sort of rows. */
export interface OwnedRow {
  ownerId: string;
  sort: string;
  row: PersonalRow;
}

/** Of each sort the schema that its rows pass, before they are kept and before they are told. */
export type PersonalSorts = Readonly<Record<string, z.ZodType<PersonalRow>>>;

/** As an earlier run has kept it. */
export interface KeptPersonal {
  sorts: PersonalSorts;
  /** Nobody's (null) are of a time when an office had one person. */
  rows: readonly (Omit<OwnedRow, 'ownerId'> & { ownerId: string | null })[];
}

/** Two people may keep rows of the same id. */
export const ownedIdOf = ({ sort, ownerId, row }: OwnedRow): string =>
  JSON.stringify([sort, ownerId, row.id]);

export function partsOfOwnedId(id: string): { sort: string; ownerId: string; rowId: string } {
  const [sort = '', ownerId = '', rowId = ''] = JSON.parse(id) as string[];
  return { sort, ownerId, rowId };
}
