import { z } from 'zod';

import type { OfficeIndex } from '@/core/setup';

import { runsOffice, type Session } from '../session';
import type { AccessRow } from './entity';

/** What somebody is told of who is let in: of themselves, and of all by whoever runs the office. Nothing that lets anybody in. */
export const accessSeenSchema = z.object({
  pins: z.array(z.object({ personId: z.string(), isGiven: z.boolean(), at: z.number() })),
  invitations: z.array(z.object({ personId: z.string(), until: z.number() })),
  signIns: z.array(
    z.object({ id: z.string(), personId: z.string(), name: z.string(), at: z.number(), lastAt: z.number() }),
  ),
});
export type AccessSeen = z.infer<typeof accessSeenSchema>;

/** Everything there is to be told. */
export function wholeAccess(rows: Iterable<AccessRow>): AccessSeen {
  const seen: AccessSeen = { pins: [], invitations: [], signIns: [] };
  for (const row of rows) {
    if (row.kind === 'pin') seen.pins.push({ personId: row.id, isGiven: row.isGiven, at: row.at });
    if (row.kind === 'invitation' && row.usedAt === null)
      seen.invitations.push({ personId: row.personId, until: row.until });
    if (row.kind === 'signIn') {
      const { kind: _, key: _key, ...signIn } = row;
      seen.signIns.push(signIn);
    }
  }
  return seen;
}

export function accessSeen(whole: AccessSeen, session: Session, office: OfficeIndex): AccessSeen {
  if (runsOffice(session, office)) return whole;
  const isMine = ({ personId }: { personId: string }) => personId === session.personId;
  return {
    pins: whole.pins.filter(isMine),
    invitations: whole.invitations.filter(isMine),
    signIns: whole.signIns.filter(isMine),
  };
}
