import { z } from 'zod';

import {
  callSchema,
  commandSchema,
  exchangeEventSchema,
  exchangeStateSchema,
  recordSchema,
  type Command,
  type CommandResult,
} from '@/core/calls/exchange';

import { seenChangeSchema, type InboxReply, type InboxRequest, type SeenTables } from '@/core/office';
import { officeSetupSchema } from '@/core/setup';
import { networkSchema, type Network } from '@/core/calls/quality';

import {
  carrierStateSchema,
  faxCarrierStateSchema,
  faxScriptSchema,
  faxToldSchema,
  incomingFaxSchema,
  incomingTextSchema,
  textEventSchema,
  textScriptSchema,
  type FaxScript,
  type IncomingFax,
  type IncomingText,
  type TextScript,
} from '../carrier';
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
  /** The messages, rooms, faxes and voicemails it changed, as they are seen now. */
  changes: z.array(seenChangeSchema),
  /** Devices that are signed in now. */
  signedIn: z.array(z.string()),
  /** What the network does to this device's data calls. */
  network: networkSchema,
});
export type OfficeUpdate = z.infer<typeof officeUpdateSchema>;

/** What an app of an earlier version had been told by the office and had not taken in, which the office kept for it. */
const toldBeforeSchema = officeUpdateSchema.pick({ at: true, events: true }).extend({
  /** Messages that had come in or arrived. */
  messageIds: z.array(z.string()).default([]),
  /** Faxes that had come in, or of whose way out something was told. */
  faxIds: z.array(z.string()).default([]),
  /** What was kept elsewhere still earlier. */
  texts: z.array(textEventSchema).optional(),
  faxes: z.array(faxToldSchema).optional(),
  speech: z.array(speechSchema).optional(),
});
export type ToldBefore = z.infer<typeof toldBeforeSchema>;

/** What a linked app may send: a command for the exchange, a new script for a stand-in, or another network. */
export const officeRequestSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('command'), command: commandSchema }),
  z.object({ kind: z.literal('script'), party: z.string(), script: scriptSchema }),
  z.object({ kind: z.literal('network'), network: networkSchema }),
  z.object({ kind: z.literal('textIn'), text: incomingTextSchema }),
  z.object({ kind: z.literal('faxIn'), fax: incomingFaxSchema }),
  z.object({ kind: z.literal('faxScript'), number: z.string(), script: faxScriptSchema }),
  z.object({ kind: z.literal('textScript'), number: z.string(), script: textScriptSchema }),
]);
export type OfficeRequest = z.input<typeof officeRequestSchema>;
/** One kind of request, as it is asked; and as it is read, with what was left out. */
export type OfficeRequestOf<Kind extends OfficeRequest['kind']> = Extract<OfficeRequest, { kind: Kind }>;
export type ReadOfficeRequest<Kind extends OfficeRequest['kind']> = Extract<
  z.infer<typeof officeRequestSchema>,
  { kind: Kind }
>;

/** All of a running office that must not be lost. */
export const officeStateSchema = z.object({
  exchange: exchangeStateSchema,
  standIns: standInStateSchema,
  /** Left out by versions without texts. */
  carrier: carrierStateSchema.optional(),
  /** Left out by versions without fax. */
  faxCarrier: faxCarrierStateSchema.optional(),
  /** Left out by versions in which nothing could be configured. */
  setup: officeSetupSchema.optional(),
  /** Calls that were over before the rows of those who wait had been read; left out by earlier versions. */
  uncounted: z.array(recordSchema).optional(),
  /** Of earlier versions alone. */
  owed: z.array(toldBeforeSchema).optional(),
});
export type OfficeState = z.infer<typeof officeStateSchema>;

/**
 * The link of one session to an office, wherever that runs. Only plain, validated data crosses it in either direction, so that an
 * office in the page and one on a server are the same to the app. docs/hosts.md says what a host has to do.
 */
export interface OfficeLink {
  /** Asks for one thing of calls; the answer comes after the update it caused. */
  send(command: Command): Promise<CommandResult>;
  /** Asks for one thing beside calls; the answer comes after the update it caused. */
  ask(request: InboxRequest): Promise<InboxReply>;
  /** Everything of calls and of how the office is configured, as it is seen now, in the form of an update. */
  snapshot(): Promise<OfficeUpdate>;
  /** All rows as they are seen now, once what was kept is there. */
  tables(): Promise<SeenTables>;
  /** Hears every update from now on. */
  subscribe(listener: (update: OfficeUpdate) => void): () => void;
  close(): void;
}

/** The link of whoever plays the people and phones outside. */
export interface OutsideLink extends OfficeLink {
  setScript(party: string, script: Script): Promise<void>;
  scriptOf(party: string): Script;
  setNetwork(network: Network): Promise<void>;
  /** Lets a colleague, whose app nobody is signed in with, ask for one thing beside calls. */
  askAs(personId: string, request: InboxRequest): Promise<InboxReply>;
  /** Lets somebody outside text one of the office's lines. */
  receiveText(text: IncomingText): Promise<void>;
  setTextScript(number: string, script: TextScript): Promise<void>;
  /** Lets somebody outside fax one of the office's lines. */
  receiveFax(fax: IncomingFax): Promise<void>;
  setFaxScript(number: string, script: FaxScript): Promise<void>;
}
