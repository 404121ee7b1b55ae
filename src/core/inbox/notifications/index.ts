/** What is told elsewhere, by mail and webhook: to whom, in which words, signed, and how often it is tried. */
export {
  afterTry,
  begun,
  deliverySchema,
  newestTold,
  progressSchema,
  resultOfStatus,
  toldAtOf,
  toldSchema,
  type Delivery,
  type Progress,
  type Told,
  type TryResult,
} from './delivery';
export {
  checkMailAddress,
  checkWebhookUrl,
  destinationSchema,
  placeSchema,
  toldOf,
  type Destination,
  type Place,
} from './destinations';
export {
  missedHappened,
  noticeOf,
  tellingOf,
  textHappened,
  voicemailHappened,
  type Happened,
} from './happened';
export { noticeKinds, type Notice, type NoticeKind } from './notice';
export { signatureHolds, signatureOf, writtenSecret, type Signed } from './signature';
export { mailOf, mailOfCode, webhookBodyOf, webhookBodyOfCode, type WrittenMail } from './written';
