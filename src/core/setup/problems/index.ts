/** What makes a ring plan impossible to carry out, apart from the rest: only what decides about plans asks. */
export { checkFinish, planProblems, type PlanProblem } from './planProblems';
