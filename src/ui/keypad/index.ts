export { Keypad } from './Keypad';
