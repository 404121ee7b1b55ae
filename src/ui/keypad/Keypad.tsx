import { Pressable, StyleSheet, Text, View } from 'react-native';

import { fonts, space, themed, useTheme } from '../tokens';

/** Keys with their letters (ITU-T E.161). */
const rows = [
  ['1', '2 abc', '3 def'],
  ['4 ghi', '5 jkl', '6 mno'],
  ['7 pqrs', '8 tuv', '9 wxyz'],
  ['*', '0 +', '#'],
].map((row) => row.map((key) => key.split(' ') as [digit: string, letters?: string]));

const useStyles = themed(({ colours, size }) =>
  StyleSheet.create({
    pad: { borderTopWidth: 1, borderColor: colours.rule, backgroundColor: colours.sheet },
    row: { flexDirection: 'row', borderBottomWidth: 1, borderColor: colours.rule },
    key: {
      flex: 1,
      minHeight: 54,
      flexDirection: 'row',
      alignItems: 'center',
      paddingLeft: space.xl,
      gap: space.m,
      borderRightWidth: 1,
      borderColor: colours.rule,
    },
    lastKey: { borderRightWidth: 0 },
    lowKey: { minHeight: 48 },
    narrowKey: { minHeight: 48, paddingLeft: space.s, gap: space.xs },
    narrowLetters: { fontSize: size(12), letterSpacing: 0 },
    digit: {
      fontFamily: fonts.mono,
      fontSize: size(22),
      color: colours.ink,
      width: size(22),
      textAlign: 'center',
    },
    letters: { fontFamily: fonts.text, fontSize: size(14), color: colours.faint, letterSpacing: 1 },
  }),
);

const names: Record<string, string> = { '*': 'star', '#': 'hash' };

interface KeypadProps {
  onKey: (key: string) => void;
  /** A plus can be had by holding 0; where digits are sent to a call it can't. */
  hasPlus?: boolean;
  /** Beside something else, where a key has less room. */
  isNarrow?: boolean;
  /** Where the window is short: no higher than a thumb needs. */
  isLow?: boolean;
}

/** Twelve keys as a ruled table, in reach of the thumb. */
export function Keypad({ onKey, hasPlus = false, isNarrow = false, isLow = false }: KeypadProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  return (
    <View role="group" aria-label="Keypad" style={styles.pad} {...{ dataSet: { again: '' } }}>
      {rows.map((row, rowIndex) => (
        <View key={rowIndex} style={[styles.row, rowIndex === rows.length - 1 && { borderBottomWidth: 0 }]}>
          {row.map(([digit, letters], column) => {
            const shownLetters = letters === '+' && !hasPlus ? undefined : letters;
            return (
              <Pressable
                key={digit}
                role="button"
                aria-label={names[digit]}
                onPress={() => onKey(digit)}
                onLongPress={hasPlus && digit === '0' ? () => onKey('+') : undefined}
                style={({ pressed }) => [
                  styles.key,
                  column === 2 && styles.lastKey,
                  isLow && styles.lowKey,
                  isNarrow && styles.narrowKey,
                  pressed && { backgroundColor: colours.saffron },
                ]}
              >
                <Text style={styles.digit}>{digit}</Text>
                {shownLetters ? (
                  <Text style={[styles.letters, isNarrow && styles.narrowLetters]} aria-hidden>
                    {shownLetters}
                  </Text>
                ) : null}
              </Pressable>
            );
          })}
        </View>
      ))}
    </View>
  );
}
