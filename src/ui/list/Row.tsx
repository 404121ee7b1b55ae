import type { ReactNode } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';

import { Txt } from '../text';
import { space, target, themed, useTheme } from '../tokens';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    row: {
      flexDirection: 'row',
      alignItems: 'stretch',
      minHeight: target + 8,
      borderBottomWidth: 1,
      borderColor: colours.rule,
      backgroundColor: colours.sheet,
    },
    press: {
      flex: 1,
      minWidth: 0,
      flexDirection: 'row',
      alignItems: 'center',
      gap: space.m,
      paddingVertical: space.s,
      paddingHorizontal: space.m,
    },
    // As the needle stands at what is chosen.
    open: { borderLeftWidth: 6, borderLeftColor: colours.saffron, paddingLeft: space.m - 6 },
    words: { flex: 1, minWidth: 0 },
  }),
);

interface RowProps {
  title: string;
  detail?: string;
  onPress: () => void;
  before?: ReactNode;
  after?: ReactNode;
  /** So many lines of the detail are shown: more where it says what will be true, and never so few that who it was is cut. */
  detailLines?: number;
  /** What it stands for is open beside the list. */
  isOpen?: boolean;
}

/** A row of a list that is pressed as a whole: something before the words, the words, and a word behind them. */
export function Row({ title, detail, onPress, before, after, detailLines = 2, isOpen = false }: RowProps) {
  const styles = useStyles();
  const { colours } = useTheme();
  return (
    <View style={styles.row}>
      <Pressable
        role="button"
        aria-current={isOpen ? true : undefined}
        onPress={onPress}
        style={({ pressed }) => [
          styles.press,
          isOpen && styles.open,
          pressed && { backgroundColor: colours.paper },
        ]}
      >
        {before}
        <View style={styles.words}>
          <Txt as="strong" lines={1}>
            {title}
          </Txt>
          {detail ? (
            <Txt as="small" lines={detailLines}>
              {detail}
            </Txt>
          ) : null}
        </View>
        {after}
      </Pressable>
    </View>
  );
}
