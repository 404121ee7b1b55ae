import { z } from 'zod';

import {
  callSchema,
  commandSchema,
  exchangeEventSchema,
  exchangeStateSchema,
  type Command,
  type CommandResult,
} from '@/core/exchange';

import { officeSetupSchema } from '@/core/office';
import { networkSchema, type Network } from '@/core/quality';

import { scriptSchema, speechSchema, standInStateSchema, type Script } from '../standins';

/** What an office tells those linked to it: what happened, the calls it changed as they are now, and what is said. */
export const officeUpdateSchema = z.object({
  at: z.number(),
  events: z.array(exchangeEventSchema),
  changedCalls: z.array(callSchema),
  endedCallIds: z.array(z.string()),
  speech: z.array(speechSchema),
  /** How the office is configured, where that has changed; null: as before. */
  setup: officeSetupSchema.nullable(),
  /** What the network does to this device's data calls. */
  network: networkSchema,
});
export type OfficeUpdate = z.infer<typeof officeUpdateSchema>;

/** What a linked app may send: a command for the exchange, a new script for a stand-in, or another network. */
export const officeRequestSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('command'), command: commandSchema }),
  z.object({ kind: z.literal('script'), party: z.string(), script: scriptSchema }),
  z.object({ kind: z.literal('network'), network: networkSchema }),
]);
export type OfficeRequest = z.infer<typeof officeRequestSchema>;

/** All of a running office that must not be lost. */
export const officeStateSchema = z.object({
  exchange: exchangeStateSchema,
  standIns: standInStateSchema,
  /** Left out by versions in which nothing could be configured. */
  setup: officeSetupSchema.optional(),
});
export type OfficeState = z.infer<typeof officeStateSchema>;

/**
 * The link to an office, wherever its exchange runs. Only plain, validated data crosses it in either direction,
 * so that an exchange in the page and one on a server are the same to the app.
 */
export interface OfficeLink {
  /** Asks for one thing; the answer comes after the update it caused. */
  send(command: Command): Promise<CommandResult>;
  setScript(party: string, script: Script): Promise<void>;
  scriptOf(party: string): Script;
  setNetwork(network: Network): Promise<void>;
  /** Hears every update from now on. */
  subscribe(listener: (update: OfficeUpdate) => void): () => void;
  /** Everything as it is now, in the form of an update. */
  snapshot(): OfficeUpdate;
  close(): void;
}
