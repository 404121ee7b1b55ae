/** What calls cost: longest prefix, connection fee and billing increment. */
export {
  costMicros,
  describeRate,
  formatMoney,
  rateDeckSchema,
  rateFor,
  type Rate,
  type RateDeck,
} from './rates';
