/** Stand-ins for the address books that contacts come from. */
export { SourceBroken, StandInSource, type Book, type BookEntry } from './StandInSource';
