export { EmptyState } from './EmptyState';
export { Notice } from './Notice';
export { Problem } from './Problem';
