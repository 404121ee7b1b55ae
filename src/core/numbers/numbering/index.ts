/** What was dialled, how it is written, and tel URIs. */
export { isDialable, isExternal, type Dialled, type ExternalNumber, type InvalidReason } from './dialled';
export { formatAsTyped, formatDialled, formatNumber } from './format';
export { interpretDialled } from './interpretDialled';
export { ukOfficePlan, type NumberingPlan } from './plan';
export { normalisePostDial, postDialSchedule } from './postDial';
export { takesTexts } from './takesTexts';
export { formatTelUri, parseTelUri, type TelUri } from './telUri';
