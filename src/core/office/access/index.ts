/** Who is let into the office: PINs, invitations, signed-in devices. What carries it out is at `./Access`. */
export { accessRowSchema, hashedSchema, type AccessChange, type AccessRow, type Hashed } from './entity';
export { freeTries, pauseAfter, weaknessFor } from './pins';
export {
  accessRequestSchema,
  deniedSchema,
  type AccessRefusal,
  type AccessReply,
  type AccessRequest,
  type Denied,
} from './requests';
export { accessSeen, accessSeenSchema, type AccessSeen } from './seen';
