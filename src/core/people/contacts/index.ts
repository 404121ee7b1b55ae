/** Colleagues and contacts: who they are, of several sources one, and whose a number is. */
export {
  cardSchema,
  changesSchema,
  contactSchema,
  dialledAs,
  emptyFields,
  fieldsSchema,
  fullBlock,
  joinSchema,
  officeSource,
  ownSource,
  peopleBlockSchema,
  type Card,
  type Changes,
  type Contact,
  type ContactNumber,
  type Field,
  type Fields,
  type Join,
  type PeopleBlock,
} from './contact';
export { formatAny, identifyNumber } from './identifyNumber';
export { joinContacts, officeCard, unite, type JoinedContact } from './join';
export { numbersInOrder } from './numbersInOrder';
export { PeopleIndex, type Reachable } from './PeopleIndex';
export { readNumber, type ReadNumber } from './readNumber';
