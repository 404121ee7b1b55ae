/** What a changed plan is tried on: calls of the history, with where their person was. */
export { pastCallsOf } from './pastCalls';
