import { useEffect, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import { ringKinds, type RingKind } from '@/core/calls/callerId';
import { rings, type Ring } from '@/core/shared/sound';
import { ringingChosen, useAppDispatch, useAppSelector, useServices } from '@/state/app';
import { Choice } from '@/ui/field';
import { ActLine } from '@/ui/list';
import { Plate } from '@/ui/plate';
import { Sheet } from '@/ui/sheet';
import { Txt } from '@/ui/text';
import { space, useTheme } from '@/ui/tokens';

import { useGo } from '../shared/useGo';
import { kindWords, ringWords } from './toneWords';
import { ScreenTitle } from '../shared/ScreenTitle';

const volumes = [
  { value: '0', word: 'Silent' },
  { value: '25', word: 'Soft' },
  { value: '50', word: 'Middle' },
  { value: '100', word: 'Loud' },
];

/** What this device rings with, by what a call is, how loud, and whether it trembles too. */
export function TonesScreen() {
  const { colours } = useTheme();
  const go = useGo();
  const dispatch = useAppDispatch();
  const { player } = useServices();
  const { ringTones, ringVolume, vibrates } = useAppSelector((state) => state.settings);
  const [choosing, setChoosing] = useState<RingKind | null>(null);
  useEffect(() => () => void player?.hearTune(null), [player]);
  const hear = (ring: Ring) => void player?.hearRing(ring);
  return (
    <ScrollView style={styles.screen} contentContainerStyle={styles.body} tabIndex={0}>
      <View>
        <ScreenTitle>Ring tones</ScreenTitle>
        <Txt colour={colours.faint}>On this device. The first that fits a call is heard.</Txt>
      </View>
      <View role="list">
        {ringKinds.map((kind) => (
          <ActLine
            key={kind}
            title={kindWords[kind].word}
            detail={kindWords[kind].detail}
            label={kindWords[kind].word}
          >
            <Plate
              word={ringWords[ringTones[kind]]}
              label={`${kindWords[kind].word}: ${ringWords[ringTones[kind]]}`}
              onPress={() => setChoosing(kind)}
            />
            <Plate
              word="Hear it"
              label={`Hear it: ${kindWords[kind].word}`}
              onPress={() => hear(ringTones[kind])}
            />
          </ActLine>
        ))}
      </View>
      <View>
        <Choice
          asStrip
          label="How loud"
          value={String(ringVolume)}
          options={volumes}
          onChoose={(volume) => dispatch(ringingChosen({ ringVolume: Number(volume) }))}
        />
      </View>
      {ringVolume === 0 ? <Txt as="small">Calls are seen, and not heard, on this device.</Txt> : null}
      <Plate
        word="The device trembles too"
        style={styles.aside}
        pressed={vibrates}
        onPress={() => dispatch(ringingChosen({ vibrates: !vibrates }))}
      />
      <Plate word="Office" style={styles.aside} onPress={go.office} />
      {choosing === null ? null : (
        <Sheet title={kindWords[choosing].word} onClose={() => setChoosing(null)}>
          <Choice
            label="Ring tone"
            value={ringTones[choosing]}
            options={rings.map((value) => ({ value, word: ringWords[value] }))}
            onChoose={(ring) => {
              dispatch(ringingChosen({ ringTones: { ...ringTones, [choosing]: ring } }));
              hear(ring);
            }}
          />
        </Sheet>
      )}
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  screen: { flex: 1 },
  body: { padding: space.l, gap: space.l, maxWidth: 640 },
  aside: { alignSelf: 'flex-start' },
});
