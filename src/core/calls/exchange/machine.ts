/** The office phone system as a deterministic machine: for its hosts alone. */
export { Exchange } from './Exchange';
