/** A ring plan as it is being changed: its steps, back and forth. */
export {
  draftOf,
  planStepSchema,
  rebased,
  stepOn,
  stepsOf,
  stepTo,
  type PlanDraft,
  type PlanStep,
  type StepsChange,
} from './planSteps';
