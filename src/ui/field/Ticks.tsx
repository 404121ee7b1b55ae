import { StyleSheet, View } from 'react-native';

import { Plate } from '../plate';
import { Txt } from '../text';
import { space } from '../tokens';

interface TicksProps {
  label: string;
  options: readonly { value: string; word: string }[];
  chosen: readonly string[];
  onChange: (chosen: string[]) => void;
}

/** Any of several, each on a plate that stays pressed. */
export function Ticks({ label, options, chosen, onChange }: TicksProps) {
  const toggled = (value: string) =>
    chosen.includes(value) ? chosen.filter((each) => each !== value) : [...chosen, value];
  return (
    <View role="group" aria-label={label}>
      <Txt as="small">{label}</Txt>
      <View style={styles.plates}>
        {options.map(({ value, word }) => (
          <Plate
            key={value}
            word={word}
            pressed={chosen.includes(value)}
            onPress={() => onChange(toggled(value))}
          />
        ))}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  plates: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s, marginTop: space.xs },
});
