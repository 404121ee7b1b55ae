import { z } from 'zod';

import { waitingSchema, type Waiting } from '@/core/inbox/looseEnds';

import { rowsSeen } from '../rows';
import type { WaitingChange, WhoWaits } from './WhoWaits';

export const seenWaitingSchema = z.union([
  z.object({ table: z.literal('waiting'), put: waitingSchema }),
  z.object({ table: z.literal('waiting'), gone: z.string() }),
]);

/** What somebody is told of changes, with everything as it is now: who waits for them. */
export const waitingSeen = (changes: readonly WaitingChange[], personId: string, { all }: WhoWaits) =>
  rowsSeen(changes, all, (row) => (row.personId === personId ? row : null));

/** All who wait for somebody, or have been reached by them, now. */
export const allWaitingSeen = (personId: string, whoWaits: WhoWaits): Waiting[] => whoWaits.of(personId);
