import { z } from 'zod';

import type { ReplyOr } from '../handling';

const pin = z.string().max(64);

/** What may be asked about who is let in. */
export const accessRequestSchema = z.discriminatedUnion('type', [
  /** A PIN of one's own; where there is one already that is not given, that one says who asks. */
  z.object({
    ...{ type: z.literal('setPin'), pin, before: pin.nullable() },
    /** Signs the device in that asks, where it is not yet: so the first PIN shuts nobody out. `token`: made by it, which alone keeps it. */
    device: z.object({ token: z.string().min(16), name: z.string() }).nullable(),
  }),
  /** By whoever runs the office: one to begin with, which its person is asked to change. */
  z.object({ type: z.literal('givePin'), personId: z.string(), pin }),
  /** By whoever runs the office: a device of that person may join once with this code and their PIN. Takes the place of an earlier one. */
  z.object({ type: z.literal('invite'), personId: z.string(), code: z.string().min(16).max(128) }),
  /** One of one's own devices; of anybody by whoever runs the office. */
  z.object({ type: z.literal('signOutDevice'), id: z.string() }),
  /** Whether that is one's own PIN: for a device that was locked. */
  z.object({ type: z.literal('provePin'), pin }),
]);
export type AccessRequest = z.infer<typeof accessRequestSchema>;

export type AccessRefusal =
  | { code: 'notYours'; what: 'office' | 'device' }
  | { code: 'unknownPerson' }
  | { code: 'unknownDevice' }
  /** `sentence`: why it is too easily guessed. */
  | { code: 'weakPin'; sentence: string }
  | Denied;
export type AccessReply = ReplyOr<AccessRefusal>;

/** Why somebody is not let in. `until`: epoch milliseconds, before which no PIN is looked at. */
export const deniedSchema = z.discriminatedUnion('code', [
  z.object({ code: z.literal('signIn') }),
  z.object({ code: z.literal('signedOut') }),
  z.object({ code: z.literal('wrongPin'), left: z.number().int().min(0) }),
  z.object({ code: z.literal('paused'), until: z.number() }),
  z.object({ code: z.literal('noPin') }),
  z.object({ code: z.literal('unknownCode') }),
  z.object({ code: z.literal('usedCode') }),
  z.object({ code: z.literal('oldCode') }),
]);
export type Denied = z.infer<typeof deniedSchema>;
