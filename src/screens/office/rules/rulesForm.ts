import { z } from 'zod';

import { homeCountries, servicesOf, type Numbering } from '@/core/numbers/numbering';
import { hoursWords, readHours } from '@/core/plans/hours';
import { isZone, keptKinds, type KeptKind, type OfficeSetup, type Outward } from '@/core/setup';
import { editOf, type Edit } from '@/core/setup/edits';

const seconds = z.number().int().positive();

const keptField = z.enum(['30', '60', '365', 'free']);

const codeField = z
  .string()
  .trim()
  .regex(/^\d{2}$/, 'A code is two figures, dialled after a star.');

const fields = z.object({
  name: z.string().trim().min(1, 'Say what the office is called.').max(60, 'That is too long.'),
  zone: z.string().trim().refine(isZone, 'There is no such time zone. They are written like Europe/London.'),
  country: z.enum(homeCountries),
  /** Separated by commas, as what extensions begin with is. */
  emergency: z
    .string()
    .refine((text) => partsOf(text).length > 0, 'Help has to be called by some number.')
    .refine(
      (text) => partsOf(text).every((number) => /^\d{2,6}$/.test(number)),
      'Each is two to six figures: 999, 112.',
    ),
  extensions: z.object({
    begin: z
      .string()
      .refine(
        (text) => partsOf(text).length > 0 && partsOf(text).every((begin) => /^[1-9]\d?$/.test(begin)),
        'One or two figures each, and no 0 in front: 2, 3.',
      ),
    least: z.number(),
    most: z.number(),
  }),
  services: z.object({
    unpark: codeField,
    pickUpGroup: codeField,
    pickUp: codeField,
    join: codeField,
    mailbox: codeField,
  }),
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
  /** Which other countries may be called, and the beginnings of their numbers, separated by commas. */
  abroad: z.enum(['all', 'some', 'none']),
  countries: z.string().trim(),
  /** In hundredths of the currency; empty: whatever it costs. */
  mostAMinute: z
    .string()
    .trim()
    .regex(/^(\d{1,5}([.,]\d)?)?$/, 'A number such as 20 or 2.5; empty for any price.'),
  /** As they are typed; empty: at no time. */
  locked: z
    .string()
    .trim()
    .superRefine((text, context) => {
      const read = readHours(text);
      if (!read.ok) context.addIssue({ code: 'custom', message: read.sentence });
    }),
  exceptIds: z.array(z.string()),
  /** Days, or "free" where everybody chooses. */
  kept: z.object({ voicemails: keptField, texts: keptField, faxes: keptField, recordings: keptField }),
  transferReturnSeconds: seconds,
  parkSeconds: seconds,
  /** Separated by commas. */
  slots: z
    .string()
    .refine(
      (text) => partsOf(text).every((slot) => /^\d{1,2}$/.test(slot)),
      'Slots are one or two figures each.',
    )
    .refine((text) => new Set(partsOf(text)).size === partsOf(text).length, 'A slot is there twice.'),
});
export const rulesFormSchema = fields.superRefine(({ abroad, countries, extensions, services }, context) => {
  const say = (path: string[], message: string) => context.addIssue({ code: 'custom', path, message });
  if (extensions.least > extensions.most) say(['extensions'], 'The most figures are fewer than the fewest.');
  const codes = Object.entries(services);
  for (const [at, [name, code]] of codes.entries())
    if (codes.slice(0, at).some(([, other]) => other === code))
      say(['services', name], `*${code} does something else already.`);
  if (abroad !== 'some') return;
  const wrong = partsOf(countries).find((prefix) => !/^\+\d{1,4}$/.test(prefix));
  const isNone = partsOf(countries).length === 0;
  const message = isNone
    ? 'Say which: +353 for Ireland.'
    : `“${wrong}” is no beginning of a country’s numbers: +353 is Ireland’s.`;
  if (isNone || wrong !== undefined) say(['countries'], message);
});
export type RulesForm = z.infer<typeof rulesFormSchema>;

const partsOf = (text: string) =>
  text
    .split(',')
    .map((slot) => slot.trim())
    .filter((slot) => slot !== '');

export function asRulesForm({ name, zone, numbering, parkSlots, policies }: OfficeSetup): RulesForm {
  const { mayWithhold = true, barred, transferReturnSeconds, parkSeconds, outward = {} } = policies;
  const { countries, mostPerMinuteMicros: most, lockedAbroad = [], exceptIds = [] } = outward;
  const keptOf = (kind: KeptKind) => {
    const days = String(policies.keptAtMostDays?.[kind] ?? 'free');
    return keptField.safeParse(days).data ?? 'free';
  };
  return {
    kept: {
      ...{ voicemails: keptOf('voicemails'), texts: keptOf('texts') },
      ...{ faxes: keptOf('faxes'), recordings: keptOf('recordings') },
    },
    country: numbering.country,
    emergency: numbering.emergency.join(', '),
    extensions: { ...numbering.extensions, begin: numbering.extensions.begin.join(', ') },
    services: { ...servicesOf(numbering) },
    ...{ name, zone, mayWithhold, transferReturnSeconds, parkSeconds },
    barred: barred.map((each) => ({ ...each })),
    abroad: !countries ? 'all' : countries.length === 0 ? 'none' : 'some',
    countries: countries?.join(', ') ?? '',
    mostAMinute: most === undefined ? '' : String(most / hundredthMicros),
    locked: hoursWords(lockedAbroad),
    exceptIds: [...exceptIds],
    slots: parkSlots.join(', '),
  };
}

const hundredthMicros = 10_000;

/** What is typed of calls out; null where it binds nobody. */
export function outwardOf({ abroad, countries, mostAMinute, locked, exceptIds }: RulesForm): Outward | null {
  const hours = readHours(locked);
  const outward: Outward = {
    ...(abroad !== 'all' && { countries: abroad === 'none' ? [] : partsOf(countries) }),
    ...(mostAMinute !== '' && {
      mostPerMinuteMicros: Math.round(Number(mostAMinute.replace(',', '.')) * hundredthMicros),
    }),
    ...(hours.ok &&
      hours.value.length > 0 && {
        lockedAbroad: hours.value.map((window) => ({ ...window, days: [...window.days] })),
      }),
  };
  if (Object.keys(outward).length === 0) return null;
  return exceptIds.length === 0 ? outward : { ...outward, exceptIds };
}

/** How the office's numbers are, as it is filled in. */
export const numberingOf = ({ country, emergency, extensions, services }: RulesForm): Numbering => ({
  ...{ country, services },
  emergency: partsOf(emergency),
  extensions: { ...extensions, begin: partsOf(extensions.begin) },
});

export function rulesEdits(seen: OfficeSetup, form: RulesForm): Edit[] {
  const { name, zone, mayWithhold, barred, transferReturnSeconds, parkSeconds, slots } = form;
  const { mayWithhold: _, outward: __, keptAtMostDays: ___, ...rest } = seen.policies;
  const bound = keptKinds.flatMap((kind) =>
    form.kept[kind] === 'free' ? [] : [[kind, Number(form.kept[kind])] as const],
  );
  const outward = outwardOf(form);
  const policies = {
    ...{ ...rest, barred, transferReturnSeconds, parkSeconds },
    ...(outward && { outward }),
    ...(bound.length > 0 && { keptAtMostDays: Object.fromEntries(bound) }),
    // Left out: they may.
    ...((!mayWithhold || seen.policies.mayWithhold !== undefined) && { mayWithhold }),
  };
  return (
    [
      ['name', name],
      ['zone', zone],
      ['numbering', numberingOf(form)],
      ['parkSlots', partsOf(slots)],
      ['policies', policies],
    ] as const
  ).map(([id, value]) => editOf(seen, 'office', id, { id, value }));
}
