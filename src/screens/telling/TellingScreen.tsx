import { useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import { checkMailAddress, checkWebhookUrl, type Destination } from '@/core/inbox/notifications';
import { useAppDispatch, useAppSelector } from '@/state/app';
import { addMail, addWebhook, bringBackDestination, removeDestination } from '@/state/telling';
import { Field } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, useTheme } from '@/ui/tokens';

import { useGo } from '../shared/useGo';
import { DestinationPart } from './DestinationPart';
import { useConfirmed, type Confirmation } from './useConfirmed';
import { ToldList } from './ToldList';
import { ScreenTitle } from '../shared/ScreenTitle';

/** Where missed calls, voicemails and texts are told besides the app, and what became of it. */
export function TellingScreen() {
  const { colours } = useTheme();
  const dispatch = useAppDispatch();
  const go = useGo();
  const destinations = useAppSelector((state) => state.inbox.kept.destinations);
  const all = Object.values(destinations);
  const { confirmed, reload } = useConfirmed(all.length);
  const confirmation = { confirmed, onConfirmed: reload };
  const sendsMail = confirmed?.sendsMail ?? true;
  return (
    <ScrollView style={styles.screen} contentContainerStyle={styles.body} tabIndex={0}>
      <View>
        <ScreenTitle>Told elsewhere</ScreenTitle>
        <Txt colour={colours.faint}>
          Missed calls, voicemails with their sound and words, and texts: by mail, and to other programs. The
          office’s server sends them, and tries again where it must.
        </Txt>
      </View>
      <Places
        {...confirmation}
        title="By mail"
        instead={sendsMail ? null : sendsNone}
        label="Mail address"
        placeholder="name@place.example"
        word="Tell this address"
        check={checkMailAddress}
        onAdd={(address) => dispatch(addMail(address))}
        destinations={all.filter(({ place }) => place.kind === 'mail')}
      />
      <Places
        {...confirmation}
        title="To another program"
        label="Web address of the program"
        placeholder="https://"
        word="Tell this program"
        check={checkWebhookUrl}
        onAdd={(url) => dispatch(addWebhook(url))}
        destinations={all.filter(({ place }) => place.kind === 'webhook')}
      />
      <ToldList />
      <Plate word="Back to Office" onPress={go.office} />
    </ScrollView>
  );
}

const sendsNone =
  'This office sends no mail: whoever keeps its server has named no mail server (CENDRO_SMTP).';

const nameOf = ({ place }: Destination) => (place.kind === 'mail' ? place.address : place.url);

interface PlacesProps extends Confirmation {
  title: string;
  /** Why none can be added; left out or null: one can. */
  instead?: string | null;
  label: string;
  placeholder: string;
  word: string;
  check: typeof checkMailAddress;
  onAdd: (checked: string) => void;
  destinations: readonly Destination[];
}

function Places({
  title,
  instead = null,
  label,
  placeholder,
  word,
  check,
  onAdd,
  destinations,
  confirmed,
  onConfirmed,
}: PlacesProps) {
  const dispatch = useAppDispatch();
  const [typed, setTyped] = useState('');
  const [added, setAdded] = useState<string | null>(null);
  const [removed, setRemoved] = useState<Destination | null>(null);
  const [error, setError] = useState<string | null>(null);
  const taken = destinations.map(nameOf);
  const add = () => {
    const checked = check(typed);
    if (!checked.ok) return setError(checked.sentence);
    if (taken.includes(checked.value)) return setError('That one is told already.');
    onAdd(checked.value);
    setAdded(checked.value);
    setTyped('');
  };
  return (
    <View style={styles.part} role="region" aria-label={title}>
      <Txt as="heading" level={2}>
        {title}
      </Txt>
      {destinations.map((destination) => (
        <DestinationPart
          key={destination.id}
          destination={destination}
          confirmed={confirmed}
          onConfirmed={onConfirmed}
          isNew={added === nameOf(destination)}
          onRemove={() => {
            dispatch(removeDestination(destination));
            setRemoved(destination);
          }}
        />
      ))}
      {removed && !taken.includes(nameOf(removed)) ? (
        <View style={styles.removed} role="status">
          <Txt style={styles.words}>{`${nameOf(removed)} is no longer told.`}</Txt>
          <Plate
            word="Undo"
            label={`Undo: tell ${nameOf(removed)} again`}
            onPress={() => {
              dispatch(bringBackDestination(removed));
              setRemoved(null);
            }}
          />
        </View>
      ) : null}
      {instead === null ? (
        <>
          <Field
            label={label}
            value={typed}
            onChange={(value) => {
              setTyped(value);
              setError(null);
            }}
            onSubmit={add}
            placeholder={placeholder}
            error={error}
          />
          <Plate word={word} onPress={add} />
        </>
      ) : (
        <View role="status">
          <Txt>{instead}</Txt>
        </View>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  screen: { flex: 1 },
  body: { padding: space.l, gap: space.xl, maxWidth: 760 },
  part: { gap: space.m },
  removed: { flexDirection: 'row', alignItems: 'center', gap: space.m },
  words: { flex: 1 },
});
