/** How many people the calls want: by Erlang's formulas, from the office's own traffic. */
export { erlangB, erlangC, membersFor, serviceOf, type Service, type Traffic } from './erlang';
export { trafficOf } from './traffic';
