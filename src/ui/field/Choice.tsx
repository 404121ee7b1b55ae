import { Pressable, StyleSheet, View } from 'react-native';

import { Txt } from '../text';
import { space, target, themed, useTheme } from '../tokens';
import { useOneStop } from './choiceKeys';

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
    // The needle stands at the row that is chosen, as it stands at now on a scale.
    needle: { width: 6, alignSelf: 'stretch', backgroundColor: 'transparent' },
    atRow: { backgroundColor: colours.saffron },
    words: { flex: 1 },
    strip: { flexDirection: 'row', flexWrap: 'wrap', marginTop: space.xs },
    part: {
      minHeight: target,
      minWidth: target,
      maxWidth: '100%',
      justifyContent: 'center',
      alignItems: 'center',
      paddingHorizontal: space.m,
      borderBottomWidth: 1,
      borderColor: colours.edge,
    },
    needleUnder: {
      position: 'absolute',
      left: 0,
      right: 0,
      bottom: -1,
      height: 5,
      backgroundColor: colours.saffron,
    },
  }),
);

interface ChoiceProps<T extends string> {
  label: string;
  value: T | null;
  options: readonly { value: T; word: string; detail?: string }[];
  onChoose: (value: T) => void;
  /** Words alone side by side on one rule, where many have to fit. */
  asStrip?: boolean;
}

/** One of a few: the needle stands at the one that is chosen. */
export function Choice<T extends string>({ label, value, options, onChoose, asStrip }: ChoiceProps<T>) {
  const styles = useStyles();
  const { colours } = useTheme();
  const keys = useOneStop(options.findIndex((option) => option.value === value));
  if (asStrip) {
    return (
      <View role="radiogroup" aria-label={label} {...keys.group}>
        <Txt as="small">{label}</Txt>
        <View style={styles.strip}>
          {options.map((option, index) => {
            const isChosen = option.value === value;
            return (
              <Pressable
                key={option.value}
                role="radio"
                {...keys.option(index)}
                aria-checked={isChosen}
                aria-label={option.detail ? `${option.word}, ${option.detail}` : option.word}
                onPress={() => onChoose(option.value)}
                style={({ pressed }) => [styles.part, pressed && { backgroundColor: colours.sheet }]}
              >
                <Txt as={isChosen ? 'strong' : 'body'} colour={isChosen ? colours.ink : colours.faint}>
                  {option.word}
                </Txt>
                {isChosen ? <View style={styles.needleUnder} /> : null}
              </Pressable>
            );
          })}
        </View>
      </View>
    );
  }
  return (
    <View role="radiogroup" aria-label={label} {...keys.group}>
      {options.map((option, index) => {
        const isChosen = option.value === value;
        return (
          <Pressable
            key={option.value}
            role="radio"
            {...keys.option(index)}
            aria-checked={isChosen}
            onPress={() => onChoose(option.value)}
            style={({ pressed }) => [styles.option, pressed && { backgroundColor: colours.sheet }]}
          >
            <View style={[styles.needle, isChosen && styles.atRow]} />
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
