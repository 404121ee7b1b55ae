import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';

import { Txt } from '../text';
import { space, themed } from '../tokens';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    line: {
      flexDirection: 'row',
      flexWrap: 'wrap',
      alignItems: 'center',
      gap: space.m,
      paddingVertical: space.s,
      borderBottomWidth: 1,
      borderColor: colours.rule,
    },
    words: { flexGrow: 1, flexShrink: 1, flexBasis: 120 },
    acts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.m, maxWidth: '100%' },
  }),
);

interface ActLineProps {
  title: string;
  detail: string;
  before?: ReactNode;
  /** What can be done about it; under the words where there is no room beside them. */
  children?: ReactNode;
  /** Names the line for those who listen. */
  label?: string;
}

/** A line of a list with its words, and its own acts behind them. */
export function ActLine({ title, detail, before, children, label }: ActLineProps) {
  const styles = useStyles();
  return (
    <View role="listitem" aria-label={label} style={styles.line}>
      {before}
      <View style={styles.words}>
        <Txt as="strong">{title}</Txt>
        <Txt as="small">{detail}</Txt>
      </View>
      {children ? <View style={styles.acts}>{children}</View> : null}
    </View>
  );
}
