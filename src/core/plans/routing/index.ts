/** Who rings when: one evaluator for every question. */
export { isMeeting } from './conditions';
export { routeTraceSchema, type RouteTrace, type TraceLeg, type TraceStep } from './trace';
export {
  chooseRule,
  cutTrace,
  factsOf,
  greetingFor,
  menuTurnSeconds,
  pinSeconds,
  pinTurns,
  traceAny,
  traceConference,
  traceCall,
  traceMenu,
  type CalledParty,
} from './traceCall';
export type { World } from './stages';
export { isAmong, obstacleOf, type Caller, type CallFacts, type Obstacle } from './conditions';
export { weekOf, type Stretch } from './weekOf';
export { journeyOf, type Journey, type Stop } from './journey';
export { reachedBy, type Reached } from './reachedBy';
export { chooseSituation, isOutOfTeams, situationAt, situationEnds } from './situations';
export { allFree, resolveTarget, traceStages } from './stages';
export { nextFirstHour, standingOf, type Standing } from './standing';
