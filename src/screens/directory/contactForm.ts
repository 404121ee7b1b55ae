import { z } from 'zod';

import type { NumberingPlan } from '@/core/numbers/numbering';
import { emptyFields, readNumber, type ContactNumber } from '@/core/people/contacts';
import type { Write } from '@/state/app';
import type { EditedFields } from '@/state/people';

import { writtenNumber } from '../shared/useFound';

/** Every number's label, in the order they are offered. */
export const numberLabels = ['mobile', 'work', 'home', 'main', 'fax', 'number'] as const;

const writtenSchema = (plan: NumberingPlan) =>
  z.object({
    label: z.string(),
    written: z.string().superRefine((text, context) => {
      const read = text.trim() === '' ? null : readNumber(text, plan);
      if (read?.ok === false) context.addIssue({ code: 'custom', message: read.sentence });
    }),
  });
const mailSchema = z.object({
  value: z.union([z.literal(''), z.email('That is not a mail address: it needs a name, an @ and a place.')]),
});

/** Its numbers as they are written in the office. */
export const contactFormSchema = (plan: NumberingPlan) =>
  z
    .object({
      name: z.string(),
      firm: z.string(),
      numbers: z.array(writtenSchema(plan)),
      mails: z.array(mailSchema),
      places: z.array(z.object({ value: z.string() })),
      groups: z.string(),
      note: z.string(),
      photo: z.string().nullable(),
    })
    .refine(({ name, firm }) => name.trim() !== '' || firm.trim() !== '', {
      path: ['name'],
      message: 'A name or a firm is needed to find them again.',
    });
/** What the form holds: numbers as they are written, lists as rows. */
export type ContactForm = z.infer<ReturnType<typeof contactFormSchema>>;

/** A contact as the form shows it, with a row free in each list. */
export function asForm(fields: EditedFields, write: Write): ContactForm {
  const { name, firm, numbers, mails, places, groups, note, photo } = fields;
  return {
    name,
    firm: firm ?? '',
    numbers: [
      ...numbers.map((number) => asWritten(number, write)),
      ...(numbers.length === 0 ? [{ label: 'mobile', written: '' }] : []),
    ],
    mails: mails.map((value) => ({ value })),
    places: places.map((value) => ({ value })),
    groups: groups.join(', '),
    note,
    photo,
  };
}

const asWritten = (number: ContactNumber, write: Write) => ({
  label: number.label,
  // What can't be written in words stays as it is dialled.
  written: number.tail?.includes(';postd=')
    ? `tel:${number.number}${number.tail}`
    : writtenNumber(number, write),
});

/** What the form says, with the empty rows left out. */
export function fromForm(
  { name, firm, numbers, mails, places, groups, note, photo }: ContactForm,
  plan: NumberingPlan,
): EditedFields {
  const filled = (rows: readonly { value: string }[]) =>
    rows.flatMap(({ value }) => (value.trim() === '' ? [] : [value.trim()]));
  const shown = name.trim() || firm.trim();
  return {
    name: shown,
    firm: firm.trim() === '' || firm.trim() === shown ? null : firm.trim(),
    numbers: numbers.flatMap(({ label, written }) => {
      const read = readNumber(written, plan);
      return read.ok ? [{ label, ...read.number }] : [];
    }),
    mails: filled(mails),
    places: filled(places),
    groups: groups.split(',').flatMap((group) => group.trim() || []),
    note: note.trim(),
    photo,
  };
}

/** Somebody new, perhaps under a number that has called. */
export function blankForm(number: string | null, write: Write): ContactForm {
  const { kept: _, ...fields } = emptyFields();
  const blank = asForm(fields, write);
  return number === null ? blank : { ...blank, numbers: [{ label: 'mobile', written: write(number) }] };
}
