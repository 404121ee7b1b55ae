import type { Voicemail } from '@/core/inbox/voicemail';
import type { OfficeIndex } from '@/core/setup';

/** A mailbox is heard by whose it is: a person, or the members of a team. */
export function hearsMailbox(mailboxId: string, personId: string, office: OfficeIndex): boolean {
  return mailboxId === personId || (office.teams.get(mailboxId)?.memberIds.includes(personId) ?? false);
}

/**
 * The voicemail from one person's side; null where they see nothing of it. Whoever spoke it into a colleague's mailbox without
 * calling, or passed it on, sees that it is there, and not what is made of it.
 */
export function viewOfVoicemail(
  voicemail: Voicemail,
  personId: string,
  office: OfficeIndex,
): Voicemail | null {
  if (hearsMailbox(voicemail.mailboxId, personId, office)) return voicemail;
  const { id, callId, from, forwarded } = voicemail;
  const isLeftByThem = forwarded ? forwarded.byId === personId : id === callId && from.personId === personId;
  return isLeftByThem ? { ...voicemail, heardAt: null, deletedAt: null } : null;
}
