/** Colleagues and contacts, and how they are found. */
export { contactSchema, type Contact } from './contact';
export { PeopleIndex, type Reachable } from './PeopleIndex';
