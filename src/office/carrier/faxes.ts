import { z } from 'zod';

import { faxEventSchema } from '@/core/inbox/fax';

/** How a fax to a number fares. */
export const faxScriptSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('takes') }),
  z.object({ kind: z.literal('busy') }),
  z.object({ kind: z.literal('noAnswer') }),
  /** Somebody says hello, and there is no machine. */
  z.object({ kind: z.literal('voice') }),
  /** The line is lost while the page after these is sent. */
  z.object({ kind: z.literal('breaksOffAfter'), pages: z.number().int().min(0) }),
]);
export type FaxScript = z.infer<typeof faxScriptSchema>;

export interface FaxCast {
  faxes: Readonly<Record<string, FaxScript>>;
  /** Of numbers nobody wrote a script for; left out: they take it. */
  faxesOtherwise?: FaxScript;
}

/** A fax on its way out: what its pages show stays in the app, since no paper is drawn outside. */
export interface OutgoingFax {
  id: string;
  number: string;
  pages: number;
  /** So many pages the other side has from an earlier try. */
  sentPages: number;
}

export const incomingFaxSchema = z.object({
  number: z.string().nullable(),
  lineId: z.string(),
  title: z.string(),
  pages: z.number().int().positive(),
  /** The PDF: an address of this app, or a data URL. */
  url: z.string(),
});
export type IncomingFax = z.infer<typeof incomingFaxSchema>;

export const faxToldSchema = z.union([
  faxEventSchema,
  z.object({ kind: z.literal('received'), at: z.number(), id: z.string(), fax: incomingFaxSchema }),
]);
/** What the carrier tells: how one goes out, or that one came in. */
export type FaxTold = z.infer<typeof faxToldSchema>;

export const faxCarrierStateSchema = z.object({
  nextOrder: z.number(),
  pending: z.array(z.object({ order: z.number(), event: faxToldSchema })),
  changed: z.record(z.string(), faxScriptSchema),
});
export type FaxCarrierState = z.infer<typeof faxCarrierStateSchema>;
