import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { CallView } from '@/state/app';
import { Plate } from '@/ui/plate';
import { space } from '@/ui/tokens';

import { LazySheet } from '../call/LazySheet';
import type { OpenSheet } from '../call/sheetKinds';

interface OtherAnswersProps {
  view: CallView;
  /** Quietens the ring on this device; left out where it only pips. */
  silence?: { isSilenced: boolean; silence: () => void };
}

/** What else can be done with a ringing call than to answer or refuse it. */
export function OtherAnswers({ view, silence }: OtherAnswersProps) {
  const [sheet, setSheet] = useState<OpenSheet | null>(null);
  return (
    <View style={styles.row}>
      {silence ? (
        <Plate
          kind="night"
          word={silence.isSilenced ? 'Silent' : 'Silence'}
          label={silence.isSilenced ? 'Ring is silent' : 'Silence the ring here'}
          disabled={silence.isSilenced}
          onPress={silence.silence}
          style={styles.plate}
        />
      ) : null}
      <Plate
        kind="night"
        word="Refuse and text"
        onPress={() => setSheet({ kind: 'refuseWithText', view })}
        style={styles.plate}
      />
      <Plate
        kind="night"
        word="Pass on"
        onPress={() => setSheet({ kind: 'passOn', view })}
        style={styles.plate}
      />
      <LazySheet open={sheet} onClose={() => setSheet(null)} />
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  plate: { flexGrow: 1, paddingHorizontal: space.s },
});
