/** Who is there twice. Apart from the rest, since a worker of its own compares everybody. */
export { findAlike, pairOf, type Alike, type AlikeReason } from './alike';
