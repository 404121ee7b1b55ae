import { z } from 'zod';

import { emptyOffice, freeNumbers, newOfficeSchema, type NewOffice } from '@/core/setup';
import {
  formatNumber,
  homeCountries,
  type HomeCountry,
  interpretDialled,
  isExternal,
  numberingPlan,
  ukNumbering,
} from '@/core/numbers/numbering';

/** What is filled in to begin an office; the number as it is written here. */
export const beginFormSchema = newOfficeSchema
  .omit({ number: true })
  .extend({ country: z.enum(homeCountries), written: z.string() })
  .superRefine((form, context) => {
    if (numberOf(form) === null)
      context.addIssue({
        ...{ code: 'custom', path: ['written'] },
        message: wantedWords(form.country),
      });
  });
export type BeginForm = z.infer<typeof beginFormSchema>;

function wantedWords(country: HomeCountry): string {
  const { homeCallingCode } = numberingPlan({ ...ukNumbering, country });
  return `Type a whole phone number, for example ${exampleOf(country) || `+${homeCallingCode} and the rest`}.`;
}

export const blankForm = (zone: string, country: HomeCountry = 'GB'): BeginForm => ({
  ...{ name: '', personName: '', extension: '201', zone },
  ...{ country, lineName: 'Main', written: exampleOf(country) },
});

export function asNewOffice(form: BeginForm): NewOffice {
  const { written: _, ...rest } = form;
  return { ...rest, number: numberOf(form) ?? '' };
}

/** A number as it is written there that nobody has; empty where none is kept free for that. */
export function exampleOf(country: HomeCountry): string {
  if (country === 'GB') return '01632 960150';
  const numbering = { ...ukNumbering, country };
  const [free] = freeNumbers({ ...emptyOffice, numbering }, 'town', 1);
  return free === undefined ? '' : formatNumber(free, numberingPlan(numbering));
}

function numberOf({ written, country }: Pick<BeginForm, 'written' | 'country'>): string | null {
  const dialled = interpretDialled(written, numberingPlan({ ...ukNumbering, country }));
  return isExternal(dialled) && !dialled.extension && !dialled.postDial ? dialled.e164 : null;
}
