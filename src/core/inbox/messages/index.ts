/** Texts: how the network counts them, when they go out, and what became of them. */
export { fieldNames, fillFields, unknownFields, type ReplyFields } from './fields';
export { messageSchema, pictureSchema, writtenMessage, type Failure, type Message } from './message';
export { isOptedOut } from './optOut';
export {
  answered,
  cannotText,
  delivered,
  isInside,
  nextSendAt,
  nextToSend,
  tryAgain,
  type CarrierAnswer,
  type Queued,
} from './outbox';
export {
  cannotWrite,
  entered,
  left,
  mayRead,
  returned,
  roomIdOf,
  roomNameProblem,
  roomNumber,
  roomSchema,
  speaksTo,
  type Room,
} from './room';
export { lengthWords, measureText, type TextLength } from './textLength';
