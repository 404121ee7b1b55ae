import { z } from 'zod';

/**
 * What calls to numbers beginning with `prefix` cost. Money is in millionths of the deck's currency unit, so that
 * sums stay whole numbers.
 */
export const rateSchema = z.object({
  /** E.164 prefix such as "+4477", or a short number such as "101". */
  prefix: z.string().min(1),
  /** What it is called: "UK mobile". */
  name: z.string(),
  perMinuteMicros: z.number().int().min(0),
  connectionFeeMicros: z.number().int().min(0),
  /** Billing increment: a started one is paid whole. */
  incrementSeconds: z.number().int().positive(),
  /** Where a call costs so much that it is worth a warning. */
  isPremium: z.boolean().optional(),
});
export type Rate = z.infer<typeof rateSchema>;

export const rateDeckSchema = z.object({
  /** ISO 4217. */
  currency: z.string().length(3),
  rates: z.array(rateSchema),
});
export type RateDeck = z.infer<typeof rateDeckSchema>;

/** The rate with the longest prefix that fits; null where the deck says nothing. Extensions have none: they are free. */
export function rateFor(deck: RateDeck, number: string): Rate | null {
  let best: Rate | null = null;
  for (const rate of deck.rates) {
    if (number.startsWith(rate.prefix) && rate.prefix.length > (best?.prefix.length ?? 0)) best = rate;
  }
  return best;
}

/** What a talk of that length costs, in millionths. A call that was not answered (0 ms) costs nothing. */
export function costMicros(rate: Rate | null, talkMs: number): number {
  if (!rate || talkMs <= 0) return 0;
  const increments = Math.ceil(talkMs / 1000 / rate.incrementSeconds);
  const perIncrement = (rate.perMinuteMicros * rate.incrementSeconds) / 60;
  return rate.connectionFeeMicros + Math.round(increments * perIncrement);
}

/** "0.9 p/min", "£1.20/min + 5 p", "free": for people in the deck's country. */
export function describeRate(rate: Rate | null, currency: string): string {
  if (!rate) return 'price unknown';
  if (rate.perMinuteMicros === 0 && rate.connectionFeeMicros === 0) return 'free';
  const fee = rate.connectionFeeMicros > 0 ? ` + ${formatMoney(rate.connectionFeeMicros, currency)}` : '';
  return `${formatMoney(rate.perMinuteMicros, currency)}/min${fee}`;
}

/** Money as it is said: below one unit in hundredths ("0.9 p"), else in units ("£1.20"). */
export function formatMoney(micros: number, currency: string): string {
  if (currency === 'GBP' && micros < 1_000_000) {
    const pence = micros / 10_000;
    return `${Number(pence.toFixed(pence < 10 ? 1 : 0))} p`;
  }
  return new Intl.NumberFormat('en-GB', { style: 'currency', currency }).format(micros / 1_000_000);
}
