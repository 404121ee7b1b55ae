export { Row } from './Row';
export { VirtualList } from './VirtualList';
