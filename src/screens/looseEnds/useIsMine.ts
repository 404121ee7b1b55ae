import type { Voicemail } from '@/core/inbox/voicemail';
import { hearsMailbox } from '@/core/office';
import { selectMyId, selectOffice, useAppSelector } from '@/state/app';

/** Whether it lies in a mailbox that the worker hears, and not in a colleague's, where they have left it. */
export function useIsMine({ mailboxId }: Pick<Voicemail, 'mailboxId'>): boolean {
  const office = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  return hearsMailbox(mailboxId, myId, office);
}
