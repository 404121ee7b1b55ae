export { Choice } from './Choice';
export { Field } from './Field';
