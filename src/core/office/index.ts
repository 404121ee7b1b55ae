/** The office as one thing for many: who asks, what they may ask for, and what they see. */
export { may, type Denial, type OfficeSeen } from './may';
export { hasRole, sessionRoles, sessionSchema, type Session, type SessionRole } from './session';
export { sightOf, viewOfCall, viewOfEvent, type Sight } from './view';
