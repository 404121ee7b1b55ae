/** What each person keeps for themselves: contacts, notes, follow-ups and the like. */
export {
  ownedIdOf,
  partsOfOwnedId,
  type KeptPersonal,
  type OwnedRow,
  type PersonalRow,
  type PersonalSorts,
} from './entity';
export type { Personal, PersonalChange } from './Personal';
export {
  personalChangeSchema,
  personalRequestSchema,
  personalRowSchema,
  type PersonalRefusal,
  type PersonalReply,
  type PersonalRequest,
  type ReadPersonalRequest,
  type SeenPersonal,
} from './requests';
export { allPersonalSeen, personalSeen } from './seen';
