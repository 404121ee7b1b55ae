/** What was dialled, how it is written, and tel URIs. */
export { dialledIn, homeCountries, type HomeCountry } from './countries';
export { isDialable, isExternal, type Dialled, type ExternalNumber, type InvalidReason } from './dialled';
export { formatAsTyped, formatDialled, formatNumber } from './format';
export { interpretDialled } from './interpretDialled';
export { numberingSchema, ukNumbering, type Numbering } from './numbering';
export { numberingPlan, servicesOf, numberWritings, type NumberingPlan, type NumberWriting } from './plan';
export { normalisePostDial, postDialSchedule } from './postDial';
export { takesTexts } from './takesTexts';
export { parseTelUri, type TelUri } from './telUri';
