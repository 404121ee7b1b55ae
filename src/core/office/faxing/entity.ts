import { z } from 'zod';

import { faxSchema, type Fax } from '@/core/inbox/fax';

/** A fax as the office has it: once, for all whom it concerns. What each of them sees of it is their `Fax`. */
export const officeFaxSchema = faxSchema.omit({ direction: true, fromId: true, readAt: true }).extend({
  /** Who of the office sends it; null: it came in. */
  fromId: z.string().nullable(),
  /** When (epoch milliseconds) each person has read it, by their ids. */
  readBy: z.record(z.string(), z.number()),
});
export type OfficeFax = z.infer<typeof officeFaxSchema>;

/** As a version kept it in which an office was one person's: from their side. */
export const faxOfOnePersonSchema = z.object({ ofOnePerson: faxSchema });
export const keptFaxSchema = z.union([officeFaxSchema, faxOfOnePersonSchema]);
/** A fax as it may stand in storage. */
export type KeptFax = z.infer<typeof keptFaxSchema>;

/** What the office has of a fax that was kept from one person's side. */
export function faxFromOnePerson(fax: Fax, ownerId: string): OfficeFax {
  const { direction, readAt, ...rest } = fax;
  return {
    ...rest,
    fromId: direction === 'in' ? null : (fax.fromId ?? ownerId),
    readBy: readAt === null ? {} : { [ownerId]: readAt },
  };
}
