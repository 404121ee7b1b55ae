/** The sample scenario: Orrin Vale Gauging, its people, callers and ninety days of calls. */
export { sampleContacts, unknownMobile } from './contacts';
export { generateHistory, type SampleHistory } from './history';
export { sampleOffice } from './office';
