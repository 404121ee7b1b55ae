export { EmptyState } from './EmptyState';
export { Notice } from './Notice';
