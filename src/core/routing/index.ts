/** Who rings when: one evaluator for every question. */
export { routeTraceSchema, type RouteTrace, type TraceLeg, type TraceStep } from './trace';
export { cutTrace, traceCall, traceTeam, type CalledParty, type World } from './traceCall';
export { isAmong, obstacleOf, type Caller, type CallFacts, type Obstacle } from './conditions';
export { weekOf, type Stretch } from './weekOf';
