import { z } from 'zod';

import { faxSchema } from '@/core/inbox/fax';

import type { ReplyOr } from '../handling';

const id = z.string();
const ids = z.array(z.string());

/** What a member may ask of the office's faxes. Ids are made by the app, so that what is asked twice is done once. */
export const faxingRequestSchema = z.discriminatedUnion('type', [
  z.object({
    type: z.literal('sendFax'),
    id,
    /** E.164. */
    number: z.string(),
    lineId: z.string(),
    /** What it is, in a word or two. */
    title: z.string(),
    pages: z.number().int().positive(),
  }),
  /** Once more, from the first page that the other side does not have. */
  z.object({ type: z.literal('sendFaxAgain'), id }),
  /** Lets go of the line of one that is on its way. */
  z.object({ type: z.literal('stopFax'), id }),
  /** Takes back one that does not go out just now. */
  z.object({ type: z.literal('takeBackFax'), id }),
  z.object({ type: z.literal('markFaxesRead'), ids }),
  /** Drops them for good, for everybody. */
  z.object({ type: z.literal('forgetFaxes'), ids }),
  /** Brings what is kept elsewhere, seen from the asker's side; what is there already stays. */
  z.object({ type: z.literal('bringFaxes'), faxes: z.array(faxSchema) }),
]);
export type FaxingRequest = z.input<typeof faxingRequestSchema>;
export type ReadFaxingRequest = z.infer<typeof faxingRequestSchema>;

/** Why it was not done; nothing has changed then. */
export type FaxingRefusal =
  | { code: 'notYours'; what: 'line' | 'fax' | 'office' }
  | { code: 'unknownFax' | 'idTaken' | 'underway' | 'notUnderway' }
  | { code: 'cannotFax'; problem: string };

export type FaxingReply = ReplyOr<FaxingRefusal>;
