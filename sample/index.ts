/**
 * The sample scenario: Orrin Vale Gauging, its people, callers and stand-ins. Its ninety days of calls are made by
 * ./history, which is loaded only when a device starts for the first time.
 */
export { sampleCast } from './cast';
export { sampleContacts, unknownMobile } from './contacts';
export { sampleOffice } from './office';
