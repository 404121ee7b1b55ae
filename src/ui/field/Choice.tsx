import { Pressable, StyleSheet, View } from 'react-native';

import { Txt } from '../text';
import { corner, space, target, themed, useTheme } from '../tokens';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    option: {
      minHeight: target,
      flexDirection: 'row',
      alignItems: 'center',
      gap: space.m,
      paddingVertical: space.s,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
    mark: {
      width: 20,
      height: 20,
      borderWidth: 2,
      borderColor: colours.edge,
      alignItems: 'center',
      justifyContent: 'center',
    },
    marked: { borderColor: colours.spruce },
    chosen: { width: 10, height: 10, backgroundColor: colours.spruce },
    words: { flex: 1 },
    plates: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s, marginTop: space.xs },
    plate: {
      minHeight: target,
      justifyContent: 'center',
      paddingHorizontal: space.m,
      borderWidth: 1,
      borderRadius: corner,
      borderColor: colours.edge,
      backgroundColor: colours.sheet,
    },
    chosenPlate: { backgroundColor: colours.ink, borderColor: colours.ink },
  }),
);

interface ChoiceProps<T extends string> {
  label: string;
  value: T | null;
  options: readonly { value: T; word: string; detail?: string }[];
  onChoose: (value: T) => void;
  /** Words alone on plates side by side, where many have to fit. */
  asPlates?: boolean;
}

/** One of a few, each with its words. */
export function Choice<T extends string>({ label, value, options, onChoose, asPlates }: ChoiceProps<T>) {
  const styles = useStyles();
  const { colours } = useTheme();
  if (asPlates) {
    return (
      <View role="radiogroup" aria-label={label}>
        <Txt as="small">{label}</Txt>
        <View style={styles.plates}>
          {options.map((option) => {
            const isChosen = option.value === value;
            return (
              <Pressable
                key={option.value}
                role="radio"
                aria-checked={isChosen}
                aria-label={option.detail ? `${option.word}, ${option.detail}` : option.word}
                onPress={() => onChoose(option.value)}
                style={[styles.plate, isChosen && styles.chosenPlate]}
              >
                <Txt as="strong" colour={isChosen ? colours.paper : colours.ink}>
                  {option.word}
                </Txt>
              </Pressable>
            );
          })}
        </View>
      </View>
    );
  }
  return (
    <View role="radiogroup" aria-label={label}>
      {options.map((option) => {
        const isChosen = option.value === value;
        return (
          <Pressable
            key={option.value}
            role="radio"
            aria-checked={isChosen}
            onPress={() => onChoose(option.value)}
            style={({ pressed }) => [styles.option, pressed && { backgroundColor: colours.sheet }]}
          >
            <View style={[styles.mark, isChosen && styles.marked]}>
              {isChosen ? <View style={styles.chosen} /> : null}
            </View>
            <View style={styles.words}>
              <Txt as={isChosen ? 'strong' : 'body'}>{option.word}</Txt>
              {option.detail ? <Txt as="small">{option.detail}</Txt> : null}
            </View>
          </Pressable>
        );
      })}
    </View>
  );
}
