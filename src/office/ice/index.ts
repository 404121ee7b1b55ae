/** By which servers browsers find a way to each other (RFC 8445). */
export { rtcServersOf } from './rtcServersOf';
