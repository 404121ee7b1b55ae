/** The exchange's own times, in milliseconds, and numbers. Those an office sets itself are in its policies. */
export const limits = {
  /** Outside leg with no word from the network (ITU-T Q.931 T310, shortened to what a caller bears). */
  setupMs: 20_000,
  /** Outside leg that rings and is not answered (Q.931 T301: at least three minutes). */
  noAnswerMs: 180_000,
  /** Somebody outside who is asked into a call that goes on already. */
  additionMs: 60_000,
  /** A device that nothing is heard of for so long is gone (the least that RFC 4028 §4 lets a session last unrefreshed). */
  sessionMs: 90_000,
  /** How long a failed call's tone sounds before the exchange clears it. */
  toneMs: 30_000,
  /** How long a caller hears that they get a text. */
  textNoticeMs: 5_000,
  /** How long a caller has to say their name before the worker is searched for. */
  nameMs: 3_000,
  /** Between two digits dialled in a menu; what came until then is taken. */
  menuDigitMs: 3_000,
  /** How long a menu waits for the first letter of a name, and for the choice among those who have it. */
  menuNameMs: 10_000,
  /** What was typed is taken for a PIN after so long without another figure. */
  pinDigitMs: 3_000,
  /** Wrong PINs of one caller before they are cleared. */
  wrongPins: 3,
  /** Wrong PINs of a conference count so long; each doubles what the next one waits, from the first to the longest. */
  wrongPinsMs: 60 * 60_000,
  firstPinWaitMs: 1_000,
  longestPinWaitMs: 60_000,
  /** Who goes through their mailbox and presses nothing is let go so long after the last thing was said. */
  visitIdleMs: 45_000,
  /** Longest message. */
  messageMs: 180_000,
  /** A shorter message is nobody speaking. */
  shortestMessageMs: 1_000,
  /** A call that comes back rings so long at whom it comes back to. */
  returnMs: 25_000,
  /** Each device that is tried to find somebody. */
  findMeMs: 15_000,
  /** A number outside that everything was forwarded to, and that takes the call by a key. */
  byKeyMs: 25_000,
  /** How long a lifted phone waits for the accept key. */
  acceptMs: 10_000,
  /** One's own phone, rung first before the other side is called. */
  ownPhoneMs: 25_000,
  /** A phone that a live call is being moved to. */
  moveMs: 20_000,
  /** A moved call is on both devices so long, so that no word is lost. */
  overlapMs: 1_000,
  /** Longer where the new one says when it speaks, and has to find its ways there first. */
  untilItSpeaksMs: 8_000,
  /** A call-back waits for the busy one so long (3GPP TS 24.642 §4.5.4: CC-T7, 15 to 45 minutes). */
  callBackMs: 45 * 60_000,
  /** A call-back rings so long at who asked for it (3GPP TS 24.642: CC-T9, 10 to 20 seconds). */
  recallMs: 20_000,
  /** So long whoever handed a call over can take it back from whom it was connected to. */
  takeBackMs: 15_000,
  /** Whoever did not take a call of a queue is not rung for it again sooner. */
  passedOverMs: 20_000,
  /** Whoever asked to be called back when it is their turn keeps it so long. */
  queueCallBackMs: 4 * 60 * 60_000,
  /** Parties of one conference. */
  parties: 8,
  /** Forwards of one call, one after the other. */
  forwards: 5,
} as const;
