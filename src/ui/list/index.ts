export { Row } from './Row';
