import { z } from 'zod';

import { routeTraceSchema } from '../routing';
import { causeSchema } from './causes';
import { recordSchema } from './record';

const base = { at: z.number() };
const ofLeg = { ...base, callId: z.string(), legId: z.string() };

/** What happened, in ECMA-269's names where it has one. `at` is epoch milliseconds. */
export const exchangeEventSchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('signedIn'), ...base, deviceId: z.string() }),
  z.object({ type: z.literal('signedOut'), ...base, deviceId: z.string() }),
  z.object({ type: z.literal('originated'), ...ofLeg }),
  z.object({ type: z.literal('routed'), ...base, callId: z.string(), trace: routeTraceSchema }),
  z.object({ type: z.literal('networkReached'), ...ofLeg, number: z.string() }),
  z.object({ type: z.literal('delivered'), ...ofLeg }),
  z.object({ type: z.literal('established'), ...ofLeg }),
  z.object({ type: z.literal('held'), ...ofLeg }),
  z.object({ type: z.literal('retrieved'), ...ofLeg }),
  z.object({ type: z.literal('muted'), ...ofLeg }),
  z.object({ type: z.literal('unmuted'), ...ofLeg }),
  z.object({ type: z.literal('digitsSent'), ...ofLeg, digits: z.string() }),
  z.object({ type: z.literal('failed'), ...ofLeg, cause: causeSchema }),
  z.object({ type: z.literal('messageStarted'), ...ofLeg }),
  z.object({ type: z.literal('messageLeft'), ...ofLeg, personId: z.string(), durationMs: z.number() }),
  z.object({ type: z.literal('connectionCleared'), ...ofLeg, cause: causeSchema }),
  z.object({ type: z.literal('callCleared'), ...base, callId: z.string() }),
  z.object({ type: z.literal('recordWritten'), ...base, callId: z.string(), record: recordSchema }),
]);
export type ExchangeEvent = z.infer<typeof exchangeEventSchema>;
