import { z } from 'zod';

import { newOfficeSchema, type NewOffice } from '@/core/setup';
import { interpretDialled, isExternal, ukOfficePlan } from '@/core/numbers/numbering';

/** What is filled in to begin an office; the number as it is written here. */
export const beginFormSchema = newOfficeSchema.omit({ number: true }).extend({
  written: z
    .string()
    .refine((written) => numberOf(written) !== null, 'Type a whole phone number, for example 01632 960150.'),
});
export type BeginForm = z.infer<typeof beginFormSchema>;

export const blankForm = (zone: string): BeginForm => ({
  ...{ name: '', personName: '', extension: '201', zone },
  ...{ lineName: 'Main', written: '01632 960150' },
});

export const asNewOffice = ({ written, ...rest }: BeginForm): NewOffice => ({
  ...rest,
  number: numberOf(written) ?? '',
});

function numberOf(written: string): string | null {
  const dialled = interpretDialled(written, ukOfficePlan);
  return isExternal(dialled) && !dialled.extension && !dialled.postDial ? dialled.e164 : null;
}
