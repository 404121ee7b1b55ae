import type { RingPlan } from '@/core/setup';
import type { PastCall } from '@/core/plans/lookBack';

export const findingCodes = [
  'cutShort',
  'ownMailbox',
  'cadence',
  'silence',
  'notSignedIn',
  'deadRule',
  'impossibleRule',
  'nothingRings',
  'urgentAlone',
  'excluded',
  'loop',
  'forwardLeftOn',
  'costly',
  'cannotTakeForce',
] as const;
export type FindingCode = (typeof findingCodes)[number];

/** Something about a plan that its owner will not like, found by computing calls and not by its looks. */
export interface Finding {
  code: FindingCode;
  /** `alarm`: calls are lost; `warning`: a call will not go as it was meant; `notice`: worth knowing. */
  severity: 'alarm' | 'warning' | 'notice';
  personId: string;
  /** Where in the plan: the rule, its stage, and what rings; left out where it is about all of it. */
  place: { ruleId?: string; stage?: number; deviceId?: string | null; number?: string | null };
  /** With the actual figures. */
  sentence: string;
  /** A change that mends it, said before it is done. */
  repair: { word: string; plan: RingPlan } | null;
}

/** What the checks have to know beside the office. */
export interface CheckContext {
  /** Epoch milliseconds. */
  now: number;
  isSignedIn: (deviceId: string) => boolean;
  /** Past calls to this person, from which the usual traffic is read, asked for only where something costs; none: costs are given by the minute only. */
  pastCalls: () => readonly PastCall[];
}
