/** The carriers of texts and faxes outside: what they take and tell. What plays them is at `./machine`. */
export {
  carrierStateSchema,
  incomingTextSchema,
  outgoingTextSchema,
  type CarrierState,
  textEventSchema,
  textScriptSchema,
  type CarrierCast,
  type IncomingText,
  type OutgoingText,
  type TextEvent,
  type TextScript,
} from './texts';
export {
  faxCarrierStateSchema,
  faxScriptSchema,
  faxToldSchema,
  incomingFaxSchema,
  type FaxCarrierState,
  type FaxCast,
  type FaxScript,
  type FaxTold,
  type IncomingFax,
  type OutgoingFax,
} from './faxes';
