/** Mailboxes: what was left in them, heard and unheard, with its words. */
export {
  spokenWordSchema,
  textOf,
  transcriptSchema,
  wordAt,
  type SpokenWord,
  type Transcript,
} from './transcript';
export {
  messageIdIn,
  messageWaiting,
  messageWaitingWords,
  voicemailIdOf,
  voicemailOfRecord,
  voicemailSchema,
  type MessageWaiting,
  type Voicemail,
} from './voicemail';
export { onShelves, shelfOf, shelves, type Shelf } from './shelves';
