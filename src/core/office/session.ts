import { z } from 'zod';

import type { OfficeIndex } from '@/core/setup';

/**
 * What somebody may be in an office. `simulator` plays the people and phones that no app is signed in for, and `network` says
 * what carriers would: ringing over there, engaged, free again. `administrator` may bring rows in and drop them, as its device's store asks
 * for; what the office is configured with depends on who runs it (`runsOffice`).
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

/** Whether it is somebody's who runs the office, as that stands now. */
export const runsOffice = (session: Session, office: OfficeIndex): boolean =>
  hasRole(session, 'member') && office.people.get(session.personId ?? '')?.administers === true;

export const hasRole = ({ roles }: Session, role: SessionRole) => roles.includes(role);
