/** Who rings when: one evaluator for every question. */
export { routeTraceSchema, type RouteTrace, type TraceLeg, type TraceStep } from './trace';
export { cutTrace, traceCall, traceTeam, type CalledParty } from './traceCall';
export type { World } from './stages';
export { isAmong, obstacleOf, type Caller, type CallFacts, type Obstacle } from './conditions';
export { weekOf, type Stretch } from './weekOf';
export { chooseRule, factsOf, situationAt } from './traceCall';
export { allFree, resolveTarget, traceStages } from './stages';
export { nextFirstHour, standingOf, type Standing } from './standing';
