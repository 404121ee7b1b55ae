/** Who rings when: one evaluator for every question. */
export { routeTraceSchema, type RouteTrace, type TraceLeg, type TraceStep } from './trace';
export { cutTrace, traceCall, traceTeam, type CalledParty } from './traceCall';
export type { World } from './stages';
export { isAmong, obstacleOf, type Caller, type CallFacts, type Obstacle } from './conditions';
export { weekOf, type Stretch } from './weekOf';
export { checkOffice, checkPlan, findingCodes, freeId, type CheckContext, type Finding } from './checks';
export {
  lookBack,
  type Difference,
  type LookBack,
  type PastCall,
  type PastOutcome,
  type PastResult,
  type PresentAt,
} from './lookBack';
export { chooseRule, factsOf, situationAt } from './traceCall';
export { allFree, resolveTarget, traceStages } from './stages';
export { nextFirstHour, standingOf, type Standing } from './standing';
