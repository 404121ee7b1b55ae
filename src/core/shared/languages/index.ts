export { languageTagOf } from './languageTagOf';
