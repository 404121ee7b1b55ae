import { z } from 'zod';

/**
 * What somebody may be in an office. `simulator` plays the people and phones that no app is signed in for, and `network` says
 * what carriers would: ringing over there, engaged, free again.
 */
export const sessionRoles = ['member', 'administrator', 'simulator', 'network'] as const;
export type SessionRole = (typeof sessionRoles)[number];

/** Who asks: every request to an office comes from a session, and what an office tells is told to one. */
export const sessionSchema = z.object({
  id: z.string(),
  /** The member whose app it is; null for stand-ins. */
  personId: z.string().nullable(),
  /** The device that the app is. */
  deviceId: z.string().nullable(),
  roles: z.array(z.enum(sessionRoles)),
});
export type Session = z.infer<typeof sessionSchema>;

export const hasRole = ({ roles }: Session, role: SessionRole) => roles.includes(role);
