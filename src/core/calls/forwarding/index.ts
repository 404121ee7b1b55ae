/** How voices and pictures are forwarded by the office, where there are too many to go from each to each (RFC 7667 §3.7). */
export { forwardLimits, needsForwarding } from './limits';
export { slotted } from './slots';
export { Loudest } from './Loudest';
export { Continued, type Numbered } from './Continued';
export { beginsKeyPicture, ContinuedVp8 } from './vp8';
export { CarriedIn, type CameIn } from './CarriedIn';
