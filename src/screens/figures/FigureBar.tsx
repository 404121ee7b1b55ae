import { Pressable, StyleSheet, View } from 'react-native';

import type { FigureRow } from '@/core/calls/figures';
import { Txt } from '@/ui/text';
import { space, target, themed, useTheme } from '@/ui/tokens';

import { rowWords } from './figureWords';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    row: {
      minHeight: target + 8,
      paddingVertical: space.s,
      gap: space.xs,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
    top: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'baseline', columnGap: space.m },
    word: { flexGrow: 1, flexShrink: 1, flexBasis: 140 },
    bar: { flexDirection: 'row', height: 14 },
    taken: { backgroundColor: colours.spruce },
    abandoned: { borderWidth: 2, borderColor: colours.rowan, backgroundColor: colours.sheet },
    overflowed: { backgroundColor: colours.edge },
  }),
);

interface FigureBarProps {
  row: FigureRow;
  word: string;
  /** The calls of the longest bar. */
  most: number;
  onPress: () => void;
}

/** One row as a bar: what was taken filled, who gave up hollow, what went on grey; the same in words under it. */
export function FigureBar({ row, word, most, onPress }: FigureBarProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  const { calls, taken, abandoned, overflowed } = row;
  const part = (number: number) => ({ width: `${(number / most) * 100}%` }) as const;
  return (
    <View role="listitem">
      <Pressable
        role="button"
        onPress={onPress}
        style={({ pressed }) => [styles.row, pressed && { backgroundColor: colours.paper }]}
      >
        <View style={styles.top}>
          <Txt as="strong" style={styles.word}>
            {word}
          </Txt>
          <Txt as="mono">{calls === 1 ? '1 call' : `${calls} calls`}</Txt>
        </View>
        <View style={styles.bar} aria-hidden>
          <View style={[styles.taken, part(taken)]} />
          {abandoned === 0 ? null : <View style={[styles.abandoned, part(abandoned)]} />}
          <View style={[styles.overflowed, part(overflowed)]} />
        </View>
        <Txt as="small">{rowWords(row)}</Txt>
      </Pressable>
    </View>
  );
}
