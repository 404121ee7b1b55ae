/** The text carrier outside. */
export {
  carrierStateSchema,
  incomingTextSchema,
  outgoingTextSchema,
  TextCarrier,
  type CarrierState,
  textEventSchema,
  textScriptSchema,
  type CarrierCast,
  type IncomingText,
  type OutgoingText,
  type TextEvent,
  type TextScript,
} from './TextCarrier';
export {
  FaxCarrier,
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
} from './FaxCarrier';
