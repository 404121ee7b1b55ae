/** Ring plans as they are changed and said: changes, sentences, templates. */
export { beginRule, ownDevicesRing } from './beginning';
export { edits, spanOf, type TargetPlace } from './edits';
export {
  callerWords,
  describeRule,
  finishWords,
  followedWords,
  glanceOf,
  spanWords,
  targetWords,
} from './sentences';
export { numbersOf, ringForOnce } from './forOnce';
export { layOutRule, type LaidStage, type LaidTarget } from './layOut';
export { ringsIn, setRingsIn, withoutSituation, withSituationBack, type RingsIn } from './situationRules';
export { templatesFor, type PlanTemplate } from './templates';
