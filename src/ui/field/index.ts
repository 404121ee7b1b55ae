export { Choice } from './Choice';
export { Field } from './Field';
export { Stepper } from './Stepper';
export { Ticks } from './Ticks';
