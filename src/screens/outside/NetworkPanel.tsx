import { StyleSheet, View } from 'react-native';

import { qualityOver, type Network } from '@/core/calls/quality';
import { networks } from '@/office/standins';
import { useAppDispatch, useAppSelector } from '@/state/app';
import { playOutside } from '@/state/outside';
import { Choice } from '@/ui/field';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { Section } from './Section';

const words = { good: 'Good mast', busy: 'Busy mast', poor: 'Behind the hill', gone: 'Nearly gone' } as const;

/** What can be turned by itself, with its step and its bounds. */
const turns = [
  { key: 'delayMs', word: 'delay', unit: 'ms', step: 50, most: 2000 },
  { key: 'jitterMs', word: 'jitter', unit: 'ms', step: 10, most: 500 },
  { key: 'lossPercent', word: 'loss', unit: '%', step: 1, most: 100 },
  { key: 'burstRatio', word: 'burst ratio', unit: '', step: 0.5, most: 8 },
] as const;

/** What the network does to this device's data calls. */
export function NetworkPanel() {
  const dispatch = useAppDispatch();
  const network = useAppSelector((state) => state.office.network);
  const quality = qualityOver(network);
  const change = (next: Network) => void dispatch(playOutside({ kind: 'network', network: next }));
  const named = (Object.keys(words) as (keyof typeof words)[]).find((key) => isSame(networks[key], network));
  return (
    <Section title="Network" sentence="What happens to the sound between this device and the office.">
      <Choice
        asStrip
        label="How it is"
        value={named ?? null}
        options={(Object.keys(words) as (keyof typeof words)[]).map((key) => ({
          value: key,
          word: words[key],
        }))}
        onChoose={(key) => change(networks[key])}
      />
      {turns.map(({ key, word, unit, step, most }) => {
        const value = network[key];
        const least = key === 'burstRatio' ? 1 : 0;
        const turnBy = (by: number) =>
          change({ ...network, [key]: Math.min(most, Math.max(least, Math.round((value + by) * 10) / 10)) });
        return (
          <View key={key} style={styles.turn} role="group" aria-label={word}>
            <Txt style={styles.word}>{word}</Txt>
            <Plate word="−" label={`Less ${word}`} disabled={value <= least} onPress={() => turnBy(-step)} />
            <Txt as="mono" style={styles.value}>
              {value} {unit}
            </Txt>
            <Plate word="+" label={`More ${word}`} disabled={value >= most} onPress={() => turnBy(step)} />
          </View>
        );
      })}
      <Txt as="mono">
        R {Math.round(quality.R)} · MOS {quality.mos.toFixed(2)}
      </Txt>
    </Section>
  );
}

const isSame = (a: Network, b: Network) => turns.every(({ key }) => a[key] === b[key]);

const styles = StyleSheet.create({
  turn: { flexDirection: 'row', alignItems: 'center', gap: space.m },
  word: { width: 92 },
  value: { width: 84, textAlign: 'center' },
});
