import { useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';

import type { CallView } from '@/state/app';
import { space, themed, useTheme } from '@/ui/tokens';

import { CordDrawing } from './CordDrawing';
import { shapeOf } from './cordShape';
import { EndCard } from './EndCard';

const useStyles = themed(() =>
  StyleSheet.create({
    row: { flexGrow: 1, flexDirection: 'row' },
    cord: { flexGrow: 1, minHeight: 48 },
    narrow: { flexGrow: 0, width: 60 },
    beside: { flex: 1, minWidth: 0, paddingVertical: space.s, justifyContent: 'center' },
  }),
);

/** Lower than that, the words at the strands would be cut. */
const wordsNeed = 96;

interface OneCordProps {
  view: CallView;
  now: number;
  /** Hangs beside the cord. */
  beside?: ReactNode;
  isTight: boolean;
}

/** A call with one other end: one large cord. */
export function OneCord({ view, now, beside, isTight }: OneCordProps) {
  const styles = useStyles();
  const { colours, size: letters } = useTheme();
  const [size, setSize] = useState({ width: 0, height: 0 });
  const [party] = view.others;
  if (!party) return null;
  return (
    <>
      <EndCard view={view} party={party} now={now} isLarge={beside == null && !isTight} level={1} />
      <View style={styles.row}>
        <View
          style={[styles.cord, beside != null && styles.narrow]}
          onLayout={({ nativeEvent: { layout } }) => setSize({ width: layout.width, height: layout.height })}
          aria-hidden
        >
          {size.width > 0 ? (
            // Out of the flow, so that it never keeps the height it was once drawn at.
            <View style={StyleSheet.absoluteFill}>
              <CordDrawing
                width={size.width}
                height={size.height}
                shape={shapeOf(view, party)}
                colour={colours.cords[view.line?.cord.hue ?? 0] ?? colours.ink}
                isNarrow={beside != null || size.height < letters(wordsNeed)}
              />
            </View>
          ) : null}
        </View>
        {beside == null ? null : <View style={styles.beside}>{beside}</View>}
      </View>
    </>
  );
}
