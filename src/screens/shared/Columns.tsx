import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';

import { themed } from '@/ui/tokens';

import { useLayout } from './useLayout';

const useStyles = themed(({ colours }) =>
  StyleSheet.create({
    row: { flex: 1, flexDirection: 'row', minHeight: 0 },
    list: { width: 400, minHeight: 0, borderRightWidth: 1, borderColor: colours.ink },
    detail: { flex: 1, minWidth: 0, minHeight: 0, backgroundColor: colours.sheet },
    whole: { flex: 1, minWidth: 0, minHeight: 0 },
  }),
);

interface ColumnsProps {
  list: ReactNode;
  detail: ReactNode;
  /** Which of the two a phone shows. */
  narrow: 'list' | 'detail';
}

/**
 * List and detail: side by side where there is room, else the one that the address asks for.
 * One tree at every width: what was typed into either is there still when the device is turned, or the window widened.
 */
export function Columns({ list, detail, narrow }: ColumnsProps) {
  const styles = useStyles();
  const { isWide } = useLayout();
  return (
    <View style={styles.row}>
      {isWide || narrow === 'list' ? (
        <View key="list" style={isWide ? styles.list : styles.whole}>
          {list}
        </View>
      ) : null}
      {isWide || narrow === 'detail' ? (
        <View key="detail" style={isWide ? styles.detail : styles.whole}>
          {detail}
        </View>
      ) : null}
    </View>
  );
}
