/** Which number the other side of a call sees, and as what a caller rings here. */
export { ringKindOf, ringKinds, type RingKind } from './ringKind';
export {
  shownNumber,
  shownRuleSchema,
  shownSchema,
  type Shown,
  type ShownAnswer,
  type ShownBy,
  type ShownRule,
} from './shownNumber';
