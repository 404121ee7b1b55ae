/** The route of calls from the office's numbers to their ends, with how many went each way. */
export { placesOf, wayOf } from './places';
export { exitsOf, type Way } from './exits';
export { litIn, routeOf, type Reach, type Route, type RouteNode } from './route';
export { liveAt } from './live';
export { placesOfJourney } from './tried';
