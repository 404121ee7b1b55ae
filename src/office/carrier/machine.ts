/** What plays the carriers: for the host of an office alone. */
export { FaxCarrier } from './FaxCarrier';
export { TextCarrier } from './TextCarrier';
