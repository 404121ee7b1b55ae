import { z } from 'zod';

const hex = z.string().regex(/^([0-9a-f]{2})+$/);

/** A secret as it is kept: scrypt of it (RFC 7914; r = 8, p = 1, 32 bytes) with a salt of its own. */
export const hashedSchema = z.object({
  salt: hex,
  hash: hex,
  /** log₂ of scrypt's N. */
  cost: z.number().int().min(1).max(20),
});
export type Hashed = z.infer<typeof hashedSchema>;

/** What somebody joins with, and reaches their mailbox by from any phone. Named by its person. */
const pinSchema = z.object({
  kind: z.literal('pin'),
  id: z.string(),
  pin: hashedSchema,
  /** Given by whoever runs the office: its person is asked for one of their own. */
  isGiven: z.boolean(),
  at: z.number(),
});

/** PINs that were wrong, one after the other; none is looked at before the pause is over. Named by whose they were to be. */
const triesSchema = z.object({
  kind: z.literal('tries'),
  id: z.string(),
  wrong: z.number().int().positive(),
  pausedUntil: z.number().nullable(),
});

/** What lets a device of somebody in once, together with their PIN. Named by the SHA-256 of its code. */
const invitationSchema = z.object({
  kind: z.literal('invitation'),
  id: hex,
  personId: z.string(),
  at: z.number(),
  until: z.number(),
  usedAt: z.number().nullable(),
});

/** A device that somebody is signed in on. Named by the SHA-256 of the token it keeps. */
const signInSchema = z.object({
  kind: z.literal('signIn'),
  id: hex,
  personId: z.string(),
  /** What kind of device it says it is. */
  name: z.string(),
  at: z.number(),
  /** When it was last there. */
  lastAt: z.number(),
  /** The public key that its browser keeps the other half of, and without which it is not let in; null: none was ever shown. */
  key: z.string().nullable().default(null),
});

/** Who is let in: a row of what the office keeps of that, and tells nobody as it is. */
export const accessRowSchema = z.discriminatedUnion('kind', [
  pinSchema,
  triesSchema,
  invitationSchema,
  signInSchema,
]);
export type AccessRow = z.infer<typeof accessRowSchema>;
export type AccessRowOf<Kind extends AccessRow['kind']> = Extract<AccessRow, { kind: Kind }>;

/** A row that was written, or (null) dropped. */
export interface AccessChange {
  kind: AccessRow['kind'];
  id: string;
  now: AccessRow | null;
}
