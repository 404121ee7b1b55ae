import { useLocalSearchParams } from 'expo-router';

import { selectContacts, selectWrite, useAppSelector } from '@/state/app';
import { EmptyState } from '@/ui/notice';
import { Plate } from '@/ui/plate';

import { useGo } from '../shared/useGo';
import { blankForm } from './contactForm';
import { ContactFormView } from './ContactFormView';

/** Somebody new to be written down, or a contact to be changed, as the address says. */
export function ContactScreen() {
  const go = useGo();
  const { id, number } = useLocalSearchParams<{ id?: string; number?: string }>();
  const contacts = useAppSelector(selectContacts);
  const write = useAppSelector(selectWrite);
  const isRead = useAppSelector((state) => state.inbox.isRead);
  if (id === undefined) return <ContactFormView contact={null} blank={blankForm(number ?? null, write)} />;
  const contact = contacts.find((each) => each.id === id);
  if (contact) return <ContactFormView key={id} contact={contact} blank={blankForm(null, write)} />;
  return isRead ? (
    <EmptyState
      level={1}
      title="Not here any more"
      sentence="This contact has been removed, or joined with another."
    >
      <Plate kind="main" word="Directory" onPress={go.directory} />
    </EmptyState>
  ) : (
    <EmptyState level={1} title="Contact" sentence="It is being read from this device." />
  );
}
