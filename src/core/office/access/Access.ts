import type { OfficeIndex } from '@/core/setup';

import type { AccessChange, AccessRow, AccessRowOf, Hashed } from './entity';
import { freeTries, pauseAfter } from './pins';
import type { Denied } from './requests';
import { wholeAccess, type AccessSeen } from './seen';

/** So long an invitation lets somebody in. */
export const invitationMs = 3 * 24 * 3_600_000;

/**
 * Who is let into the office: PINs, invitations, the devices that are signed in, and the pauses after wrong PINs. Deterministic; whatever is secret
 * comes hashed, and whether a PIN is right is found by who asks. All that it changes is noted until it is taken (`takeChanges`), so
 * that a host can keep it before anybody is told.
 */
export class Access {
  private readonly rows = new Map<string, AccessRow>();
  private changes: AccessChange[] = [];

  constructor(
    private readonly office: () => OfficeIndex,
    kept: Iterable<AccessRow> = [],
  ) {
    for (const row of kept) this.rows.set(nameOf(row), row);
  }

  /** As long as nobody has a PIN, whoever opens the office where it is kept is let in. */
  get hasPins(): boolean {
    return [...this.rows.values()].some(({ kind }) => kind === 'pin');
  }

  get all(): readonly AccessRow[] {
    return [...this.rows.values()];
  }

  get seen(): AccessSeen {
    return wholeAccess(this.rows.values());
  }

  pinOf(personId: string): AccessRowOf<'pin'> | null {
    return this.get('pin', personId);
  }

  signIn(id: string): AccessRowOf<'signIn'> | null {
    return this.get('signIn', id);
  }

  /** Before when no PIN of theirs is looked at; null where one may be tried now. */
  pausedUntil(personId: string, at: number): number | null {
    const until = this.get('tries', personId)?.pausedUntil ?? null;
    return until !== null && until > at ? until : null;
  }

  /** A PIN of theirs was tried. Gives why they are not let in. */
  tried(personId: string, isRight: boolean, at: number): Denied | null {
    if (isRight) {
      this.drop('tries', personId);
      return null;
    }
    const wrong = (this.get('tries', personId)?.wrong ?? 0) + 1;
    const pause = pauseAfter(wrong);
    const pausedUntil = pause === 0 ? null : at + pause;
    this.put({ kind: 'tries', id: personId, wrong, pausedUntil });
    return pausedUntil === null
      ? { code: 'wrongPin', left: freeTries - wrong }
      : { code: 'paused', until: pausedUntil };
  }

  setPin(personId: string, pin: Hashed, given: { isGiven: boolean; at: number }): void {
    this.put({ kind: 'pin', id: personId, pin, ...given });
    this.drop('tries', personId);
  }

  /** An earlier one of theirs that was not used lets nobody in any more. */
  invite(id: string, personId: string, at: number): void {
    for (const row of this.all)
      if (row.kind === 'invitation' && row.personId === personId && row.usedAt === null)
        this.drop('invitation', row.id);
    this.put({ kind: 'invitation', id, personId, at, until: at + invitationMs, usedAt: null });
  }

  /** Whom that invitation lets in at that time, or why it does not. */
  invited(id: string, at: number): { personId: string } | Denied {
    const invitation = this.get('invitation', id);
    if (!invitation) return { code: 'unknownCode' };
    if (invitation.usedAt !== null) return { code: 'usedCode' };
    if (invitation.until <= at) return { code: 'oldCode' };
    return { personId: invitation.personId };
  }

  /** A device is signed in from now on; by an invitation, that is used up. */
  signedIn(
    {
      by,
      ...device
    }: Pick<AccessRowOf<'signIn'>, 'id' | 'personId' | 'name' | 'key'> & { by: string | null },
    at: number,
  ): void {
    const invitation = by === null ? null : this.get('invitation', by);
    if (invitation) this.put({ ...invitation, usedAt: at });
    this.put({ kind: 'signIn', ...device, at, lastAt: at });
  }

  /** Whether a device that is signed in is the one it was: by the key that it showed first, if it ever showed one. From its first key on no other is it. */
  isDevice(id: string, key: string | null): boolean {
    const row = this.get('signIn', id);
    if (!row || (row.key !== null && row.key !== key)) return false;
    if (row.key !== key) this.put({ ...row, key });
    return true;
  }

  /** A device that is signed in was there. */
  wasThere(id: string, at: number): void {
    const row = this.get('signIn', id);
    if (row) this.put({ ...row, lastAt: Math.max(row.lastAt, at) });
  }

  signOut(id: string): void {
    this.drop('signIn', id);
  }

  /** Who is not in the office any more is not let in. */
  officeChanged(): void {
    const { people } = this.office();
    for (const row of this.all)
      if (!people.has('personId' in row ? row.personId : row.id)) this.drop(row.kind, row.id);
  }

  /** The rows that were changed since they were last taken, in order. */
  takeChanges(): AccessChange[] {
    const { changes } = this;
    this.changes = [];
    return changes;
  }

  private get<Kind extends AccessRow['kind']>(kind: Kind, id: string): AccessRowOf<Kind> | null {
    return (this.rows.get(nameOf({ kind, id })) as AccessRowOf<Kind> | undefined) ?? null;
  }

  private put(now: AccessRow): void {
    this.rows.set(nameOf(now), now);
    this.changes.push({ kind: now.kind, id: now.id, now });
  }

  private drop(kind: AccessRow['kind'], id: string): void {
    if (this.rows.delete(nameOf({ kind, id }))) this.changes.push({ kind, id, now: null });
  }
}

const nameOf = ({ kind, id }: Pick<AccessRow, 'kind' | 'id'>) => `${kind}/${id}`;
