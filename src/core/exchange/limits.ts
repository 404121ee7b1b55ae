/** The exchange's own times, in milliseconds. */
export const limits = {
  /** Outside leg with no word from the network (ITU-T Q.931 T310, shortened to what a caller bears). */
  setupMs: 20_000,
  /** Outside leg that rings and is not answered (Q.931 T301: at least three minutes). */
  noAnswerMs: 180_000,
  /** How long a failed call's tone sounds before the exchange clears it. */
  toneMs: 30_000,
  /** Length of a mailbox's greeting with its closing beep. */
  greetingMs: 6_000,
  /** Longest message. */
  messageMs: 180_000,
  /** A shorter message is nobody speaking. */
  shortestMessageMs: 1_000,
} as const;
