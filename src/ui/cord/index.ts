/** A line is a cord: its colour and stroke run along everything that belongs to it. */
export { CordEdge } from './CordEdge';
export { strokeNames } from './strokes';
