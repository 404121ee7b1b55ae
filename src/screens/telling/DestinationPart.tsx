import { StyleSheet, View } from 'react-native';

import { noticeKinds, type Destination, type NoticeKind } from '@/core/inbox/notifications';
import { actDone, useAppDispatch } from '@/state/app';
import { isServed } from '@/state/offices';
import { sendTrial, setKinds } from '@/state/telling';
import { Ticks } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space, themed } from '@/ui/tokens';

import { ConfirmPart } from './ConfirmPart';
import type { Confirmation } from './useConfirmed';

const kindWords: Record<NoticeKind, string> = {
  missedCall: 'Missed calls',
  voicemail: 'Voicemails',
  text: 'Texts',
};

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    place: {
      gap: space.s,
      paddingBottom: space.m,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
    acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  }),
);

interface DestinationPartProps extends Confirmation {
  destination: Destination;
  /** Added here just now. */
  isNew: boolean;
  onRemove: () => void;
}

/** One place that is told: of what, its secret, a trial, and an end to it. */
export function DestinationPart({
  destination,
  confirmed,
  onConfirmed,
  isNew,
  onRemove,
}: DestinationPartProps) {
  const styles = useStyles();
  const dispatch = useAppDispatch();
  const { id, place, kinds } = destination;
  // Where this browser hosts the office, nobody else could have named the place.
  const isOpen = isServed() && confirmed !== null && !confirmed.ids.includes(id);
  const name = place.kind === 'mail' ? place.address : place.url;
  const copy = async (text: string) => {
    await navigator.clipboard?.writeText(text);
    dispatch(actDone('The secret is copied.'));
  };
  return (
    <View style={styles.place} role="group" aria-label={name}>
      <Txt as="strong">{name}</Txt>
      <Ticks
        label="Tell it about"
        options={noticeKinds.map((value) => ({ value, word: kindWords[value] }))}
        chosen={kinds}
        onChange={(chosen) =>
          dispatch(
            setKinds(
              destination,
              noticeKinds.filter((kind) => chosen.includes(kind)),
            ),
          )
        }
      />
      {place.kind === 'webhook' ? (
        <View>
          <Txt as="small">
            Signed with HMAC-SHA256 as Standard Webhooks specifies. The program checks it with this secret:
          </Txt>
          <Txt as="mono">{place.secret}</Txt>
        </View>
      ) : null}
      {isOpen ? <ConfirmPart place={place} isNew={isNew} onConfirmed={onConfirmed} /> : null}
      <View style={styles.acts}>
        {isOpen ? null : <Plate word="Send a test" onPress={() => dispatch(sendTrial(destination))} />}
        {place.kind === 'webhook' ? (
          <Plate word="Copy the secret" onPress={() => void copy(place.secret)} />
        ) : null}
        <Plate word="Stop telling it" label={`Stop telling it: ${name}`} onPress={onRemove} />
      </View>
    </View>
  );
}
