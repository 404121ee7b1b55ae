import { z } from 'zod';

import { homeCountries } from './countries';

const serviceSchema = z.string().regex(/^\d{2}$/, 'A code is two figures.');

/** What an office says of its numbers; the rest follows from its country. */
export const numberingSchema = z.object({
  /** ISO 3166-1, two letters: numbers are read and written as they are there. */
  country: z.enum(homeCountries),
  /** What else help is called by, beside the country's own numbers, which always do. */
  emergency: z.array(z.string().regex(/^\d{2,6}$/)).min(1),
  /** All extensions begin with one of these, and have so many figures. */
  extensions: z
    .object({
      begin: z.array(z.string().regex(/^[1-9]\d?$/)).min(1),
      least: z.number().int().min(3).max(5),
      most: z.number().int().min(3).max(5),
    })
    .refine(({ least, most }) => least <= most),
  /** Dialled after a star: take a parked call, pick up in the own team, pick up at an extension, come into a call by its code, listen to a mailbox. */
  services: z
    .object({
      unpark: serviceSchema,
      pickUpGroup: serviceSchema,
      pickUp: serviceSchema,
      join: serviceSchema,
      /** Left out by earlier versions: the first of some that is free. */
      mailbox: serviceSchema.optional(),
    })
    .refine((codes) => new Set(Object.values(codes)).size === Object.keys(codes).length),
});
export type Numbering = z.infer<typeof numberingSchema>;

/** What holds in an office that says nothing else: one in the United Kingdom whose extensions begin with 2. */
export const ukNumbering: Numbering = {
  country: 'GB',
  emergency: ['999', '112'],
  extensions: { begin: ['2'], least: 3, most: 5 },
  services: { unpark: '84', pickUpGroup: '85', pickUp: '86', join: '87', mailbox: '88' },
};
