import { z } from 'zod';

/** Why a leg ended or failed, with its ITU-T Q.850 cause value. */
export const causeValues = {
  unallocatedNumber: 1,
  normalClearing: 16,
  /** Cleared because the call went on without it: handed over, parked, moved to another device, or joined to another. */
  transferred: 16,
  parked: 16,
  moved: 16,
  joined: 16,
  userBusy: 17,
  noUserResponding: 18,
  noAnswer: 19,
  callRejected: 21,
  exchangeRoutingError: 25,
  /** Another device or person answered: what SIP says as "Call completed elsewhere" (RFC 3326). */
  completedElsewhere: 26,
  facilityRejected: 29,
  temporaryFailure: 41,
  /** Nothing was heard of the device any more. */
  recoveryOnTimerExpiry: 102,
} as const;

export type Cause = keyof typeof causeValues;
export const causeSchema = z.enum(Object.keys(causeValues) as [Cause, ...Cause[]]);
