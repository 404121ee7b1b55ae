import { Pressable, StyleSheet, View } from 'react-native';
import Svg, { Path, Rect } from 'react-native-svg';

import { Txt } from '../text';
import { space, target, themed, useTheme } from '../tokens';
import { pressOnSpace } from './choiceKeys';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    options: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space.l },
    option: {
      minHeight: target,
      minWidth: target,
      maxWidth: '100%',
      flexDirection: 'row',
      alignItems: 'center',
      gap: space.s,
    },
    word: { flexShrink: 1 },
    mark: { flexShrink: 0 },
    pressed: { backgroundColor: colours.sheet },
  }),
);

interface TicksProps {
  label: string;
  options: readonly { value: string; word: string }[];
  chosen: readonly string[];
  onChange: (chosen: string[]) => void;
}

/** Any of several, each ticked for itself. */
export function Ticks({ label, options, chosen, onChange }: TicksProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const toggled = (value: string) =>
    chosen.includes(value) ? chosen.filter((each) => each !== value) : [...chosen, value];
  return (
    <View role="group" aria-label={label} {...({ onKeyDown: pressOnSpace } as object)}>
      <Txt as="small">{label}</Txt>
      <View style={styles.options}>
        {options.map(({ value, word }) => {
          const isTicked = chosen.includes(value);
          return (
            <Pressable
              key={value}
              role="checkbox"
              aria-checked={isTicked}
              aria-label={word}
              onPress={() => onChange(toggled(value))}
              style={({ pressed }) => [styles.option, pressed && styles.pressed]}
            >
              <Svg width={22} height={22} style={styles.mark} aria-hidden>
                <Rect x={2} y={2} width={18} height={18} fill="none" stroke={colours.ink} strokeWidth={2} />
                {isTicked ? (
                  <Path d="M6 11l4 5 8-12" fill="none" stroke={colours.spruce} strokeWidth={3} />
                ) : null}
              </Svg>
              <Txt as={isTicked ? 'strong' : 'body'} style={styles.word}>
                {word}
              </Txt>
            </Pressable>
          );
        })}
      </View>
    </View>
  );
}
