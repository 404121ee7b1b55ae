import { View } from 'react-native';

import type { Call, Leg } from '@/core/exchange';
import { selectOffice, send, useAppDispatch, useAppSelector } from '@/state/app';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

/** What a caller in a mailbox hears: the greeting that fits, and whether they may have its owner searched for. */
export function MailboxHeard({ call, leg }: { call: Call; leg: Leg }) {
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const mailbox = call.legs.find(
    ({ endpoint, state }) => endpoint.kind === 'mailbox' && state === 'connected',
  );
  if (leg.role !== 'caller' || mailbox?.endpoint.kind !== 'mailbox') return null;
  const plan = office.ringPlans.get(mailbox.endpoint.personId);
  const greetingId = call.ringing?.trace.greetingId;
  const greeting = plan?.greetings?.find(({ id }) => id === greetingId);
  const mayAsk = (plan?.findMe ?? []).length > 0 && !call.acts.some(({ act }) => act === 'searchedFor');
  const words = {
    greeting: `hears: “${greeting?.text ?? 'Please leave a message after the tone.'}”${mayAsk ? ' “Press 1, and we look for them.”' : ''}`,
    recording: 'speaks to the mailbox',
    name: 'hears: “Say your name.”',
  };
  return (
    <View style={{ gap: space.s }}>
      <Txt as="small">{words[mailbox.mailboxPhase ?? 'greeting']}</Txt>
      {mayAsk && mailbox.mailboxPhase !== 'name' ? (
        <Plate
          word="Press 1, have them looked for"
          onPress={() => void dispatch(send({ type: 'sendDigits', legId: leg.id, digits: '1' }))}
        />
      ) : null}
    </View>
  );
}
