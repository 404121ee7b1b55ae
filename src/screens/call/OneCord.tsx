import { useState } from 'react';
import { StyleSheet, View } from 'react-native';

import type { CallView } from '@/state/app';
import { themed, useTheme } from '@/ui/tokens';

import { CordDrawing } from './CordDrawing';
import { shapeOf } from './cordShape';
import { EndCard } from './EndCard';

const useStyles = themed(() => StyleSheet.create({ cord: { flexGrow: 1, minHeight: 150 } }));

/** A call with one other end: one large cord. */
export function OneCord({ view, now }: { view: CallView; now: number }) {
  const styles = useStyles();
  const { colours } = useTheme();
  const [size, setSize] = useState({ width: 0, height: 0 });
  const [party] = view.others;
  if (!party) return null;
  return (
    <>
      <EndCard view={view} party={party} now={now} isLarge />
      <View
        style={styles.cord}
        onLayout={({ nativeEvent: { layout } }) => setSize({ width: layout.width, height: layout.height })}
        aria-hidden
      >
        {size.width > 0 ? (
          <CordDrawing
            width={size.width}
            height={size.height}
            shape={shapeOf(view, party)}
            colour={colours.cords[view.line?.cord.hue ?? 0] ?? colours.ink}
          />
        ) : null}
      </View>
    </>
  );
}
