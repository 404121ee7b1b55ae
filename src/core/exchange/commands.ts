import { z } from 'zod';

import type { InvalidReason } from '../numbering';
import type { LegState } from './call';
import { causeSchema } from './causes';
import type { LegAct } from './transitions';

const legId = z.string();
/** What becomes of the call this device is talking on when another takes its place. */
const activeCall = z.enum(['hold', 'clear']).optional();

const fromSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('device'), deviceId: z.string() }),
  z.object({ kind: z.literal('outside'), number: z.string().nullable(), name: z.string().nullable() }),
]);

/** All that can be asked of the exchange. `activeCall` is "hold" where it is left out. */
export const commandSchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('signIn'), deviceId: z.string() }),
  z.object({ type: z.literal('signOut'), deviceId: z.string() }),
  z.object({
    type: z.literal('make'),
    from: fromSchema,
    /** As dialled: anything `interpretDialled` understands. */
    to: z.string(),
    /** The line whose number the other side sees, or none. */
    present: z.union([z.object({ lineId: z.string() }), z.literal('withhold')]).optional(),
    activeCall,
  }),
  z.object({ type: z.literal('alert'), legId }),
  z.object({ type: z.literal('answer'), legId, activeCall }),
  z.object({ type: z.literal('refuse'), legId }),
  z.object({ type: z.literal('fail'), legId, cause: causeSchema }),
  z.object({ type: z.literal('hold'), legId }),
  z.object({ type: z.literal('retrieve'), legId, activeCall }),
  z.object({ type: z.literal('mute'), legId }),
  z.object({ type: z.literal('unmute'), legId }),
  z.object({ type: z.literal('sendDigits'), legId, digits: z.string() }),
  z.object({ type: z.literal('clear'), legId }),
]);
export type Command = z.infer<typeof commandSchema>;
export type MakeCommand = Extract<Command, { type: 'make' }>;

/** Why a command was refused. A refused command has changed nothing. */
export type Refusal =
  | { code: 'unknownLeg' }
  | { code: 'unknownDevice' }
  | { code: 'unknownLine' }
  | { code: 'notSignedIn' }
  | { code: 'notAllowed'; act: LegAct; state: LegState }
  | { code: 'notDialable'; reason: InvalidReason | { code: 'empty' | 'withheld' } }
  | { code: 'tooManyCalls'; limit: number }
  | { code: 'badDigits' }
  | { code: 'onlyOutside' };
