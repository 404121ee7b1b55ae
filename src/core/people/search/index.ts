/** Finding anybody by any scrap, ranked. */
export { PeopleSearch } from './PeopleSearch';
export type { Hit, Searchable, SearchText } from './searchable';
export { usageOf } from './usage';
