export { Row } from './Row';
export { ActLine } from './ActLine';
