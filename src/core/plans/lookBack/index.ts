/** A changed plan applied to past calls. */
export {
  lookBack,
  type Difference,
  type LookBack,
  type PastCall,
  type PastOutcome,
  type PastResult,
  type PresentAt,
} from './lookBack';
