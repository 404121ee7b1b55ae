export { VirtualList } from './VirtualList';
