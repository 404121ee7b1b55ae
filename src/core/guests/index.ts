/** Whoever comes to a meeting by a link: what they see of it, and what they may do. */
export {
  guestActSchema,
  guestSeenSchema,
  guestsAt,
  placeOfGuest,
  seenByGuest,
  type GuestAct,
  type GuestIn,
  type GuestPlace,
  type GuestSeen,
} from './guests';
