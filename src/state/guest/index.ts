/** Somebody who comes to a meeting by a link, and is nobody of the office. */
export { GuestCall, type GuestNow } from './GuestCall';
export { guestLinkOf, type GuestLink } from './guestLink';
