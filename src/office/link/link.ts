import { z } from 'zod';

import {
  agentSchema,
  callSchema,
  exchangeEventSchema,
  exchangeStateSchema,
  recordSchema,
  type CallRecord,
  type Command,
  type CommandResult,
} from '@/core/calls/exchange';

import {
  accessSeenSchema,
  markSchema,
  seenChangeSchema,
  type InboxRequest,
  type OfficeReply,
  type OfficeRequest,
  type Mark,
  type SeenChange,
  type SeenTables,
} from '@/core/office';
import { officeSetupSchema } from '@/core/setup';
import type { RouteTrace } from '@/core/plans/routing';
import { networkSchema } from '@/core/calls/quality';

import {
  carrierStateSchema,
  faxCarrierStateSchema,
  faxScriptSchema,
  faxToldSchema,
  incomingFaxSchema,
  incomingTextSchema,
  textEventSchema,
  textScriptSchema,
} from '../carrier';
import { scriptSchema, speechSchema, standInStateSchema, type Script } from '../standins';
import { answeredSchema, type Numbered } from './numbered';

/** What an office tells those linked to it: what happened, the calls it changed as they are now, and what is said. */
export const officeUpdateSchema = z.object({
  at: z.number(),
  /** Everything as it is: of calls that are not in it there are none. */
  isWhole: z.boolean(),
  events: z.array(exchangeEventSchema),
  changedCalls: z.array(callSchema),
  endedCallIds: z.array(z.string()),
  speech: z.array(speechSchema),
  /** How the office is configured, where that has changed; null: as before. */
  setup: officeSetupSchema.nullable(),
  /** Who is let in, where that or who may see it has changed; null: as before. */
  access: accessSeenSchema.nullable(),
  /** The messages, rooms, faxes and voicemails it changed, as they are seen now. */
  changes: z.array(seenChangeSchema),
  /** Up to which change of rows whoever has been told of this, and of all before it, knows them. */
  mark: markSchema,
  /** Devices that are signed in now, in what is whole; null: as the events say. */
  signedIn: z.array(z.string()).nullable(),
  /** What members of teams with a queue have said of themselves, where that has changed (ready is who has said nothing); null: as before. */
  agents: z.array(agentSchema).nullable(),
  /** What the network does to this device's data calls. */
  network: networkSchema,
});
export type OfficeUpdate = z.infer<typeof officeUpdateSchema>;

/** The records of calls that an update tells of, in their order. */
export const recordsIn = ({ events }: Pick<OfficeUpdate, 'events'>): CallRecord[] =>
  events.flatMap((event) => (event.type === 'recordWritten' ? [event.record] : []));

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

/** What whoever plays the people and phones outside may have them do, and how they behave from now on. */
export const playingSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('script'), party: z.string(), script: scriptSchema }),
  z.object({ kind: z.literal('network'), network: networkSchema }),
  z.object({ kind: z.literal('textIn'), text: incomingTextSchema }),
  z.object({ kind: z.literal('faxIn'), fax: incomingFaxSchema }),
  z.object({ kind: z.literal('faxScript'), number: z.string(), script: faxScriptSchema }),
  z.object({ kind: z.literal('textScript'), number: z.string(), script: textScriptSchema }),
]);
export type Playing = z.input<typeof playingSchema>;
/** With what was left out. */
export type ReadPlaying = z.infer<typeof playingSchema>;

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
  /** What apps were answered and may not have heard; left out by earlier versions. */
  answered: answeredSchema.optional(),
  /** Up to which change of rows it is; left out by earlier versions. */
  mark: markSchema.optional(),
  /** Of earlier versions alone. */
  owed: z.array(toldBeforeSchema).optional(),
});
export type OfficeState = z.infer<typeof officeStateSchema>;

/**
 * The link of one session to an office, wherever that runs. Only plain, validated data crosses it in either direction, so that an
 * office in a worker and one on a server are the same to the app. docs/hosts.md says what a host has to do.
 */
export interface OfficeLink {
  /** Asks for one thing of calls; the answer comes after the update it caused. Asked twice under one number, it is done once. */
  send(command: Command, numbered?: Numbered): Promise<CommandResult>;
  /** Asks for one thing beside calls; the answer comes after the update it caused, and once that is kept. */
  ask(request: OfficeRequest, numbered?: Numbered): Promise<OfficeReply>;
  /** Everything of calls and of how the office is configured, as it is seen now, in the form of an update. */
  snapshot(): Promise<OfficeUpdate>;
  /** What would become of a call that goes there now; null where no plan of the office decides that. By whose rules is told of one's own alone. */
  foresee(to: string): Promise<RouteTrace | null>;
  /** What the session's person keeps for themselves of the sorts that are there by now. */
  own(): Promise<SeenTables['personal']>;
  /** All rows as they are seen now, once what was kept is there. */
  tables(): Promise<SeenTables>;
  /** What has been changed of rows since, as it is seen now; null where that is not known any more, and all rows have to be read. */
  changesSince(mark: Mark): Promise<SeenChange[] | null>;
  /** The same of what was missed when the office was begun anew. */
  missed(): Promise<SeenChange[] | null>;
  /** Hears every update from now on. */
  subscribe(listener: (update: OfficeUpdate) => void): () => void;
  close(): void;
}

/** The link of whoever plays the people and phones outside. */
export interface OutsideLink extends OfficeLink {
  play(asked: Playing): Promise<void>;
  scriptOf(party: string): Promise<Script>;
  /** Lets a colleague, whose app nobody is signed in with, ask for one thing beside calls. */
  askAs(personId: string, request: InboxRequest): Promise<OfficeReply>;
}
