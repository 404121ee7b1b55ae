/** What the rules for calls out would have changed. */
export { barredCalls, type BarredCalls } from './barredCalls';
