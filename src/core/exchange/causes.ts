import { z } from 'zod';

/** Why a leg ended or failed, with its ITU-T Q.850 cause value. */
export const causeValues = {
  unallocatedNumber: 1,
  normalClearing: 16,
  userBusy: 17,
  noUserResponding: 18,
  noAnswer: 19,
  callRejected: 21,
  /** Another device or person answered: what SIP says as "Call completed elsewhere" (RFC 3326). */
  completedElsewhere: 26,
  facilityRejected: 29,
  temporaryFailure: 41,
} as const;

export type Cause = keyof typeof causeValues;
export const causeSchema = z.enum(Object.keys(causeValues) as [Cause, ...Cause[]]);
