export { Txt, type TxtVariant } from './Txt';
