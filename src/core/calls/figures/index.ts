/** How many calls were taken, how long they waited, and by what: reckoned from records of any number. */
export { callsOf, courseEnds, type CourseEnd, type FigureCall, type FigureStop } from './calls';
export {
  callsBehind,
  figuresOf,
  groupings,
  type Figures,
  type FigureRow,
  type FiguresAsked,
  type FiguresFound,
  type Grouping,
} from './figures';
export { spanOf, spans, type Span } from './spans';
export { figuresCsv } from './csv';
export { flowsOf, type Flow } from './flows';
export { outCalls, type OutCall } from './outCalls';
export { isEnd, keyOf, wentBy, type End, type Place, type Through } from './places';
