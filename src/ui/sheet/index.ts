export { Sheet } from './Sheet';
