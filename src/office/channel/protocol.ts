import { z } from 'zod';

import { commandSchema } from '@/core/calls/exchange';
import { routeTraceSchema } from '@/core/plans/routing';
import {
  inboxRequestSchema,
  officeRequestSchema,
  markSchema,
  seenChangeSchema,
  seenTablesSchema,
  type SeenTables,
} from '@/core/office';

import { officeUpdateSchema, playingSchema } from '../link';
import { scriptSchema } from '../standins';

/** What an app may ask over a channel: what its link offers, the tables in parts. */
export const askedSchema = z.discriminatedUnion('what', [
  z.object({ what: z.literal('send'), command: commandSchema }),
  z.object({ what: z.literal('ask'), request: officeRequestSchema }),
  z.object({ what: z.literal('snapshot') }),
  z.object({ what: z.literal('foresee'), to: z.string() }),
  z.object({ what: z.literal('own') }),
  /** One part of all rows, the first being 0: those of the instant at which that was asked for. */
  z.object({ what: z.literal('tables'), part: z.number().int().min(0) }),
  /** One part of what was changed since, the first being 0. */
  z.object({ what: z.literal('since'), mark: markSchema, part: z.number().int().min(0) }),
  z.object({ what: z.literal('play'), asked: playingSchema }),
  z.object({ what: z.literal('scriptOf'), party: z.string() }),
  z.object({ what: z.literal('askAs'), personId: z.string(), request: inboxRequestSchema }),
]);
export type Asked = z.input<typeof askedSchema>;

const replySchema = z.discriminatedUnion('ok', [
  z.looseObject({ ok: z.literal(true) }),
  z.looseObject({ ok: z.literal(false), reason: z.looseObject({ code: z.string() }) }),
]);
const tablesPartSchema = z.object({
  rows: seenTablesSchema,
  /** How many parts there are; 0 where the host does not know of the first one (any more). */
  parts: z.number().int().min(0),
});
export type TablesPart = z.infer<typeof tablesPartSchema>;

const changesPartSchema = z.object({
  changes: z.array(seenChangeSchema),
  /** How many parts there are; 0 where the host does not know of the first one (any more). */
  parts: z.number().int().min(0),
});
export type ChangesPart = z.infer<typeof changesPartSchema>;

/** What answers it, by what was asked. */
export const answerSchemas = {
  send: replySchema,
  ask: replySchema,
  snapshot: officeUpdateSchema,
  foresee: routeTraceSchema.nullable(),
  own: seenTablesSchema.shape.personal,
  tables: tablesPartSchema,
  /** null where it is not known any more what was changed since. */
  since: changesPartSchema.nullable(),
  play: z.undefined(),
  scriptOf: scriptSchema,
  askAs: replySchema,
} as const;

export const noRows = (): SeenTables => ({
  ...{ messages: [], rooms: [], faxes: [], voicemails: [] },
  ...{ assignments: [], waiting: [], setupLog: [], personal: [] },
});

const id = z.number().int().positive();
/** How many updates the host had told when it said so: one more with each. */
const told = z.number().int().min(0);

/** From an app to its host. Said again until it is answered: the same id is done once. */
export const toHostSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('ask'),
    id,
    asked: askedSchema,
    /** Every answer up to this one has come. */
    answeredUpTo: z.number().int().min(0),
    /** When it was asked, by the host's own time (epoch milliseconds) as far as beats have told it; left out where it may be done however late. */
    askedAt: z.number().optional(),
  }),
  /** Updates after that one have not come. */
  z.object({ kind: z.literal('missing'), after: told }),
  /** All answers up to that one, and all updates up to that one, have come: nothing of them is wanted again. */
  z.object({ kind: z.literal('got'), answeredUpTo: z.number().int().min(0), told }),
  z.object({ kind: z.literal('close') }),
]);
export type ToHost = z.input<typeof toHostSchema>;

/** From a host to an app. */
export const toAppSchema = z.discriminatedUnion('kind', [
  /** `told`: updates up to that one come before it, for an answer comes after what it caused. */
  z.object({ kind: z.literal('answer'), id, told, answer: z.unknown() }),
  /** It could not be read, or was a fault: the words say which. */
  z.object({ kind: z.literal('fault'), id, words: z.string() }),
  z.object({
    kind: z.literal('update'),
    told,
    update: officeUpdateSchema,
    /** Calls that are told in parts (`callParts`). */
    legIds: z.record(z.string(), z.array(z.string())).optional(),
  }),
  /** That many have been told by now, so that a last one that got lost is missed; and the host's own time (epoch milliseconds). */
  z.object({ kind: z.literal('beat'), told, at: z.number() }),
  /** What is missing is not kept any more: everything has to be read anew, as of that many. */
  z.object({ kind: z.literal('anew'), told }),
]);
export type ToApp = z.input<typeof toAppSchema>;

/** One end of a channel. What is said may come late, twice, in another order, or not at all. */
export interface Port {
  say: (message: unknown) => void;
  hear: (listener: (message: unknown) => void) => void;
  close: () => void;
}

/** Runs something after so many milliseconds; gives what calls it off. */
export type Timer = (run: () => void, ms: number) => () => void;

export const browserTimer: Timer = (run, ms) => {
  const timer = setTimeout(run, ms);
  return () => clearTimeout(timer);
};
