/** A changed plan applied to past calls, and what is read from history for it. */
export {
  lookBack,
  type Difference,
  type LookBack,
  type PastCall,
  type PastOutcome,
  type PastResult,
  type PresentAt,
} from './lookBack';
export { pastCallsOf } from './pastCalls';
