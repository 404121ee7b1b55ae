import { z } from 'zod';

import type { Conference, OfficeSetup } from '@/core/setup';
import { freeExtension } from '@/core/setup/changes';
import { editOf, freeId, type Edit } from '@/core/setup/edits';
import { weaknessOf } from '@/core/shared/pins';

const pin = z
  .string()
  .trim()
  .superRefine((typed, context) => {
    const message = weaknessOf(typed);
    if (message !== null) context.addIssue({ code: 'custom', message });
  });

export const conferenceFormSchema = z.object({
  name: z.string().trim().min(1, 'Say what the conference is called.').max(60, 'That is too long.'),
  extension: z.string().trim().min(1, 'Give the conference an extension.'),
  pin,
  hostPin: pin,
  waitsForHost: z.boolean(),
  opensForOffice: z.boolean(),
});
export type ConferenceForm = z.infer<typeof conferenceFormSchema>;

const pinDigits = 6;

/** A PIN that is not easily guessed. */
export function newPin(random: () => number = secureDigit): string {
  for (;;) {
    const proposed = Array.from({ length: pinDigits }, random).join('');
    if (weaknessOf(proposed) === null) return proposed;
  }
}

/** Each digit as likely as any other: what would favour some is drawn again. */
function secureDigit(): number {
  const [drawn = 0] = crypto.getRandomValues(new Uint8Array(1));
  return drawn < 250 ? drawn % 10 : secureDigit();
}

/** What something new begins with; of a conference that is there, how it is. */
export function asConferenceForm(setup: OfficeSetup, conference: Conference | null): ConferenceForm {
  if (!conference)
    return {
      ...{ name: '', extension: freeExtension(setup) ?? '' },
      ...{ pin: newPin(), hostPin: newPin(), waitsForHost: false, opensForOffice: true },
    };
  const { id: _, ...form } = conference;
  return form;
}

export function conferenceEdits(
  seen: OfficeSetup,
  conference: Conference | null,
  form: ConferenceForm,
): Edit[] {
  const id = conference?.id ?? freeId(seen, 'conferences', 'c');
  return [editOf(seen, 'conferences', id, { id, ...form })];
}
