import { z } from 'zod';

import { e164Schema } from '@/core/setup';

const contactNumberSchema = z.object({
  label: z.string(),
  number: e164Schema,
  /** What follows it, as parameters of a tel URI (RFC 3966): ";ext=42", ";postd=pp42". */
  tail: z.string().optional(),
});
export type ContactNumber = z.infer<typeof contactNumberSchema>;

export const contactSchema = z.object({
  id: z.string(),
  name: z.string(),
  /** Firm or place, where the name is a person's. */
  firm: z.string().nullable(),
  numbers: z.array(contactNumberSchema),
});
/** Somebody outside the office. */
export type Contact = z.infer<typeof contactSchema>;

export const fieldsSchema = contactSchema.omit({ id: true }).extend({
  mails: z.array(z.string()),
  /** Addresses, one line each. */
  places: z.array(z.string()),
  groups: z.array(z.string()),
  note: z.string(),
  /** How a kept picture is named, or where it is; null for none. */
  photo: z.string().nullable(),
  /** What a vCard said that is not understood, to be written out again. */
  kept: z.array(z.string()),
});
/** All that can be known of somebody. */
export type Fields = z.infer<typeof fieldsSchema>;
export type Field = Exclude<keyof Fields, 'kept'>;

export const emptyFields = (): Fields => ({
  name: '',
  firm: null,
  numbers: [],
  mails: [],
  places: [],
  groups: [],
  note: '',
  photo: null,
  kept: [],
});

export const cardSchema = fieldsSchema.extend({
  id: z.string(),
  /** Which source tells of them; "own" for what the worker wrote or brought in. */
  sourceId: z.string(),
  /** Under which key the source has them. */
  sourceKey: z.string().nullable(),
});
/** Somebody as one source tells of them. A sync changes it; what the worker changes is kept apart (see Changes). */
export type Card = z.infer<typeof cardSchema>;

/** Cards are kept a hundred together: reading thousands takes few reads, and a change writes little. */
export const peopleBlockSchema = z.object({ id: z.string(), cards: z.array(cardSchema) });
export type PeopleBlock = z.infer<typeof peopleBlockSchema>;
export const fullBlock = 100;

export const ownSource = 'own';
export const officeSource = 'office';

export const changesSchema = z.object({
  /** Of the contact. */
  id: z.string(),
  fields: fieldsSchema.omit({ kept: true }).partial(),
});
/** What the worker changed of a contact: it wins over every source until it is given back. */
export type Changes = z.infer<typeof changesSchema>;

export const joinSchema = z.object({
  id: z.string(),
  /** The contact keeps the first one's id. */
  cardIds: z.array(z.string()).min(2),
  /** false: the worker said that they are not the same, so that it is not asked again. */
  isSame: z.boolean(),
});
/** Cards that are one person, or that are not though they look alike. Taking it away parts them again. */
export type Join = z.infer<typeof joinSchema>;

/** What the number is dialled as, with what follows it. */
export const dialledAs = ({ number, tail }: Pick<ContactNumber, 'number' | 'tail'>): string =>
  tail ? `tel:${number}${tail}` : number;
