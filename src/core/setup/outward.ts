import { z } from 'zod';

import { numberingPlan, type NumberingPlan } from '@/core/numbers/numbering';
import { formatMoney, rateFor } from '@/core/numbers/rates';
import { isInWindows } from '@/core/shared/time';
import type { OfficeSetup } from './setup';
import { weekWindowSchema } from './when';

/** Which numbers outside people may call, beside those that nobody may. Emergency numbers can always be called. */
export const outwardSchema = z.object({
  /** Countries that may be called beside the own one, by how their numbers begin: "+353"; left out: all. */
  countries: z.array(z.string().regex(/^\+\d{1,4}$/)).optional(),
  /** Dearer ones are not called, in millionths of the office's currency a minute; left out: any are. */
  mostPerMinuteMicros: z.number().int().min(0).optional(),
  /** When no other country is called, by the office's clock. */
  lockedAbroad: z.array(weekWindowSchema).optional(),
  /** Whom none of this binds. */
  exceptIds: z.array(z.string()).optional(),
});
export type Outward = z.infer<typeof outwardSchema>;

/** Who would call, and when: whose plan it is where a plan does. */
export interface Calling {
  personId: string | null;
  /** Epoch milliseconds; null: at some time, whatever is locked at others. */
  at: number | null;
}

/** Whether a number, as E.164, is one of another country. Short numbers are the own country's. */
export const isAbroad = (number: string, { homeCallingCode }: NumberingPlan): boolean =>
  number.startsWith('+') && !number.startsWith(`+${homeCallingCode}`);

/**
 * Why the office does not let a number be called (barring of outgoing calls: 3GPP TS 22.088; RFC 5359 §2.14), as which numbers these are:
 * "numbers in Ireland"; null where it does.
 *
 * @param number E.164, or a short number of the network
 */
export function whyNotCalled(
  { policies, rates, zone, numbering }: Pick<OfficeSetup, 'policies' | 'rates' | 'zone' | 'numbering'>,
  number: string,
  { personId, at }: Calling,
): string | null {
  const barred = policies.barred.find(({ prefix }) => number.startsWith(prefix));
  if (barred) return barred.why;
  const { outward } = policies;
  if (!outward || !number.startsWith('+') || outward.exceptIds?.includes(personId ?? '')) return null;
  const { countries, mostPerMinuteMicros, lockedAbroad = [] } = outward;
  const rate = rateFor(rates, number);
  if (isAbroad(number, numberingPlan(numbering))) {
    const where = rate && rate.prefix.length > 1 ? `numbers in ${rate.name}` : 'numbers of that country';
    if (countries && !countries.some((prefix) => number.startsWith(prefix))) return where;
    if (at !== null && isInWindows(at, lockedAbroad, zone)) return 'numbers abroad at this hour';
  }
  const isDear = mostPerMinuteMicros !== undefined && (rate?.perMinuteMicros ?? 0) > mostPerMinuteMicros;
  return isDear
    ? `numbers that cost more than ${formatMoney(mostPerMinuteMicros, rates.currency)} a minute`
    : null;
}
