import type { RateDeck } from '@/core/numbers/rates';

const rate = (
  prefix: string,
  name: string,
  penceAMinute: number,
  connectionPence = 0,
  incrementSeconds = 1,
): RateDeck['rates'][number] => ({
  prefix,
  name,
  perMinuteMicros: Math.round(penceAMinute * 10_000),
  connectionFeeMicros: Math.round(connectionPence * 10_000),
  incrementSeconds,
});

/** What the sample's carrier asks. Prices are invented. */
export const sampleRates: RateDeck = {
  currency: 'GBP',
  rates: [
    rate('+44', 'UK', 0.9),
    rate('+447', 'UK mobile', 2.4),
    rate('+44808', 'UK freephone', 0),
    rate('+443', 'UK non-geographic', 1.1),
    { ...rate('+449', 'UK premium', 120, 5, 60), isPremium: true },
    rate('+1', 'North America', 1.6),
    rate('+61', 'Australia', 2.9, 1, 6),
    rate('+614', 'Australia mobile', 7.5, 1, 6),
    rate('+353', 'Ireland', 1.9),
    rate('+', 'elsewhere abroad', 38, 5, 30),
    rate('101', 'police, not urgent', 0, 15),
    rate('112', 'emergency', 0),
    rate('999', 'emergency', 0),
  ],
};
