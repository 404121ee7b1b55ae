/** Which number the other side of a call sees. */
export {
  shownNumber,
  shownRuleSchema,
  shownSchema,
  type Shown,
  type ShownAnswer,
  type ShownBy,
  type ShownRule,
} from './shownNumber';
