import { z } from 'zod';

import { isZone, type OfficeSetup } from '@/core/setup';
import { editOf, type Edit } from '@/core/setup/edits';

const seconds = z.number().int().positive();

export const rulesFormSchema = z.object({
  name: z.string().trim().min(1, 'Say what the office is called.').max(60, 'That is too long.'),
  zone: z.string().trim().refine(isZone, 'There is no such time zone. They are written like Europe/London.'),
  mayWithhold: z.boolean(),
  barred: z.array(
    z.object({
      prefix: z
        .string()
        .trim()
        .regex(/^\+\d{1,15}$/, 'Begin with + and the country: +4490 for premium numbers here.'),
      why: z.string().trim().min(1, 'Say why, for whoever dials one.'),
    }),
  ),
  transferReturnSeconds: seconds,
  parkSeconds: seconds,
  /** Separated by commas. */
  slots: z
    .string()
    .refine(
      (text) => slotsOf(text).every((slot) => /^\d{1,2}$/.test(slot)),
      'Slots are one or two figures each.',
    )
    .refine((text) => new Set(slotsOf(text)).size === slotsOf(text).length, 'A slot is there twice.'),
});
export type RulesForm = z.infer<typeof rulesFormSchema>;

const slotsOf = (text: string) =>
  text
    .split(',')
    .map((slot) => slot.trim())
    .filter((slot) => slot !== '');

export function asRulesForm({ name, zone, parkSlots, policies }: OfficeSetup): RulesForm {
  const { mayWithhold = true, barred, transferReturnSeconds, parkSeconds } = policies;
  return {
    ...{ name, zone, mayWithhold, transferReturnSeconds, parkSeconds },
    barred: barred.map((each) => ({ ...each })),
    slots: parkSlots.join(', '),
  };
}

export function rulesEdits(seen: OfficeSetup, form: RulesForm): Edit[] {
  const { name, zone, mayWithhold, barred, transferReturnSeconds, parkSeconds, slots } = form;
  const { mayWithhold: _, ...rest } = seen.policies;
  const policies = {
    ...{ ...rest, barred, transferReturnSeconds, parkSeconds },
    // Left out: they may.
    ...((!mayWithhold || seen.policies.mayWithhold !== undefined) && { mayWithhold }),
  };
  return (
    [
      ['name', name],
      ['zone', zone],
      ['parkSlots', slotsOf(slots)],
      ['policies', policies],
    ] as const
  ).map(([id, value]) => editOf(seen, 'office', id, { id, value }));
}
