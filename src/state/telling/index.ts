/** Mail and webhooks: where the worker's missed calls, voicemails and texts are told, and how far that has come. */
export {
  addMail,
  addWebhook,
  bringBackDestination,
  removeDestination,
  sendTrial,
  setKinds,
  tellAgain,
} from './destinations';
export { confirmPlace, readConfirmed, sendCode, type ConfirmedPlaces } from './confirming';
export { tellPlacesOfMissed, tellPlacesOfTexts, tellPlacesOfVoicemail } from './notices';
export {
  seeMails,
  seeWebhooks,
  setWebhookAnswer,
  webhookDoor,
  type ReceivedMail,
  type ReceivedWebhook,
} from './server';
export { startTelling } from './startTelling';
