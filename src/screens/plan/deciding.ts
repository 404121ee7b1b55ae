/** The screens that decide who reaches me, in one piece, so that what both need is not fetched at the start. */
export { StandingScreen } from '../standing/StandingScreen';
export { PlanScreen } from './PlanScreen';
