import { StyleSheet, View } from 'react-native';

import type { CallView } from '@/state/app';
import { Plate } from '@/ui/plate';
import { space } from '@/ui/tokens';

import { openCallSheet } from '../call/openSheet';
import type { Incoming } from './useIncoming';

const refuseAnd = { text: 'Refuse and text', remind: 'Refuse, call back' };

interface OtherAnswersProps {
  view: CallView;
  call: Incoming;
  /** Another call is talked on, which may be ended for this one. */
  isTalking?: boolean;
}

/** What else can be done with a ringing call than to answer or refuse it. */
export function OtherAnswers({ view, call, isTalking = false }: OtherAnswersProps) {
  return (
    <View style={styles.row}>
      {isTalking ? (
        <Plate
          kind="night"
          word="Answer, end the other"
          label={`Answer, end the other: ${call.name}`}
          onPress={() => void call.answer('clear')}
          style={styles.plate}
        />
      ) : null}
      <Plate
        kind="night"
        word={call.isSilenced ? 'Silent' : 'Silence'}
        label={call.isSilenced ? `Silent: ${call.name}` : `Silence the ring here: ${call.name}`}
        disabled={call.isSilenced}
        onPress={call.silence}
        style={styles.plate}
      />
      {call.isOwnCall ? null : (
        <>
          {call.afterRefusal === null ? null : (
            <Plate
              kind="night"
              word={refuseAnd[call.afterRefusal]}
              label={`${refuseAnd[call.afterRefusal]} ${call.name}`}
              onPress={() => openCallSheet({ kind: 'refuseWithText', view })}
              style={styles.plate}
            />
          )}
          <Plate
            kind="night"
            word="Pass on"
            label={`Pass on ${call.name}`}
            onPress={() => openCallSheet({ kind: 'passOn', view })}
            style={styles.plate}
          />
        </>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  plate: { flexGrow: 1, paddingHorizontal: space.s },
});
