import { StyleSheet, View } from 'react-native';

import { formatClockWithSeconds, formatDay } from '@/core/shared/time';
import { selectZone, setClock, useAppDispatch, useAppSelector, useNow } from '@/state/app';
import { Plate } from '@/ui/plate';
import { Txt } from '@/ui/text';
import { space } from '@/ui/tokens';

import { Section } from './Section';

const steps = [
  ['5 s on', 5_000],
  ['30 s on', 30_000],
  ['5 min on', 300_000],
  ['1 h on', 3_600_000],
] as const;

/** Stop the clock, let it run, or move it on. It never goes back, since calls can't unhappen. */
export function ClockPanel() {
  const dispatch = useAppDispatch();
  const zone = useAppSelector(selectZone);
  const { mode } = useAppSelector((state) => state.office.clock);
  const now = useNow();
  const isStanding = mode === 'fixed';
  return (
    <Section
      title="Clock"
      sentence={isStanding ? 'It stands still until you move it.' : 'It runs at its usual pace.'}
    >
      <Txt as="monoLarge">{formatClockWithSeconds(now, zone)}</Txt>
      <Txt as="small">{dayWords(now, zone)}</Txt>
      <View style={styles.acts}>
        <Plate
          word={isStanding ? 'Let it run' : 'Stop it'}
          onPress={() => dispatch(setClock(isStanding ? 'run' : 'stop'))}
        />
        {steps.map(([word, moveOnMs]) => (
          <Plate again key={word} word={word} onPress={() => dispatch(setClock({ moveOnMs }))} />
        ))}
      </View>
    </Section>
  );
}

/** A day that is always written out, also when it is today. */
function dayWords(now: number, zone: string): string {
  return formatDay(now, now + 7 * 86_400_000, zone);
}

const styles = StyleSheet.create({ acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s } });
