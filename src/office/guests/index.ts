/** What guests of a meeting and a server say to each other; apart from all else that goes by the socket, since few ever need it. */
export {
  answerOfGuestsSchema,
  askedOfGuestsSchema,
  type AnswerOfGuests,
  type AskedOfGuests,
  type GuestRefusal,
} from './messages';
